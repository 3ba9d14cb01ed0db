/// @file
/// All pixel formats.
#pragma once

#include <coldbrick/pixel_format.hpp>

#include <array>
#include <cstddef>

namespace coldbrick::test {

constexpr auto all_formats = [] {
    std::array<PixelFormat, pixel_layouts.size()> result{};
    for (std::size_t i = 0; i < result.size(); ++i) result[i] = static_cast<PixelFormat>(i);
    return result;
}();

} // namespace coldbrick::test
