/// @file
/// The pixels nearest to an ellipse's crossings with the rows and columns, row by row.
///
/// Positions are counted in half pixels from the ellipse's centre: X is as odd or even as the centre's own x,
/// Y as its y. A row's own crossing lies nearest to the pixel with X - 1 <= crossing < X + 1, and the columns
/// whose crossing lies nearest to the row are those that the curve meets between Y - 1 and Y + 1.
#pragma once

#include "geometry/exact.hpp"
#include "raster/oval.hpp"
#include "raster/runs.hpp"
#include "raster/symmetric_rows.hpp"

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <cstdint>
#include <cstdlib>

namespace coldbrick::raster {

/// The largest X that is as odd or even as `parity` and at most `limit`.
constexpr std::int64_t column_up_to(std::int64_t limit, std::int64_t parity) {
    return limit - ((limit ^ parity) & 1);
}

/// An upright curve X^2 / a^2 + Y^2 / b^2 = 1, in integers. It is symmetric in both axes, so that |X| and |Y|
/// tell all.
class UprightCurve {
  public:
    explicit UprightCurve(const Oval& oval)
        : a_(oval.a), b_(oval.b), parity_(oval.centre_x & 1), a_square_(a_ * a_), b_square_(b_ * b_),
          is_small_(b_ > 0 && a_ * b_ <= largest_small_product), divisor_(static_cast<double>(b_square_)) {}

    /// The furthest rows that have pixels. Where rows are odd and b is even, or the other way round, the
    /// curve ends halfway between two rows, and a tie goes outwards.
    [[nodiscard]] std::int64_t reach() const { return static_cast<std::int64_t>(b_) + 1; }

    /// The outline's row Y >= 0.
    [[nodiscard]] SymmetricRow outline(std::int64_t y) const {
        const std::int64_t below = crossing(y + 1);
        const std::int64_t on_row = nearest(y);
        const std::int64_t last_column = y == 0 ? on_row : column_up_to(crossing(y - 1), parity_);
        const std::int64_t first_column = below < 0 ? parity_ : column_up_to(below, parity_) + 2;
        const std::int64_t hole = std::min(on_row < 0 ? last_column : on_row, first_column) - 2;
        return {std::max(on_row, last_column), std::max<std::int64_t>(hole, -1)};
    }

    /// The filled ellipse's row Y >= 0.
    [[nodiscard]] SymmetricRow filled(std::int64_t y) const {
        const std::int64_t on_row = nearest(y);
        return {y == 0 ? on_row : std::max(on_row, column_up_to(crossing(y - 1), parity_)), -1};
    }

  private:
    /// The X of the pixel nearest to the crossing with the row, or -1.
    [[nodiscard]] std::int64_t nearest(std::int64_t y) const {
        const std::int64_t x = crossing(y);
        return x < 0 ? -1 : column_up_to(x + 1, parity_);
    }

    /// The curve's |X| at Y, rounded down, or -1 beyond the curve: the root of a^2 (b^2 - Y^2) / b^2.
    [[nodiscard]] std::int64_t crossing(std::int64_t y) const {
        const auto down = static_cast<std::uint64_t>(y);
        if (down > b_) return -1;
        const std::uint64_t rest = b_square_ - down * down;
        if (!is_small_) return static_cast<std::int64_t>(large_root(rest));
        // Where the quotient is below a square, it is so by 1 / b^2, at least 2^-50 of it, and its root by
        // 2^-51; the roundings take less than 2^-52, so that none reaches the square's root.
        const auto product = static_cast<std::int64_t>(a_square_ * rest);
        return static_cast<std::int64_t>(std::sqrt(static_cast<double>(product) / divisor_));
    }

    /// The same for any axes: a guess, mended in integers.
    [[nodiscard, gnu::noinline]] std::uint64_t large_root(std::uint64_t rest) const {
        if (b_ == 0) return a_;
        const double guess =
            static_cast<double>(a_) / static_cast<double>(b_) * std::sqrt(static_cast<double>(rest));
        const std::uint64_t x = std::min(static_cast<std::uint64_t>(guess), a_); // at most one off
        const Uint128 product = Uint128{a_square_} * rest; // below 2^128, as a and b are below 2^32
        if (Uint128{x} * x * b_square_ > product) return x - 1;
        return x < a_ && Uint128{x + 1} * (x + 1) * b_square_ <= product ? x + 1 : x;
    }

