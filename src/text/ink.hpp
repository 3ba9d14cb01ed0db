/// @file
/// What letters cover.
#pragma once

#include "text/glyph_cache.hpp"
#include "text/layout.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/image.hpp>

namespace coldbrick::text {

/// Paints a shape's letters in white, grown on all sides. @param view of the format gray8
void paint_coverage(const ImageView& view, const LetterPaths& letters, Edges edges, double grown);

/// The coverages of a text's letters in a box, as an image of the format gray8.
Image coverage_of(const Layout& layout, const Ink& ink, double grown, const Box& box);

} // namespace coldbrick::text
