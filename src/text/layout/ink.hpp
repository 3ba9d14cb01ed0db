/// @file
/// What letters cover.
#pragma once

#include "text/faces/glyph_cache.hpp"
#include "text/layout/layout.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/image.hpp>

#include <optional>

namespace coldbrick::text {

/// The coverages of pixels in a box, as an image of the format gray8.
struct CoveredPart {
    Image coverage;
    Box box;
};

/// What of a text's letters, grown on all sides, may be seen in a box; nothing if none of it can.
/// @param within counts as glyphs' origins do: from the pixel that the anchor lies on
std::optional<CoveredPart> covered_part(const Layout& layout, double grown, const Box& within);

} // namespace coldbrick::text
