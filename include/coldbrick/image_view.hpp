/// @file
/// Windows onto anyone's pixels.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>

#include <cstddef>     // bytes and strides
#include <type_traits> // read-only views are made from writable ones

namespace coldbrick {

/// A window onto pixels that belong to somebody else, and the clip that drawing is cut to. Copying it copies
/// no pixel. The memory must outlive the view. Pixel (x, y) begins at byte y * row_stride_bytes + x *
/// layout(format).bytes of the memory; nothing needs to be aligned.
///
/// @tparam Byte std::byte for ImageView, const std::byte for ConstImageView, which cannot be drawn into.
template <class Byte>
class BasicImageView {
  public:
    /// @param pixels the first byte of pixel (0, 0); not null.
    /// @param size 1..2147483647 wide and high.
    /// @param format the order of each pixel's channels.
    /// @param row_stride_bytes from one row's first byte to the next one's: at least a row's bytes, or at
    /// most
    ///        minus that for memory whose rows lie bottom-up.
    /// @throws ArgumentError if a value is outside its range or the image's bytes exceed the address space.
    BasicImageView(std::conditional_t<std::is_const_v<Byte>, const void*, void*> pixels, Size size,
                   PixelFormat format, std::ptrdiff_t row_stride_bytes);

    /// As above, where each row follows the one before without a gap.
    BasicImageView(std::conditional_t<std::is_const_v<Byte>, const void*, void*> pixels, Size size,
                   PixelFormat format);

    /// A read-only view of what a writable one shows.
    BasicImageView(const BasicImageView<std::byte>& view) requires std::is_const_v<Byte>
        : pixels_(view.bytes()),
          size_(view.size()),
          format_(view.format()),
          row_stride_bytes_(view.row_stride_bytes()),
          clip_(view.clip()) {}
    BasicImageView(const BasicImageView&) = default;
    BasicImageView& operator=(const BasicImageView&) = default;

    [[nodiscard]] Byte* bytes() const { return pixels_; } ///< the first byte of pixel (0, 0)
    [[nodiscard]] Size size() const { return size_; }
    [[nodiscard]] std::int32_t width() const { return size_.width; }
    [[nodiscard]] std::int32_t height() const { return size_.height; }
    [[nodiscard]] PixelFormat format() const { return format_; }
    [[nodiscard]] std::ptrdiff_t row_stride_bytes() const { return row_stride_bytes_; }

    /// What drawing is cut to: a part of the image's own box, perhaps empty.
    [[nodiscard]] const Box& clip() const { return clip_; }

    /// The same pixels with the clip cut to the box as well. Coordinates stay as they are.
    /// @throws ArgumentError as Box documents.
    [[nodiscard]] BasicImageView clipped(const Box& box) const;

    /// The first byte of pixel (0, y), y in [0, height()). @throws ArgumentError outside that range.
    [[nodiscard]] Byte* row(std::int32_t y) const;

    /// The colour of a pixel, in or outside the clip. Gray reads as equal red, green and blue.
    /// @throws ArgumentError if it lies outside the image.
    [[nodiscard]] Colour pixel(Point position) const;

    /// Makes a pixel this colour, in or outside the clip, without blending: alpha is stored if the format has
    /// it. Gray takes the Rec. 709 weights of red, green and blue.
    /// @throws ArgumentError if it lies outside the image.
    void set_pixel(Point position, const Colour& colour) const requires(!std::is_const_v<Byte>);

  private:
    [[nodiscard]] Byte* address(Point position) const;

    Byte* pixels_;
    Size size_;
    PixelFormat format_;
    std::ptrdiff_t row_stride_bytes_;
    Box clip_;
};

using ImageView = BasicImageView<std::byte>;
using ConstImageView = BasicImageView<const std::byte>;

extern template class BasicImageView<std::byte>;
extern template class BasicImageView<const std::byte>;

} // namespace coldbrick
