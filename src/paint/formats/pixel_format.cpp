#include <coldbrick/pixel_format.hpp>

#include <coldbrick/error.hpp>

#include <fmt/core.h>

namespace coldbrick {

void detail::throw_unknown_format(std::size_t number) {
    throw ArgumentError(fmt::format("pixel format {} is outside 0..{}", number, pixel_layouts.size() - 1));
}

} // namespace coldbrick
