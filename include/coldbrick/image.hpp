/// @file
/// Buffers of pixels.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/palette.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/shared.hpp>

#include <cstddef>  // bytes
#include <optional> // most formats have no palette

namespace [[gnu::visibility("default")]] coldbrick {

class Image;

namespace detail {
Image uninitialised_image(Size size, PixelFormat format, const Palette* palette, std::size_t most_bytes);
}

/// A buffer of pixels that owns its memory; its rows follow each other without a gap. Copying copies the
/// pixels. It can be drawn into wherever an ImageView is asked for. A moved-from image may only be assigned
/// to; views of it throw ArgumentError. Threads may read one image at the same time, and draw into views of
/// it whose clips share no pixel.
class Image {
  public:
    /// @param size 1..2147483647 wide and high.
    /// @param format the order of each pixel's channels.
    /// @param ground the colour of every pixel; by default all bytes are 0: black, or see-through with alpha.
    /// @param most_bytes what the pixels may take at most.
    /// @throws ArgumentError if the size is outside its range or its bytes exceed the limit or the address
    ///         space; std::bad_alloc if there is not enough memory.
    Image(Size size, PixelFormat format, const Colour& ground = {0, 0, 0, 0},
          std::size_t most_bytes = no_limit);

    /// An image of the format indexed8 with a palette of its own; every pixel is the entry nearest to the
    /// ground. Without one, images of that format have default_palette().
    /// @throws ArgumentError as above.
    Image(Size size, const Palette& palette, const Colour& ground, std::size_t most_bytes = no_limit);

    static constexpr std::size_t no_limit = static_cast<std::size_t>(-1);

    Image(const Image& other);
    Image(Image&& other) noexcept;
    Image& operator=(const Image& other);
    Image& operator=(Image&& other) noexcept;
    ~Image();

    [[nodiscard]] Size size() const { return size_; }
    [[nodiscard]] std::int32_t width() const { return size_.width; }
    [[nodiscard]] std::int32_t height() const { return size_.height; }
    [[nodiscard]] PixelFormat format() const { return format_; }

    /// A view of the whole buffer.
    [[nodiscard]] ImageView view();
    [[nodiscard]] ConstImageView view() const;
    operator ImageView() { return view(); }            ///< so that draw() takes an image
    operator ConstImageView() const { return view(); } ///< so that save() takes an image

    /// As ImageView::pixel.
    [[nodiscard]] Colour pixel(Point position) const { return view().pixel(position); }

    /// As ImageView::set_pixel.
    void set_pixel(Point position, const Colour& colour) { view().set_pixel(position, colour); }

  private:
    friend Image detail::uninitialised_image(Size, PixelFormat, const Palette*, std::size_t);

    /// Pixels that are all to be written yet.
    Image(std::optional<Shared<Palette>> palette, Size size, PixelFormat format, std::size_t most_bytes);

    void check_not_moved_from() const;
    [[nodiscard]] const Palette* own_palette() const { return palette_ ? &**palette_ : nullptr; }

    Size size_;
    PixelFormat format_;
    std::optional<Shared<Palette>> palette_; ///< of its own, if there is one
    std::byte* bytes_;                       ///< null in a moved-from image
};

} // namespace coldbrick
