/// @file
/// Windows onto anyone's pixels.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/channel.hpp>
#include <coldbrick/colour.hpp>
#include <coldbrick/deep_colour.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>

#include <cstddef>     // bytes and strides
#include <cstdint>     // coordinates are compared as they are
#include <cstring>     // colours are copied to pixels
#include <span>        // rows
#include <type_traits> // read-only views are made from writable ones

namespace [[gnu::visibility("default")]] coldbrick {

class Palette;

/// A window onto pixels that belong to somebody else, the clip that drawing is cut to, and the channels that
/// it may change. Copying it copies no pixel. The memory, and the palette if there is one, must outlive the
/// view. Where a pixel's number is beyond its palette, drawing sees see-through black. Pixel (x, y) begins at
/// byte y * row_stride_bytes + x * pixel_stride_bytes of the memory; nothing needs to be aligned.
///
/// Threads may draw through views of the same memory at the same time if their clips share no pixel. Clips
/// that share pixels but change different channels of them do not do: whole pixels are written.
///
/// @tparam Byte std::byte for ImageView, const std::byte for ConstImageView, which cannot be drawn into.
template <class Byte>
class BasicImageView {
  public:
    using Memory = std::conditional_t<std::is_const_v<Byte>, const void*, void*>;

    /// @param pixels the first byte of pixel (0, 0); not null.
    /// @param size 1..2147483647 wide and high.
    /// @param format the order of each pixel's channels.
    /// @param row_stride_bytes from one row's first byte to the next one's: at least a row's bytes, or at
    /// most minus that for memory whose rows lie bottom-up.
    /// @param palette of the format indexed8; null stands for default_palette(). Other formats have none.
    /// @throws ArgumentError if a value is outside its range or the image's bytes exceed the address space.
    BasicImageView(Memory pixels, Size size, PixelFormat format, std::ptrdiff_t row_stride_bytes,
                   const Palette* palette = nullptr);

    /// As above, where each row follows the one before without a gap.
    BasicImageView(Memory pixels, Size size, PixelFormat format);

    /// As above, of all the bytes of a buffer, whose length is checked.
    /// @param row_stride_bytes that of rows without gaps if it is 0
    /// @throws ArgumentError also if they are fewer than the image's.
    BasicImageView(std::span<Byte> bytes, Size size, PixelFormat format, std::ptrdiff_t row_stride_bytes = 0);

    /// A read-only view of what a writable one shows.
    BasicImageView(const BasicImageView<std::byte>& view) requires std::is_const_v<Byte>
        : pixels_(view.pixels_),
          size_(view.size_),
          format_(view.format_),
          row_stride_bytes_(view.row_stride_bytes_),
          pixel_stride_bytes_(view.pixel_stride_bytes_),
          clip_(view.clip_),
          palette_(view.palette_),
          mask_(view.mask_) {}
    BasicImageView(const BasicImageView&) = default;
    BasicImageView& operator=(const BasicImageView&) = default;

    [[nodiscard]] Byte* bytes() const { return pixels_; } ///< the first byte of pixel (0, 0)
    [[nodiscard]] Size size() const { return size_; }
    [[nodiscard]] std::int32_t width() const { return size_.width; }
    [[nodiscard]] std::int32_t height() const { return size_.height; }
    [[nodiscard]] PixelFormat format() const { return format_; }
    [[nodiscard]] std::ptrdiff_t row_stride_bytes() const { return row_stride_bytes_; }

    /// From a pixel's first byte to that of its right neighbour: the format's bytes, or more in a view of one
    /// channel.
    [[nodiscard]] std::ptrdiff_t pixel_stride_bytes() const { return pixel_stride_bytes_; }

    /// The palette of the format indexed8; null for all others.
    [[nodiscard]] const Palette* palette() const { return palette_; }

    /// What drawing is cut to: a part of the image's own box, perhaps empty.
    [[nodiscard]] const Box& clip() const { return clip_; }

    /// The channels that drawing may change.
    [[nodiscard]] const ChannelMask& mask() const { return mask_; }

    /// The same pixels with the clip cut to the box as well. Coordinates stay as they are.
    /// @throws ArgumentError as Box documents.
    [[nodiscard]] BasicImageView clipped(const Box& box) const;

