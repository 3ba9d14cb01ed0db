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
[[gnu::always_inline]] inline void for_each_in_octant(std::int32_t radius, Visit visit) {
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

/// The rows of the filled circle as calls of visit(distance, half_width) for the two rows at a distance from
/// the centre, or the one at 0: once each, from the steps of its outline.
template <class Visit>
[[gnu::always_inline]] inline void for_each_row_pair(std::int32_t radius, Visit visit) {
    std::ptrdiff_t flat_row = radius; // the row of the octant's flat part that the steps are on
    std::ptrdiff_t flat_half_width = 0;
    for_each_in_octant(
        radius, [&](std::ptrdiff_t x, std::ptrdiff_t y) __attribute__((always_inline)) {
            if (y != flat_row) {
                visit(flat_row, flat_half_width);
                flat_row = y;
            }
            flat_half_width = x;
            visit(x, y); // the reflection in the diagonal: a row of the steep part
        });
    if (flat_row != flat_half_width) visit(flat_row, flat_half_width);
}

} // namespace coldbrick::raster
