/// @file
/// Copies of images in other formats, sizes and orientations.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/channel.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/orientation.hpp>
#include <coldbrick/palette.hpp>
#include <coldbrick/pixel_format.hpp>

#include <cstdint> // widths of margins
#include <span>    // several channels
#include <vector>  // several channels

namespace [[gnu::visibility("default")]] coldbrick {

// All of these look at the whole image, whatever its clip.

/// How gray is made of colours.
enum class GrayRule : std::uint8_t {
    encoded, ///< the Rec. 709 weights of the sRGB values
    linear,  ///< the Rec. 709 weights in linear light, made an sRGB value again
};

/// The image in another format. Each channel is rounded once, halves up; an indexed8 image gets the palette's
/// nearest entries.
/// @param palette of indexed8; null stands for default_palette().
/// @throws ArgumentError if a pixel's number is beyond the image's palette, or if a palette is given for a
/// format that has none; std::bad_alloc if there is not enough memory.
[[nodiscard]] Image converted(const ConstImageView& image, PixelFormat format,
                              GrayRule rule = GrayRule::encoded, const Palette* palette = nullptr);

/// A copy in the image's own format and palette.
[[nodiscard]] Image copied(const ConstImageView& image);

/// A copy that is mirrored and turned.
[[nodiscard]] Image oriented(const ConstImageView& image, const Orientation& orientation);

/// How many columns and rows are added to each side.
struct Margins {
    std::int32_t left = 0; ///< 0..2147483647 each
    std::int32_t top = 0;
    std::int32_t right = 0;
    std::int32_t bottom = 0;
};

/// A copy with margins of one colour. @throws ArgumentError if a margin is negative or the result too large.
[[nodiscard]] Image padded(const ConstImageView& image, const Margins& margins, const Colour& colour);

/// The image's channels in the order red, green, blue, alpha, or gray, alpha, as far as its format has them:
/// an image each, of the format gray8, gray16 or gray32f.
/// @throws ArgumentError if the format's channels share bytes.
[[nodiscard]] std::vector<Image> split(const ConstImageView& image);

/// An image whose channels, in the order of split(), are these images.
/// @throws ArgumentError if there are not as many as the format has, or if they have different sizes.
[[nodiscard]] Image merged(std::span<const ConstImageView> channels, PixelFormat format);

/// Exchanges two channels of all pixels. @throws ArgumentError if the format has not both of them.
void swap_channels(const ImageView& view, Channel first, Channel second);

} // namespace coldbrick
