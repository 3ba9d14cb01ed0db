#include <coldbrick/image_view.hpp>

#include "base/exact_arithmetic.hpp"
#include "geometry/shape_checks.hpp"
#include "image/making/size_checks.hpp"
#include "paint/formats/pixel_codec.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <cstdlib>
#include <limits>

namespace coldbrick {

namespace {

void check_stride(Size size, PixelFormat format, std::ptrdiff_t stride) {
    const std::ptrdiff_t row = image::row_bytes(size, format);
    if (stride < row && stride > -row)
        throw ArgumentError(fmt::format("row stride {} is shorter than a row of {} {} pixels, {} bytes",
                                        stride, size.width, layout(format).name, row));
    constexpr std::ptrdiff_t most = std::numeric_limits<std::ptrdiff_t>::max();
    const base::Int128 distance = base::Int128{stride} * (size.height - 1);
    if (distance > most - row || distance < row - base::Int128{most})
        throw ArgumentError(
            fmt::format("{} rows with a stride of {} bytes exceed the address space", size.height, stride));
}

} // namespace

template <class Byte>
BasicImageView<Byte>::BasicImageView(Memory pixels, Size size, PixelFormat format,
                                     std::ptrdiff_t row_stride_bytes, const Palette* palette)
    : pixels_(static_cast<Byte*>(pixels)), size_(size), format_(format), row_stride_bytes_(row_stride_bytes),
      pixel_stride_bytes_(layout(format).bytes), clip_(Box::of(size)), palette_(palette) {
    if (pixels == nullptr) throw ArgumentError("the pixels of an image view are null");
    image::check_size(size);
    check_stride(size, format, row_stride_bytes);
    const bool indexed = format == PixelFormat::indexed8;
    if (palette != nullptr && !indexed)
        throw ArgumentError(fmt::format("the format {} has no palette", layout(format).name));
    if (palette == nullptr && indexed) palette_ = &default_palette();
}

template <class Byte>
BasicImageView<Byte>::BasicImageView(Memory pixels, Size size, PixelFormat format)
    : BasicImageView(pixels, size, format, image::row_bytes(size, format)) {}

namespace {

/// The bytes, if they are as many as an image has.
template <class Byte>
Byte* checked(std::span<Byte> bytes, Size size, PixelFormat format, std::ptrdiff_t row_stride_bytes) {
    image::check_size(size);
    const std::ptrdiff_t row = image::row_bytes(size, format);
    const std::ptrdiff_t stride = row_stride_bytes == 0 ? row : row_stride_bytes;
    if (stride < 0) throw ArgumentError("the rows of an image that lie bottom-up need the first one's place");
    check_stride(size, format, stride);
    const std::ptrdiff_t needed = (std::ptrdiff_t{size.height} - 1) * stride + row;
    if (std::ssize(bytes) < needed)
        throw ArgumentError(fmt::format("an image of {} x {} pixels in rows of {} bytes has {} bytes, not {}",
                                        size.width, size.height, stride, needed, bytes.size()));
    return bytes.data();
}

} // namespace

template <class Byte>
BasicImageView<Byte>::BasicImageView(std::span<Byte> bytes, Size size, PixelFormat format,
                                     std::ptrdiff_t row_stride_bytes)
    : BasicImageView(checked(bytes, size, format, row_stride_bytes), size, format,
                     row_stride_bytes == 0 ? image::row_bytes(size, format) : row_stride_bytes) {}

template <class Byte>
BasicImageView<Byte> BasicImageView<Byte>::clipped(const Box& box) const {
    BasicImageView result = *this;
    result.clip_ = clip_.intersection(box);
    return result;
}

template <class Byte>
BasicImageView<Byte> BasicImageView<Byte>::cropped(const Box& box) const {
    image::check_inside("crop", box, size_);
    BasicImageView result = clipped(box);
    result.pixels_ = address({static_cast<std::int32_t>(box.x), static_cast<std::int32_t>(box.y)});
    result.size_ = {static_cast<std::int32_t>(box.width), static_cast<std::int32_t>(box.height)};
    result.clip_ = result.clip_.moved(-box.x, -box.y);
    return result;
}

template <class Byte>
BasicImageView<Byte> BasicImageView<Byte>::masked(const ChannelMask& mask) const {
    BasicImageView result = *this;
    result.mask_ = mask;
    return result;
}

namespace {

PixelFormat format_of_channel(const PixelLayout& layout) {
    switch (layout.kind) {
    case PixelLayout::Kind::bytes: return PixelFormat::gray8;
    case PixelLayout::Kind::words: return PixelFormat::gray16;
    case PixelLayout::Kind::floats: return PixelFormat::gray32f;
    default: break;
    }
    throw ArgumentError(fmt::format("the channels of {} share bytes", layout.name));
}

struct FoundChannel {
    int offset; ///< in a pixel
    const char* name;
    bool may_change;
};
FoundChannel find_channel(const PixelLayout& layout, const ChannelMask& mask, Channel channel) {
    switch (channel) {
    case Channel::red: return {layout.red, "red", mask.red};
    case Channel::green: return {layout.green, "green", mask.green};
    case Channel::blue: return {layout.blue, "blue", mask.blue};
    case Channel::alpha: return {layout.alpha, "alpha", mask.alpha};
    default: return {layout.gray, "gray", mask.red || mask.green || mask.blue};
    }
}

} // namespace

template <class Byte>
BasicImageView<Byte> BasicImageView<Byte>::channel(Channel channel) const {
    const PixelLayout& whole = layout(format_);
    BasicImageView result = *this;
    result.format_ = format_of_channel(whole);
    const FoundChannel found = find_channel(whole, mask_, channel);
    if (found.offset == PixelLayout::none)
        throw ArgumentError(fmt::format("the format {} has no channel {}", whole.name, found.name));
    result.pixels_ += found.offset;
    result.mask_ = {found.may_change, found.may_change, found.may_change, found.may_change};
    return result;
}

template <class Byte>
std::span<Byte> BasicImageView<Byte>::row(std::int32_t y) const {
    const std::ptrdiff_t bytes = (size_.width - 1) * pixel_stride_bytes_ + layout(format_).bytes;
    return {address({0, y}), static_cast<std::size_t>(bytes)};
}

template <class Byte>
Byte* BasicImageView<Byte>::address(Point position) const {
    base::check_range("pixel x", position.x, 0, size_.width - 1);
    base::check_range("pixel y", position.y, 0, size_.height - 1);
    return address_of(position, pixel_stride_bytes_);
}

template <class Byte>
template <class C>
C BasicImageView<Byte>::read(Point position) const {
    const std::byte* const at = address(position);
    if (palette_ != nullptr) (void)palette_->at(std::to_integer<std::size_t>(*at));
    return paint::Codec{&layout(format_), palette_}.decode<C>(at);
}

template <class Byte>
Colour BasicImageView<Byte>::any_pixel(std::int32_t x, std::int32_t y) const {
    return read<Colour>({x, y});
}

template <class Byte>
Colour16 BasicImageView<Byte>::pixel16(Point position) const {
    return read<Colour16>(position);
}

template <class Byte>
RealColour BasicImageView<Byte>::real_pixel(Point position) const {
    return read<RealColour>(position);
}

template <class Byte>
template <class C>
void BasicImageView<Byte>::write(Point position, const C& colour) const {
    // clang 14 looks in here even where the constraint forbids the call.
    if constexpr (!std::is_const_v<Byte>)
        paint::Codec{&layout(format_), palette_}.encode(colour, address(position));
}

template <class Byte>
void BasicImageView<Byte>::set_any_pixel(std::int32_t x, std::int32_t y, const Colour& colour) const {
    write({x, y}, colour);
}

template <class Byte>
void BasicImageView<Byte>::set_pixel(Point position, const Colour16& colour) const
    requires(!std::is_const_v<Byte>) {
    write(position, colour);
}

template <class Byte>
void BasicImageView<Byte>::set_pixel(Point position, const RealColour& colour) const
    requires(!std::is_const_v<Byte>) {
    (void)coldbrick::colour(colour); // checks the channels
    write(position, colour);
}

template class BasicImageView<std::byte>;
template class BasicImageView<const std::byte>;

} // namespace coldbrick
