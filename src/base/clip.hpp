/// @file
/// The rectangle that rasterising is cut to.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/point.hpp>

#include <cstdint>

namespace coldbrick::base {

/// The columns [left, right) and rows [top, bottom) that may be painted: pixels with 32-bit coordinates, at
/// least one.
struct Clip {
    std::int64_t left;
    std::int64_t top;
    std::int64_t right;
    std::int64_t bottom;

    /// True of what is cut to nothing.
    [[nodiscard]] constexpr bool empty() const { return left >= right || top >= bottom; }

    /// One pixel.
    static constexpr Clip at(Point pixel) {
        return {pixel.x, pixel.y, std::int64_t{pixel.x} + 1, std::int64_t{pixel.y} + 1};
    }

    [[nodiscard]] constexpr bool contains(Point pixel) const {
        return pixel.x >= left && pixel.x < right && pixel.y >= top && pixel.y < bottom;
    }

    /// True if the whole box lies within.
    [[nodiscard]] constexpr bool contains(const Box& box) const {
        return box.x >= left && box.end_x() <= right && box.y >= top && box.end_y() <= bottom;
    }
};

} // namespace coldbrick::base
