#include "image/sizes.hpp"

#include "geometry/checks.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <limits>

namespace coldbrick {

void check_size(Size size) {
    check_range("image width", size.width, 1, std::numeric_limits<std::int32_t>::max());
    check_range("image height", size.height, 1, std::numeric_limits<std::int32_t>::max());
}

std::ptrdiff_t row_bytes(Size size, PixelFormat format) {
    return std::ptrdiff_t{size.width} * layout(format).bytes;
}

std::size_t image_bytes(Size size, PixelFormat format) {
    check_size(size);
    const std::ptrdiff_t row = row_bytes(size, format);
    constexpr std::ptrdiff_t most = std::numeric_limits<std::ptrdiff_t>::max();
    if (row > most / size.height)
        throw ArgumentError(fmt::format("an image of {} x {} {} pixels exceeds the address space", size.width,
                                        size.height, layout(format).name));
    return static_cast<std::size_t>(row) * static_cast<std::size_t>(size.height);
}

} // namespace coldbrick
