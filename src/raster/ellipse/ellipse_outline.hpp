/// @file
/// The pixels nearest to an ellipse's crossings with the rows and columns, row by row.
///
/// Positions are counted in half pixels from the ellipse's centre: X is as odd or even as the centre's own x,
/// Y as its y. A row's own crossing lies nearest to the pixel with X - 1 <= crossing < X + 1, and the columns
/// whose crossing lies nearest to the row are those that the curve meets between Y - 1 and Y + 1.
#pragma once

#include "base/contract.hpp"
#include "base/exact_arithmetic.hpp"
#include "base/limits.hpp"
#include "raster/ellipse/ellipse_axes.hpp"
#include "raster/spans/half_pixels.hpp"
#include "raster/spans/mirrored_rows.hpp"
#include "raster/spans/row_runs.hpp"

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <cstdint>
#include <cstdlib>

namespace coldbrick::raster {

/// An upright curve X^2 / a^2 + Y^2 / b^2 = 1, in integers. It is symmetric in both axes, so that |X| and |Y|
/// tell all.
class UprightEllipse {
  public:
    explicit UprightEllipse(const EllipseAxes& axes)
        : a_(axes.a), b_(axes.b), parity_(axes.centre_x.parity()), a_square_(a_ * a_), b_square_(b_ * b_),
          is_small_(b_ > 0 && a_ * b_ <= largest_small_product), divisor_(static_cast<double>(b_square_)) {
        COLDBRICK_ASSERT(a_ <= base::largest_ellipse && b_ <= base::largest_ellipse);
    }

    /// The furthest rows that have pixels. Where rows are odd and b is even, or the other way round, the
    /// curve ends halfway between two rows, and a tie goes outwards.
    [[nodiscard]] HalfPixels reach() const { return {static_cast<std::int64_t>(b_) + 1}; }

    /// The outline's row Y >= 0.
    [[nodiscard]] MirroredRow outline(HalfPixels y) const {
        const HalfPixels below = crossing(y.count + 1);
        const HalfPixels on_row = nearest(y.count);
        const HalfPixels last_column = y.count == 0 ? on_row : up_to(crossing(y.count - 1), parity_);
        const HalfPixels first_column =
            below.count < 0 ? HalfPixels{parity_} : up_to(below, parity_) + one_pixel;
        const HalfPixels hole = std::min(on_row.count < 0 ? last_column : on_row, first_column) - one_pixel;
        return {std::max(on_row, last_column), std::max(hole, no_distance)};
    }

    /// The filled ellipse's row Y >= 0.
    [[nodiscard]] MirroredRow filled(HalfPixels y) const {
        const HalfPixels on_row = nearest(y.count);
        return {y.count == 0 ? on_row : std::max(on_row, up_to(crossing(y.count - 1), parity_)), no_distance};
    }

  private:
    /// The X of the pixel nearest to the crossing with the row, or no_distance.
    [[nodiscard]] HalfPixels nearest(std::int64_t y) const {
        const HalfPixels x = crossing(y);
        return x.count < 0 ? no_distance : up_to(x + HalfPixels{1}, parity_);
    }

    /// The curve's |X| at Y, rounded down, or no_distance beyond the curve: the root of a^2 (b^2 - Y^2) /
    /// b^2.
    [[nodiscard]] HalfPixels crossing(std::int64_t y) const {
        const auto down = static_cast<std::uint64_t>(y);
        if (down > b_) return no_distance;
        const std::uint64_t rest = b_square_ - down * down;
        if (!is_small_) return {static_cast<std::int64_t>(large_root(rest))};
        // Where the quotient is below a square, it is so by 1 / b^2, at least 2^-50 of it, and its root by
        // 2^-51; the roundings take less than 2^-52, so that none reaches the square's root.
        const auto product = static_cast<std::int64_t>(a_square_ * rest);
        return {static_cast<std::int64_t>(std::sqrt(static_cast<double>(product) / divisor_))};
    }

