/// @file
/// The letters of level texts as masks.
#pragma once

#include "text/layout/layout.hpp"

#include <vector>

namespace coldbrick::text {

/// The coverages of a level text's letters, grown on all sides: kept ones of single letters, and those of
/// letters that overlap as one.
std::vector<PlacedMask> glyph_masks(const Layout& layout, double grown);

} // namespace coldbrick::text
