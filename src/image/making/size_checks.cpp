#include "image/making/size_checks.hpp"

#include "geometry/shape_checks.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <limits>

namespace coldbrick::image {

void check_size(Size size) {
    base::check_range("image width", size.width, 1, base::last_coordinate);
    base::check_range("image height", size.height, 1, base::last_coordinate);
}

void check_inside(const char* what, const Box& box, Size size) {
    geometry::check(box);
    if (box.empty() || box.x < 0 || box.y < 0 || box.end_x() > size.width || box.end_y() > size.height)
        throw ArgumentError(
            fmt::format("the {} at ({}, {}) of {} x {} pixels is empty or not inside an image of {} x {}",
                        what, box.x, box.y, box.width, box.height, size.width, size.height));
}

std::ptrdiff_t row_bytes(Size size, PixelFormat format) {
    return std::ptrdiff_t{size.width} * layout(format).bytes;
}

std::size_t image_bytes(Size size, PixelFormat format, std::size_t most_bytes) {
    check_size(size);
    const std::ptrdiff_t row = row_bytes(size, format);
    constexpr std::ptrdiff_t most = std::numeric_limits<std::ptrdiff_t>::max();
    if (row > most / size.height)
        throw ArgumentError(fmt::format("an image of {} x {} {} pixels exceeds the address space", size.width,
                                        size.height, layout(format).name));
    const std::size_t bytes = static_cast<std::size_t>(row) * static_cast<std::size_t>(size.height);
    if (bytes > most_bytes)
        throw ArgumentError(
            fmt::format("an image of {} x {} {} pixels takes {} bytes, more than the limit of {}", size.width,
                        size.height, layout(format).name, bytes, most_bytes));
    return bytes;
}

} // namespace coldbrick::image
