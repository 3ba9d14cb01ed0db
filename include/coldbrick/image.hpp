/// @file
/// Buffers of pixels.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>

#include <cstddef> // bytes
#include <memory>  // the buffer

namespace coldbrick {

/// A buffer of pixels that owns its memory; its rows follow each other without a gap. Copying copies the
/// pixels. It can be drawn into wherever an ImageView is asked for. A moved-from image may only be assigned
/// to; views of it throw ArgumentError.
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
    Image(Image&&) noexcept = default;
    Image& operator=(const Image& other);
    Image& operator=(Image&&) noexcept = default;
    ~Image() = default;

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
    void check_not_moved_from() const;

    Size size_;
    PixelFormat format_;
    std::shared_ptr<const Palette> palette_; ///< of its own, or null
    std::unique_ptr<std::byte[]> bytes_;
};

} // namespace coldbrick
