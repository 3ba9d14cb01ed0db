/// @file
/// Images made larger and smaller.
#pragma once

#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/point.hpp>

#include <cstddef> // bytes
#include <cstdint> // the enumerations' underlying type

namespace [[gnu::visibility("default")]] coldbrick {

/// How the pixels of a resized image are made. The centres of its pixels are spread evenly over the image.
enum class Resampling : std::uint8_t {
    area,     ///< the mean of all that the pixel covers, in proportion: the best for making smaller
    nearest,  ///< the pixel that its centre lies in; on an edge the right or lower one
    bilinear, ///< between the 2 x 2 nearest centres, in proportion
    bicubic,  ///< from the 4 x 4 nearest centres: Keys, "Cubic convolution interpolation for digital image
              ///< processing", IEEE Transactions on Acoustics, Speech, and Signal Processing 29(6), 1981
};

/// How an image fits a size of other proportions, in the words of the W3C's CSS Images Module Level 3,
/// section 5.5.
enum class Fit : std::uint8_t {
    exact,   ///< it is stretched to just that size
    contain, ///< as large as fits, in its own proportions: one side may be shorter
    cover,   ///< in its own proportions, just that size: what is too much is cut off evenly at both ends
};

/// How resized() works.
struct Resizing {
    Resampling resampling = Resampling::area;
    Fit fit = Fit::exact;
    std::size_t most_bytes = Image::no_limit; ///< what the result may take at most
};

/// The image, whatever its clip, in another size and the same format. Colours are weighed with their alpha,
/// and each channel is rounded once.
/// @throws ArgumentError if the size is outside 1..2147483647 or the result exceeds the limit or the address
/// space; std::bad_alloc if there is not enough memory.
[[nodiscard]] Image resized(const ConstImageView& image, Size size, const Resizing& resizing = {});

/// The size that an image takes with a fit: `size` itself but for Fit::contain.
/// @throws ArgumentError unless both are 1..2147483647 wide and high.
[[nodiscard]] Size fitted(Size image, Size size, Fit fit);

} // namespace coldbrick
