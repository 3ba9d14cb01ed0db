/// @file
/// Runs of a gradient's colours.
#pragma once

#include "paint/patterns/ramp.hpp"

#include <coldbrick/pattern.hpp>

#include <cstdint>
#include <span>

namespace coldbrick::paint {

/// Fills `colours` with those of the pixels from (x, y) on to the right.
/// @param ramp of the gradient's stops
/// @tparam C Colour, Colour16 or RealColour
template <class C>
void fill_gradient_row(const LinearGradient& gradient, const Ramp& ramp, std::int64_t x, std::int64_t y,
                       std::span<C> colours);
template <class C>
void fill_gradient_row(const RadialGradient& gradient, const Ramp& ramp, std::int64_t x, std::int64_t y,
                       std::span<C> colours);

} // namespace coldbrick::paint
