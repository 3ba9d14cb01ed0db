/// @file
/// Areas of one colour.
#pragma once

#include <coldbrick/image_view.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/region.hpp>

namespace [[gnu::visibility("default")]] coldbrick {

/// The pixels that are reached from a point over pixels like it.
struct Flood {
    int tolerance = 0; ///< how much a channel, alpha too, may differ from the point's own colour, 0..255
    bool diagonally = false; ///< whether pixels that only share a corner are neighbours (8 instead of 4)
};

/// The region of all pixels that a flood from this one reaches; drawing it fills them.
/// @throws ArgumentError if the pixel lies outside the image, the tolerance outside its range, or a pixel's
/// number beyond the palette.
[[nodiscard]] Region flooded(const ConstImageView& image, Point from, const Flood& flood = {});

} // namespace coldbrick
