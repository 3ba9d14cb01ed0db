/// @file
/// Runs of pixels whose channels are integers of their own, composited many at a time.
#pragma once

#include "paint/formats/surface.hpp"

#include <coldbrick/blend.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/deep_colour.hpp>

#include <cstddef>
#include <cstdint>
#include <span>

namespace coldbrick::paint {

/// How many pixels composite_integers() takes at a time.
constexpr std::size_t integer_block = 64;

/// True if composite_integers() knows the mode, in the numbers that the blending asks for, for the surface.
/// @param in_part whether pixels may be covered in part
[[nodiscard]] bool composites_integers(const Surface& surface, const Blending& blending, bool in_part);

/// Composites at most so many colours with the pixels from `at` on to the right.
/// @tparam C Colour where channels are bytes, Colour16 where they have two
/// @param mask the channels that may be written, those of gray alike
/// @param coverages how much of each pixel is covered; null if all of them are wholly
/// @returns false, having painted nothing, if some of the pixels are not opaque, and the mode asks for it
template <class C>
bool composite_integers(const Surface& surface, const ChannelMask& mask, const Blending& blending,
                        std::byte* at, std::span<const C> colours, const std::uint8_t* coverages);

} // namespace coldbrick::paint
