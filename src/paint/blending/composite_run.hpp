/// @file
/// Runs of pixels of any format composited with runs of colours in any mode.
#pragma once

#include "paint/blending/composite_colour.hpp"
#include "paint/formats/surface.hpp"

#include <cstdint>
#include <span>

namespace coldbrick::paint {

/// Calls work(C()) with the kind of colour that pixels of the layout are worked with.
template <class Work>
void at_depth(const PixelLayout& layout, Work work) {
    switch (layout.kind) {
    case PixelLayout::Kind::words: return work(Colour16());
    case PixelLayout::Kind::floats: return work(RealColour());
    default: return work(Colour());
    }
}

/// Composites colours with the pixels from (x, y) on to the right.
/// @param coverages how much of each pixel is covered; null if all of them are wholly
template <class C>
void composite_run(const Surface& surface, const Blending& blending, std::int64_t x, std::int64_t y,
                   std::span<const C> colours, const std::uint8_t* coverages = nullptr);

} // namespace coldbrick::paint
