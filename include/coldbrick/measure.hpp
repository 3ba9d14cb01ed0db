/// @file
/// What can be told of images.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/channel.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/region.hpp>

#include <array>   // histograms
#include <cstdint> // counts

namespace [[gnu::visibility("default")]] coldbrick {

// All of these look at the whole image, whatever its clip, with its colours in 8 bits a channel.

/// The pixels that are reached from a point over pixels like it.
struct Flood {
    int tolerance = 0; ///< how much a channel, alpha too, may differ from the point's own colour, 0..255
    bool diagonally = false; ///< whether pixels that only share a corner are neighbours (8 instead of 4)
};

/// The region of all pixels that a flood from this one reaches; drawing it fills them.
/// @throws ArgumentError if the pixel lies outside the image, the tolerance outside its range, or a pixel's
/// number beyond the palette.
[[nodiscard]] Region flooded(const ConstImageView& image, Point from, const Flood& flood = {});

/// How two images differ.
struct Difference {
    std::int64_t pixels = 0; ///< how many pixels differ
    int largest = 0;         ///< the largest difference of a channel
    Box bounds;              ///< of the pixels that differ; empty if none do
    Image picture;           ///< rgba8: the differences of red, green and blue, and 255 minus that of alpha
};

/// Compares two images, of any formats, pixel by pixel.
/// @throws ArgumentError if their sizes differ, or if a pixel's number is beyond its palette.
[[nodiscard]] Difference difference(const ConstImageView& a, const ConstImageView& b);

/// The tight box of all pixels whose colour is not that of the ground; an empty one if there are none.
/// @throws ArgumentError if a pixel's number is beyond the palette.
[[nodiscard]] Box extent_of_content(const ConstImageView& image, const Colour& ground);

/// How many pixels have each value 0..255 of a channel; gray is that of the Rec. 709 weights.
/// @throws ArgumentError if a pixel's number is beyond the palette.
[[nodiscard]] std::array<std::int64_t, 256> histogram(const ConstImageView& image, Channel channel);

} // namespace coldbrick