    /// The pixels of a part as an image of its own, whose pixel (0, 0) is the box's top-left one. The clip
    /// moves along.
    /// @throws ArgumentError if the box is empty or not wholly inside the image.
    [[nodiscard]] BasicImageView cropped(const Box& box) const;

    /// The same pixels, of which drawing changes only these channels. Their other channels are read and
    /// written as they were, so that another thread must not change them meanwhile.
    [[nodiscard]] BasicImageView masked(const ChannelMask& mask) const;

    /// One channel as an image of the format gray8, gray16 or gray32f, without a copy; drawing into it
    /// changes that channel only.
    /// @throws ArgumentError if the format has no such channel, or if its channels share bytes.
    [[nodiscard]] BasicImageView channel(Channel channel) const;

    /// The bytes of a row, y in [0, height()), up to the end of its last pixel. @throws ArgumentError outside
    /// that range.
    [[nodiscard]] std::span<Byte> row(std::int32_t y) const;

    /// The colour of a pixel, in or outside the clip, rounded to 8 bits a channel. Gray reads as equal red,
    /// green and blue.
    /// @throws ArgumentError if it lies outside the image, or if it is beyond the palette; likewise below.
    [[nodiscard]] Colour pixel(Point position) const {
        Colour result;
        if (!stores_colours_at(position)) return any_pixel(position.x, position.y);
        std::memcpy(&result, address_of(position, sizeof result), sizeof result);
        return result;
    }

    /// The same, rounded to 16 bits a channel.
    [[nodiscard]] Colour16 pixel16(Point position) const;

    /// The same in real numbers; floats outside 0..1 are cut to it.
    [[nodiscard]] RealColour real_pixel(Point position) const;

    /// Makes a pixel this colour, in or outside the clip, without blending: alpha is stored if the format has
    /// it. Gray takes the Rec. 709 weights of red, green and blue, and a palette's nearest entry is taken.
    /// @throws ArgumentError if it lies outside the image, or if a channel is outside 0..1.
    void set_pixel(Point position, const Colour& colour) const requires(!std::is_const_v<Byte>) {
        if (!stores_colours_at(position)) return set_any_pixel(position.x, position.y, colour);
        // clang 14 looks in here even where the constraint forbids the call.
        if constexpr (!std::is_const_v<Byte>)
            std::memcpy(address_of(position, sizeof colour), &colour, sizeof colour);
    }
    void set_pixel(Point position, const Colour16& colour) const requires(!std::is_const_v<Byte>);
    void set_pixel(Point position, const RealColour& colour) const requires(!std::is_const_v<Byte>);

  private:
    friend class BasicImageView<const std::byte>;

    /// True of a pixel of the image that is a colour as it lies in memory: the most common format, for which
    /// no function is called.
    [[nodiscard]] bool stores_colours_at(Point position) const {
        static_assert(sizeof(Colour) == 4 && std::is_trivially_copyable_v<Colour>);
        return format_ == PixelFormat::rgba8 &&
               static_cast<std::uint32_t>(position.x) < static_cast<std::uint32_t>(size_.width) &&
               static_cast<std::uint32_t>(position.y) < static_cast<std::uint32_t>(size_.height);
    }
    [[nodiscard]] Colour any_pixel(std::int32_t x, std::int32_t y) const;
    void set_any_pixel(std::int32_t x, std::int32_t y, const Colour& colour) const;

    [[nodiscard]] Byte* address_of(Point inside, std::ptrdiff_t pixel_stride_bytes) const {
        // Not below 0, so that widening them is free.
        return pixels_ + static_cast<std::uint32_t>(inside.y) * row_stride_bytes_ +
               static_cast<std::uint32_t>(inside.x) * pixel_stride_bytes;
    }
    [[nodiscard]] Byte* address(Point position) const;
    template <class C>
    [[nodiscard]] C read(Point position) const;
    template <class C>
    void write(Point position, const C& colour) const;

    Byte* pixels_;
    Size size_;
    PixelFormat format_;
    std::ptrdiff_t row_stride_bytes_;
    std::ptrdiff_t pixel_stride_bytes_;
    Box clip_;
    const Palette* palette_;
    ChannelMask mask_;
};

using ImageView = BasicImageView<std::byte>;
using ConstImageView = BasicImageView<const std::byte>;

extern template class BasicImageView<std::byte>;
extern template class BasicImageView<const std::byte>;

} // namespace coldbrick