    static constexpr std::uint64_t largest_small_product = std::uint64_t{1} << 25;

    std::uint64_t a_;
    std::uint64_t b_;
    std::int64_t parity_;
    std::uint64_t a_square_;
    std::uint64_t b_square_;
    bool is_small_; ///< small enough for a double's digits
    double divisor_;
};

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
[[gnu::always_inline]] inline void walk_columns(std::int64_t a, std::int64_t b, Pen pen) {
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
    const auto go_inwards_if_too_high = [&] {
        const std::int64_t mask = within >> 63; // arithmetic, as a jump could not be foreseen
        within += fall & mask;
        fall -= 8 * a_square & mask;
        pen.go_inwards(mask);
    };
    const auto go_outwards = [&] {
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

/// A turned curve, in floating point. It is symmetric about its centre: its left side at Y is its right side
/// at -Y with the other sign.
template <class Real>
class TurnedCurve {
  public:
    /// No curve yet.
    TurnedCurve() = default;

    explicit TurnedCurve(const Oval& oval) : centre_x_(oval.centre_x), parity_(oval.centre_x & 1) {
        const auto a = static_cast<Real>(oval.a);
        const auto b = static_cast<Real>(oval.b);
        const Real cosine = oval.cosine;
        const Real sine = oval.sine;
        height_ = std::hypot(a * sine, b * cosine);
        width_ = std::hypot(a * cosine, b * sine);
        const Real mixed = (a - b) * (a + b) * sine * cosine;
        lean_ = mixed / height_ / height_;
        spread_ = a / height_ * (b / height_);
        tip_ = mixed / width_;
    }

    [[nodiscard]] Real height() const { return height_; }
    [[nodiscard]] Real width() const { return width_; }

    /// The row of the curve's rightmost point.
    [[nodiscard]] Real tip() const { return tip_; }

    /// The furthest rows that may have pixels.
    [[nodiscard]] std::int64_t reach() const { return static_cast<std::int64_t>(std::ceil(height_)) + 1; }

    /// The right crossing with the row, |y| <= height().
    [[nodiscard]] Real right(Real y) const {
        return lean_ * y + spread_ * std::sqrt(std::max(Real(0), (height_ - y) * (height_ + y)));
    }

    /// The outline's columns on the row Y.
    [[nodiscard]] Runs outline(std::int64_t y) const {
        const Side right_side = side(y);
        const Side left_side = side(-y);
        Runs result(run(right_side.first, right_side.last));
        result.unite(run(-left_side.last, -left_side.first));
        return result;
    }

  private:
    /// The pixels of the curve's right side on a row; none if last < first.
    struct Side {
        std::int64_t first;
        std::int64_t last;
    };

    /// From half pixels to columns.
    [[nodiscard]] Run run(std::int64_t first, std::int64_t last) const {
        return {(centre_x_ + first) / 2, (centre_x_ + last) / 2 + 1};
    }

    [[nodiscard]] Side side(std::int64_t y) const {
        const auto row = static_cast<Real>(y);
        const Real top = std::max(row - 1, -height_);
        const Real bottom = std::min(row + 1, height_);
        if (top > bottom) return {2, -2};
        const Real at_top = right(top);
        const Real at_bottom = right(bottom);
        Real furthest = std::max(at_top, at_bottom);
        if (tip_ >= top && tip_ <= bottom) furthest = width_;
        std::int64_t first =
            -column_up_to(-static_cast<std::int64_t>(std::ceil(std::min(at_top, at_bottom))), parity_);
        std::int64_t last = column_up_to(static_cast<std::int64_t>(std::floor(furthest)), parity_);
        if (std::abs(row) <= height_) {
            const std::int64_t nearest =
                column_up_to(static_cast<std::int64_t>(std::floor(right(row))) + 1, parity_);
            first = std::min(first, nearest);
            last = std::max(last, nearest);
        }
        return {first, last};
    }

    std::int64_t centre_x_ = 0;
    std::int64_t parity_ = 0;
    Real height_ = 0;
    Real width_ = 0;
    Real lean_ = 0;
    Real spread_ = 0;
    Real tip_ = 0;
};

} // namespace coldbrick::raster
