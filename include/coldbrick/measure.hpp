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
#include <cstddef> // how many colours
#include <cstdint> // counts
#include <vector>  // many boxes and colours

namespace [[gnu::visibility("default")]] coldbrick {

// All of these look at the whole image, whatever its clip, with its colours in 8 bits a channel.

/// How images are compared.
struct Comparison {
    int tolerance = 0;             ///< how much a channel may differ in pixels that count as the same, 0..255
    std::vector<Box> ignored = {}; ///< boxes whose pixels are left out
};

/// How two images differ. Channels are in the order red, green, blue, alpha.
struct Difference {
    std::int64_t pixels = 0;            ///< how many pixels differ by more than the tolerance
    std::int64_t compared = 0;          ///< how many were not left out
    int largest = 0;                    ///< the largest difference of a channel of a compared pixel
    std::array<int, 4> largest_of = {}; ///< of each channel
    std::array<double, 4> mean_of = {}; ///< of each channel over all compared pixels
    Region region = {};                 ///< the pixels that differ
    Box bounds = {};                    ///< of them; empty if there are none
    Image picture; ///< rgba8: the differences of red, green and blue, and 255 minus that of alpha; black
                   ///< where pixels are left out
};

/// Compares two images, of any formats, pixel by pixel.
/// @throws ArgumentError if their sizes differ, if the tolerance is outside its range, or if a pixel's number
/// is beyond its palette.
[[nodiscard]] Difference difference(const ConstImageView& a, const ConstImageView& b,
                                    const Comparison& comparison = {});

/// An image with red, green and blue multiplied by a factor and cut off at the largest number, as rgb8: what
/// shows small differences.
/// @throws ArgumentError if the factor is outside 1..255.
[[nodiscard]] Image amplified(const ConstImageView& image, int factor);

/// The tight box of all pixels whose colour is not that of the ground; an empty one if there are none.
/// @throws ArgumentError if a pixel's number is beyond the palette.
[[nodiscard]] Box extent_of_content(const ConstImageView& image, const Colour& ground);

/// An image in dim shades of grey but for the pixels of a region, as rgb8 or, if the image has alpha, rgba8.
/// @throws ArgumentError if a pixel's number is beyond the palette.
[[nodiscard]] Image highlighted(const ConstImageView& image, const Region& region);

/// All pixels whose colour is like this one.
/// @param tolerance how much a channel, alpha too, may differ, 0..255
/// @throws ArgumentError if the tolerance is outside its range, or if a pixel's number is beyond the palette.
[[nodiscard]] Region pixels_like(const ConstImageView& image, const Colour& colour, int tolerance = 0);

/// Colours and how many pixels have them.
struct ColourCounts {
    struct Count {
        Colour colour;
        std::int64_t pixels;
    };
    std::int64_t colours = 0;     ///< how many there are
    std::vector<Count> commonest; ///< those of most pixels first; of equals, that with less red, green, blue
};

/// Counts the colours of an image. Memory follows their number: about 30 bytes each.
/// @param most how many to tell
/// @throws ArgumentError if a pixel's number is beyond the palette.
[[nodiscard]] ColourCounts count_colours(const ConstImageView& image, std::size_t most = 16);

/// How many pixels have each value 0..255 of a channel; gray is that of the Rec. 709 weights.
/// @throws ArgumentError if a pixel's number is beyond the palette.
[[nodiscard]] std::array<std::int64_t, 256> histogram(const ConstImageView& image, Channel channel);

} // namespace coldbrick
