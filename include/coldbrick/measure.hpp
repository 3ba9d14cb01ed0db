/// @file
/// What can be told of images.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/channel.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>

#include <array>   // histograms
#include <cstdint> // counts

namespace [[gnu::visibility("default")]] coldbrick {

// All of these look at the whole image, whatever its clip, with its colours in 8 bits a channel.

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
