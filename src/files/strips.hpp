/// @file
/// Images looked at a few rows at a time.
#pragma once

#include <coldbrick/image_view.hpp>

#include <algorithm>
#include <cstdint>

namespace coldbrick::files {

/// How many rows of an image are worked on at once: a multiple of 8, as patterns of dots repeat.
inline std::int32_t strip_height(std::int32_t width) {
    constexpr std::int32_t pixels = 1 << 16;
    return std::max(8, pixels / width / 8 * 8);
}

/// Calls do(strip, y) with parts of the image from the top, of which the first row is row y.
template <class Do>
void for_each_strip(const ConstImageView& image, Do do_with) {
    const std::int32_t most = strip_height(image.width());
    for (std::int32_t y = 0; y < image.height();) {
        const std::int32_t rows = std::min(most, image.height() - y);
        do_with(image.cropped({0, y, image.width(), rows}), y);
        y += rows;
    }
}

} // namespace coldbrick::files
