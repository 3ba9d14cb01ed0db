#include "raster/ellipse.hpp"

#include "geometry/checks.hpp"
#include "geometry/exact.hpp"

#include <algorithm>
#include <cmath>
#include <cstdlib>

namespace coldbrick::raster {

namespace {

// Positions are counted in half pixels from the ellipse's centre, so that they are integers for odd and even
// boxes: columns are as odd or even as the width less one, rows as the height less one. A set of pixels is
// symmetric about both axes, so that one number tells a row: the largest |X| on it, or -1 if there is none.

/// The row of a set of pixels: those with hole < |X| <= outer.
struct Row {
    std::int64_t outer;
    std::int64_t hole;
};

/// The ideal curve X^2 / a^2 + Y^2 / b^2 = 1 and the pixels nearest to its crossings.
class Curve {
  public:
    explicit Curve(const Box& box)
        : a_(static_cast<std::uint64_t>(box.width - 1)), b_(static_cast<std::uint64_t>(box.height - 1)) {}

    /// The outline's row Y, |Y| <= b.
    [[nodiscard]] Row outline(std::uint64_t y) const {
        if (a_ == 0 || b_ == 0) return {static_cast<std::int64_t>(a_), -1};
        // On the row's own crossing the nearest pixel has X - 1 <= crossing < X + 1.
        const std::int64_t on_row = up_to(width_at(y) + 1);
        // Columns whose crossing is nearest to this row lie between the curve's widths at Y + 1 and Y - 1.
        const std::int64_t last_column = y == 0 ? on_row : up_to(width_at(y - 1));
        const std::int64_t first_column =
            y + 1 > b_ ? static_cast<std::int64_t>(a_ & 1) : up_to(width_at(y + 1)) + 2;
        return {std::max(on_row, last_column), std::min(on_row, first_column) - 2};
    }

    /// The filled ellipse's row Y.
    [[nodiscard]] Row filled(std::uint64_t y) const { return {outline(y).outer, -1}; }

  private:
    /// The largest column that is at most `limit`.
    [[nodiscard]] std::int64_t up_to(std::uint64_t limit) const {
        return static_cast<std::int64_t>(limit) - static_cast<std::int64_t>((limit ^ a_) & 1);
    }

    /// The curve's |X| at Y, rounded down: the root of a^2 (b^2 - Y^2) / b^2.
    [[nodiscard]] std::uint64_t width_at(std::uint64_t y) const {
        const Uint128 rest = Uint128{b_} * b_ - Uint128{y} * y;
        const Uint128 product = Uint128{a_} * a_ * rest; // below 2^128, as a and b are below 2^32
        const Uint128 square = Uint128{b_} * b_;
        const auto small_product = static_cast<std::uint64_t>(product);
        if (small_product == product) return floor_sqrt(small_product / static_cast<std::uint64_t>(square));
        return floor_sqrt(static_cast<std::uint64_t>(product / square));
    }

    std::uint64_t a_;
    std::uint64_t b_;
};

/// The convex area within a curve that runs at a distance outside (above 0) or inside (below 0) of an ellipse
/// with the semi-axes a and b. The ellipse reaches S = sqrt(a^2 cos^2 + b^2 sin^2) far in the direction (cos,
/// sin), at the point (a^2 cos, b^2 sin) / S; the area reaches S + distance far, at that point moved on by
/// the distance (Schneider, "Convex Bodies: The Brunn-Minkowski Theory", 2nd edition, 2014, section 1.7:
/// support functions).
template <class Real>
class OffsetArea {
  public:
    OffsetArea(Real a, Real b, Real distance) : a_(a), b_(b), distance_(distance) {}

    /// The area's half width on the row y >= 0, or below 0 if the row misses it.
    [[nodiscard]] Real half_width(Real y) const {
        if (y >= b_ + distance_) return -1;
        if (a_ == 0) { // the pixels along an upright segment
            const Real below = std::max(Real(0), y - b_);
            return distance_ < 0 ? -1 : std::sqrt(distance_ * distance_ - below * below);
        }
        const Real sine = touching_sine(y);
        const Real cosine = std::sqrt((1 - sine) * (1 + sine));
        return cosine * (a_ * a_ / support(sine) + distance_);
    }

  private:
    [[nodiscard]] Real support(Real sine) const {
        return std::sqrt(a_ * a_ * (1 - sine) * (1 + sine) + b_ * b_ * sine * sine);
    }

    /// How far the area's point in the direction lies below the row: it changes its sign once.
    [[nodiscard]] Real beyond(Real sine, Real y) const {
        return sine * ((b_ == 0 ? 0 : b_ * b_ / support(sine)) + distance_) - y;
    }

