/// @file
/// Thin upright ellipses, step by step.
#pragma once

#include <algorithm>
#include <cstdint>

namespace coldbrick::raster {

/// The longest semi-axis, in half pixels, of ellipses that are stepped along: the cubes below fit 64 bits.
constexpr std::int64_t largest_stepped_axis = std::int64_t{1} << 15;
static_assert(largest_stepped_axis * largest_stepped_axis * (8 * largest_stepped_axis + 8) < std::int64_t{1}
                                                                                                 << 62);

/// Walks along the pixels nearest to the curve's crossings with its columns, in one quarter of it: from the
/// top on, as long as they are not nearest to the crossings with their rows, too. With axes changed it walks
/// along those of the rows; both together are the quarter of a thin outline. Steps as Van Aken, "An Efficient
/// Ellipse-Drawing Algorithm", IEEE Computer Graphics and Applications 4(9), 1984, do, with this library's
/// rule as the decision.
/// @param a,b the semi-axes in half pixels, 2..2^15; the pixels' X and Y are as odd or even as they are
/// @param pen starts at the topmost pixel, X = 0 or 1. pen.visit_and_go_outwards() visits a pixel and goes to
/// the next column, away from the axis; pen.go_inwards(mask) goes a row towards the axis if the mask's bits
/// are set, and stays if none are.
template <class Pen>
[[gnu::always_inline]] constexpr void walk_ellipse_columns(std::int64_t a, std::int64_t b, Pen pen) {
    const std::int64_t a_square = a * a;
    const std::int64_t b_square = b * b;
    const std::int64_t larger_square = std::max(a_square, b_square);
    const std::int64_t first_x = a & 1;
    // The pixel (X, Y) is too high if (X, Y - 1) lies outside the curve: if a^2 b^2 - X^2 b^2 - (Y - 1)^2 a^2
    // < 0.
    std::int64_t within = a_square * (2 * b - 1) - b_square * first_x;
    std::int64_t rise = b_square * (4 * first_x + 4); // what going outwards takes from it
    std::int64_t fall = a_square * (4 * b - 8);       // what going inwards adds to it
    // Together they tell where the pixel lies: fall - rise = 4 (a^2 (Y - 2) - b^2 (X + 1)).
    const auto go_inwards_if_too_high = [&]() __attribute__((always_inline)) {
        const std::int64_t mask = within >> 63; // arithmetic, as a jump could not be foreseen
        within += fall & mask;
        fall -= 8 * a_square & mask;
        pen.go_inwards(mask);
    };
    const auto go_outwards = [&]() __attribute__((always_inline)) {
        pen.visit_and_go_outwards();
        within -= rise;
        rise += 8 * b_square;
    };
    go_inwards_if_too_high();
    // As long as the curve falls by less than 45 degrees even two rows further in and a column further out,
    // it falls by less than two rows from one column to the next: a^2 (Y - 4) >= b^2 (X + 2).
    const std::int64_t level = 8 * a_square + 4 * b_square;
    while (fall - rise >= level) { // NOLINT(bugprone-infinite-loop): the steps change it
        go_outwards();
        go_inwards_if_too_high();
    }
    // Where b^2 X >= a^2 Y + larger_square, the curve is steeper than 45 degrees from there on, so that it
    // crosses the pixel's row within half a pixel of it as well.
    const std::int64_t steep = -4 * (larger_square + 2 * a_square + b_square);
    const std::int64_t last_rise = b_square * (4 * a + 4);
    for (; rise <= last_rise; go_outwards()) {
        while (within < 0 && fall >= 0) // NOLINT(bugprone-infinite-loop): likewise
            go_inwards_if_too_high();
        if (fall - rise <= steep) return;
    }
}

} // namespace coldbrick::raster
