/// @file
/// The colours of a pattern's pixels.
#pragma once

#include "paint/depth.hpp"

#include <coldbrick/paint.hpp>

#include <cstdint>
#include <span>

namespace coldbrick::paint {

/// Fills `colours` with those of the pixels from (x, y) on to the right, counted from the pattern's origin.
/// @tparam C Colour, Colour16 or RealColour
template <class C>
void pattern_row(const Pattern& pattern, std::int64_t x, std::int64_t y, std::span<C> colours);

/// What the pattern's coordinates are counted from.
PatternOrigin origin_of(const Pattern& pattern);

} // namespace coldbrick::paint
