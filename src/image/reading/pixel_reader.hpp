/// @file
/// The colours of an image's pixels, row by row.
#pragma once

#include "paint/formats/pixel_codec.hpp"
#include "paint/writers/simd_rows.hpp"

#include <coldbrick/image_view.hpp>

#include <concepts>
#include <cstddef>
#include <cstdint>
#include <span>

namespace coldbrick::image {

/// True if pixels are red, green and blue of 8 bits in some order, without gaps between them.
inline bool has_plain_colours(const ConstImageView& image) {
    const PixelLayout& pixel = layout(image.format());
    return paint::has_byte_colours(pixel) && image.pixel_stride_bytes() == pixel.bytes;
}

/// Reads pixels, in or outside the clip, as colours of one kind. Positions are not checked.
template <class C>
class PixelReader {
  public:
    explicit PixelReader(const ConstImageView& image)
        : origin_(image.bytes()), row_stride_(image.row_stride_bytes()),
          pixel_stride_(image.pixel_stride_bytes()), codec_{&layout(image.format()), image.palette()},
          plain_(has_plain_colours(image)), shuffle_(*codec_.layout, layout(PixelFormat::rgba8)) {}

    [[nodiscard]] C at(std::int64_t x, std::int64_t y) const {
        return codec_.decode<C>(origin_ + y * row_stride_ + x * pixel_stride_);
    }

    /// The pixels from (x, y) on to the right.
    void row(std::int64_t x, std::int64_t y, std::span<C> colours) const {
        const std::byte* pixel = origin_ + y * row_stride_ + x * pixel_stride_;
        if constexpr (std::same_as<C, Colour>)
            if (plain_) return shuffle_.row(pixel, std::as_writable_bytes(colours).data(), colours.size());
        for (C& colour : colours) {
            colour = codec_.decode<C>(pixel);
            pixel += pixel_stride_;
        }
    }

  private:
    static_assert(sizeof(Colour) == 4, "a colour lies in memory as a pixel of the format rgba8");

    const std::byte* origin_;
    std::ptrdiff_t row_stride_;
    std::ptrdiff_t pixel_stride_;
    paint::Codec codec_;
    bool plain_; ///< bytes in some order
    paint::Shuffle shuffle_;
};

/// Throws ArgumentError if a pixel's number is beyond the image's palette.
void check_palette(const ConstImageView& image);

} // namespace coldbrick::image
