#include <coldbrick/image_view.hpp>

#include "geometry/checks.hpp"
#include "geometry/exact.hpp"
#include "image/sizes.hpp"
#include "paint/pixel_codec.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <cstdlib>
#include <limits>

namespace coldbrick {

namespace {

void check_stride(Size size, PixelFormat format, std::ptrdiff_t stride) {
    const std::ptrdiff_t row = row_bytes(size, format);
    if (stride < row && stride > -row)
        throw ArgumentError(fmt::format("row stride {} is shorter than a row of {} {} pixels, {} bytes",
                                        stride, size.width, layout(format).name, row));
    constexpr std::ptrdiff_t most = std::numeric_limits<std::ptrdiff_t>::max();
    const Int128 distance = Int128{stride} * (size.height - 1);
    if (distance > most - row || distance < row - Int128{most})
        throw ArgumentError(
            fmt::format("{} rows with a stride of {} bytes exceed the address space", size.height, stride));
}

} // namespace

template <class Byte>
BasicImageView<Byte>::BasicImageView(std::conditional_t<std::is_const_v<Byte>, const void*, void*> pixels,
                                     Size size, PixelFormat format, std::ptrdiff_t row_stride_bytes)
    : pixels_(static_cast<Byte*>(pixels)), size_(size), format_(format), row_stride_bytes_(row_stride_bytes),
      clip_(Box::of(size)) {
    if (pixels == nullptr) throw ArgumentError("the pixels of an image view are null");
    check_size(size);
    check_stride(size, format, row_stride_bytes);
}

template <class Byte>
BasicImageView<Byte>::BasicImageView(std::conditional_t<std::is_const_v<Byte>, const void*, void*> pixels,
                                     Size size, PixelFormat format)
    : BasicImageView(pixels, size, format, row_bytes(size, format)) {}

template <class Byte>
BasicImageView<Byte> BasicImageView<Byte>::clipped(const Box& box) const {
    BasicImageView result = *this;
    result.clip_ = clip_.intersection(box);
    return result;
}

template <class Byte>
Byte* BasicImageView<Byte>::row(std::int32_t y) const {
    return address({0, y});
}

template <class Byte>
Byte* BasicImageView<Byte>::address(Point position) const {
    check_range("pixel x", position.x, 0, size_.width - 1);
    check_range("pixel y", position.y, 0, size_.height - 1);
    return pixels_ + position.y * row_stride_bytes_ +
           position.x * static_cast<std::ptrdiff_t>(layout(format_).bytes);
}

template <class Byte>
Colour BasicImageView<Byte>::pixel(Point position) const {
    return paint::decode(layout(format_), address(position));
}

template <class Byte>
void BasicImageView<Byte>::set_pixel(Point position, const Colour& colour) const
    requires(!std::is_const_v<Byte>) {
    if constexpr (!std::is_const_v<Byte>) // clang 14 looks in here even where the constraint forbids the call
        paint::encode(colour, layout(format_), address(position));
}

template class BasicImageView<std::byte>;
template class BasicImageView<const std::byte>;

} // namespace coldbrick