    /// The same for any axes: a guess, mended in integers.
    [[nodiscard, gnu::noinline]] std::uint64_t large_root(std::uint64_t rest) const {
        if (b_ == 0) return a_;
        const double guess =
            static_cast<double>(a_) / static_cast<double>(b_) * std::sqrt(static_cast<double>(rest));
        const std::uint64_t x = std::min(static_cast<std::uint64_t>(guess), a_); // at most one off
        const base::Uint128 product = base::Uint128{a_square_} * rest;           // fits: see largest_ellipse
        if (base::Uint128{x} * x * b_square_ > product) return x - 1;
        return x < a_ && base::Uint128{x + 1} * (x + 1) * b_square_ <= product ? x + 1 : x;
    }

    static constexpr std::uint64_t largest_small_product = std::uint64_t{1} << 25;
    static_assert(largest_small_product * largest_small_product <= std::uint64_t{1} << 50);

    std::uint64_t a_;
    std::uint64_t b_;
    std::int64_t parity_;
    std::uint64_t a_square_;
    std::uint64_t b_square_;
    bool is_small_; ///< small enough for a double's digits
    double divisor_;
};

/// A turned curve, in floating point. It is symmetric about its centre: its left side at Y is its right side
/// at -Y with the other sign.
template <class Real>
class TurnedEllipse {
  public:
    /// No curve yet.
    TurnedEllipse() = default;

    explicit TurnedEllipse(const EllipseAxes& axes)
        : centre_x_(axes.centre_x), parity_(axes.centre_x.parity()) {
        const auto a = static_cast<Real>(axes.a);
        const auto b = static_cast<Real>(axes.b);
        const Real cosine = axes.cosine;
        const Real sine = axes.sine;
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
    [[nodiscard]] HalfPixels reach() const { return {static_cast<std::int64_t>(std::ceil(height_)) + 1}; }

    /// The right crossing with the row, |y| <= height().
    [[nodiscard]] Real right(Real y) const {
        return lean_ * y + spread_ * std::sqrt(std::max(Real(0), (height_ - y) * (height_ + y)));
    }

    /// The outline's columns on the row Y.
    [[nodiscard]] RowRuns outline(HalfPixels y) const {
        const SidePixels right_side = side(y);
        const SidePixels left_side = side(-y);
        RowRuns result(run(right_side.first, right_side.last));
        result.unite(run(-left_side.last, -left_side.first));
        return result;
    }

  private:
    /// The pixels of the curve's right side on a row; none if last < first.
    struct SidePixels {
        HalfPixels first;
        HalfPixels last;
    };

    [[nodiscard]] Run run(HalfPixels first, HalfPixels last) const {
        return {(centre_x_ + first).pixel_at_or_before(), (centre_x_ + last).pixel_at_or_before() + 1};
    }

    [[nodiscard]] SidePixels side(HalfPixels y) const {
        const auto row = static_cast<Real>(y.count);
        const Real top = std::max(row - 1, -height_);
        const Real bottom = std::min(row + 1, height_);
        if (top > bottom) return {{2}, {-2}};
        const Real at_top = right(top);
        const Real at_bottom = right(bottom);
        Real furthest = std::max(at_top, at_bottom);
        if (tip_ >= top && tip_ <= bottom) furthest = width_;
        const HalfPixels nearest_end{static_cast<std::int64_t>(std::ceil(std::min(at_top, at_bottom)))};
        SidePixels result{-up_to(-nearest_end, parity_),
                          up_to({static_cast<std::int64_t>(std::floor(furthest))}, parity_)};
        if (std::abs(row) <= height_) {
            const HalfPixels nearest =
                up_to({static_cast<std::int64_t>(std::floor(right(row))) + 1}, parity_);
            result = {std::min(result.first, nearest), std::max(result.last, nearest)};
        }
        return result;
    }

    HalfPixels centre_x_;
    std::int64_t parity_ = 0;
    Real height_ = 0;
    Real width_ = 0;
    Real lean_ = 0;
    Real spread_ = 0;
    Real tip_ = 0;
};

} // namespace coldbrick::raster
