/// @file
/// Thin circles, step by step.
#pragma once

#include <cstddef>
#include <cstdint>

namespace coldbrick::raster {

/// The outline of width 1, once each, as calls of visit(x, y) for one eighth
/// of it: 0 <= x <= y from the centre. The pixel stands for its reflections in both axes and both diagonals.
/// Steps as Bresenham, "A linear algorithm for incremental digital display of circular arcs",
/// Communications of the ACM 20(2), 1977, do, with this library's rule as the decision.
template <class Visit>
void for_each_in_octant(std::int32_t radius, Visit visit) {
    std::int64_t y = radius;
    // How far the pixel is within the outer bound of the rule: r^2 - (x^2 + y^2 - y); it must stay above 0.
    std::int64_t slack = y;
    for (std::int64_t x = 0; x <= y; ++x) {
        visit(static_cast<std::ptrdiff_t>(x), static_cast<std::ptrdiff_t>(y));
        slack -= 2 * x + 1;
        if (slack <= 0) {
            slack += 2 * y - 2;
            --y;
        }
    }
}

} // namespace coldbrick::raster