    /// The sine of the direction in which the area ends on the row, by Newton's method within halved
    /// brackets. It starts from the row alone and not from the row before, or the clip could tell on the last
    /// bit.
    [[nodiscard]] Real touching_sine(Real y) const {
        Real low = 0;
        Real high = 1;
        Real sine = y / (b_ + distance_);
        for (int i = 0; i < 200; ++i) {
            const Real error = beyond(sine, y);
            (error > 0 ? high : low) = sine;
            const Real s = support(sine);
            const Real slope = (b_ == 0 ? 0 : a_ * a_ * b_ * b_ / (s * s * s)) + distance_;
            Real next = sine - error / slope;
            if (!(next > low && next < high)) next = (low + high) / 2;
            if (next == sine || next == low || next == high) break;
            sine = next;
        }
        return sine;
    }

    Real a_;
    Real b_;
    Real distance_;
};

/// The pixels within half a width of the curve.
template <class Real>
class Band {
  public:
    Band(const Box& box, std::int32_t width)
        : parity_((box.width - 1) & 1),
          outer_(Real(box.width - 1) / 2, Real(box.height - 1) / 2, Real(width) / 2),
          hole_(Real(box.width - 1) / 2, Real(box.height - 1) / 2, -Real(width) / 2) {}

    [[nodiscard]] Row row(std::uint64_t y) const {
        const Real half = Real(y) / 2;
        return {columns_within(outer_.half_width(half)), columns_within(hole_.half_width(half))};
    }

  private:
    /// The largest column that lies within by more than rounding errors: what is just half a width from the
    /// curve belongs to the band on the inside and not on the outside.
    [[nodiscard]] std::int64_t columns_within(Real half_width) const {
        const Real limit = 2 * (half_width - std::max(Real(0x1p-22), half_width * Real(0x1p-42)));
        if (limit < 0) return -1;
        const auto below =
            static_cast<std::int64_t>(std::ceil(limit)) - 1; // the largest integer below the limit
        const std::int64_t column = below - ((below ^ parity_) & 1);
        return column < 0 ? -1 : column;
    }

    std::int64_t parity_;
    OffsetArea<Real> outer_;
    OffsetArea<Real> hole_;
};

/// Adds the rows of a set of pixels up to `grow` rows outside the box.
template <class RowOf>
void add_rows(const Box& box, std::int64_t grow, RowOf row_of, SpanSink& sink) {
    const std::int64_t first = std::max(box.y - grow, sink.clip().top);
    const std::int64_t last = std::min(box.end_y() - 1 + grow, sink.clip().bottom - 1);
    const std::int64_t centre_x = 2 * box.x + box.width - 1; // in half pixels
    const std::int64_t centre_y = 2 * box.y + box.height - 1;
    for (std::int64_t y = first; y <= last; ++y) {
        const Row row = row_of(static_cast<std::uint64_t>(std::abs(2 * y - centre_y)));
        if (row.outer < 0) continue;
        const auto at = static_cast<std::int32_t>(y);
        const std::int64_t left = (centre_x - row.outer) / 2; // exact: both are odd or both are even
        const std::int64_t right = (centre_x + row.outer) / 2;
        if (row.hole < 0) {
            sink.add(at, left, right + 1);
        } else {
            sink.add(at, left, (centre_x - row.hole) / 2);
            sink.add(at, (centre_x + row.hole) / 2 + 1, right + 1);
        }
    }
}

template <class Real>
void add_band(const Box& box, std::int32_t width, SpanSink& sink) {
    const Band<Real> band(box, width);
    add_rows(
        box, std::int64_t{width} / 2 + 1, [&band](std::uint64_t y) { return band.row(y); }, sink);
}

} // namespace

void fill(const Ellipse& ellipse, SpanSink& sink) {
    if (ellipse.box.empty()) return;
    const Curve curve(ellipse.box);
    add_rows(
        ellipse.box, 0, [&curve](std::uint64_t y) { return curve.filled(y); }, sink);
}

void stroke(const Ellipse& ellipse, std::int32_t width, SpanSink& sink) {
    const Box& box = ellipse.box;
    if (box.empty()) return;
    const Curve curve(box);
    if (width == 1)
        return add_rows(
            box, 0, [&curve](std::uint64_t y) { return curve.outline(y); }, sink);
    // A double's 53 bits place the edge of all but huge ellipses to 2^-20 pixel.
    const bool huge = std::max({box.width, box.height, std::int64_t{width}}) > std::int64_t{1} << 20;
    if (huge)
        add_band<long double>(box, width, sink);
    else
        add_band<double>(box, width, sink);
}

} // namespace coldbrick::raster

namespace coldbrick {

bool Ellipse::contains(Point pixel) const {
    check(*this);
    if (!box.contains(pixel)) return false;
    const std::int64_t x = std::abs(2 * (pixel.x - box.x) - (box.width - 1));
    const std::int64_t y = std::abs(2 * (pixel.y - box.y) - (box.height - 1));
    return x <= raster::Curve(box).filled(static_cast<std::uint64_t>(y)).outer;
}

} // namespace coldbrick
