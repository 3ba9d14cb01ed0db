/// @file
/// Runs of pixels of four floats, composited with all channels of a pixel at once.
#pragma once

#include "paint/formats/surface.hpp"

#include <coldbrick/blend.hpp>
#include <coldbrick/deep_colour.hpp>

#include <cstddef>
#include <cstdint>
#include <span>

namespace coldbrick::paint {

/// True if composite_reals() knows the mode, in the numbers that the blending asks for, for the surface.
[[nodiscard]] bool composites_reals(const Surface& surface, const Blending& blending);

/// Composites colours with the pixels from `at` on to the right, all of them wholly covered.
void composite_reals(const ChannelMask& mask, const Blending& blending, std::byte* at,
                     std::span<const RealColour> colours);

} // namespace coldbrick::paint
