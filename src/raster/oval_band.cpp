#include "raster/oval_band.hpp"

#include "raster/circle_rows.hpp"
#include "raster/curve.hpp"
#include "raster/depth.hpp"

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <limits>

namespace coldbrick::raster {

namespace {

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

    /// The sine where the ellipse with the axes that the area has ends on the row.
    [[nodiscard]] Real first_guess(Real y) const {
        const Real across = a_ + distance_;
        const Real down = b_ + distance_;
        const Real part = y / down;
        if (across <= 0) return part;
        return across * part /
               std::sqrt(down * down * (1 - part) * (1 + part) + across * across * part * part);
    }

    /// The sine of the direction in which the area ends on the row, by Newton's method within halved
    /// brackets. It starts from the row alone and not from the row before, or the clip could tell on the last
    /// bit.
    [[nodiscard]] Real touching_sine(Real y) const {
        Real low = 0;
        Real high = 1;
        Real sine = first_guess(y);
        for (int i = 0; i < 200; ++i) {
            const Real error = beyond(sine, y);
            (error > 0 ? high : low) = sine;
            const Real s = support(sine);
            const Real slope = (b_ == 0 ? 0 : a_ * a_ * b_ * b_ / (s * s * s)) + distance_;
            const Real step = error / slope;
            Real next = sine - step;
            // Newton's steps square what is missing: after one this short, rounding is all that is left.
            // Where the area is cut off at its tip, beyond() falls before it rises through the place that is
            // meant.
            if (slope > 0 && std::abs(step) < Real(1e-10)) return std::clamp(next, low, high);
            const bool inside = next > low && next < high;
            if (!inside) next = (low + high) / 2;
            if (next == sine || next == low || next == high) break;
            sine = next;
        }
        return sine;
    }

    Real a_;
    Real b_;
    Real distance_;
};

/// The left ends, on rows, of the areas that lie deeper inside an ellipse than some depth. Everything in half
/// pixels from the centre.
template <class Real>
class LeftEdge {
  public:
    LeftEdge(const Oval& oval)
        : depth_(static_cast<Real>(oval.a), static_cast<Real>(oval.b)), cosine_(oval.cosine),
          sine_(oval.sine) {}

    static constexpr Real none = std::numeric_limits<Real>::infinity();

    /// The first x from `start` on, where the depth is not above `level`, with the depth `level`; or none.
    /// Depth is a concave function on the row, so that Newton's method approaches from the left without ever
    /// passing it.
    [[nodiscard]] Real at(Real y, Real level, Real start) const {
        Real x = start;
        for (int i = 0; i < 200; ++i) {
            const auto here = depth_.at(x * cosine_ + y * sine_, y * cosine_ - x * sine_);
            const Real missing = level - here.depth;
            const Real slope = here.x * cosine_ - here.y * sine_;
            const Real digits = 8 * std::numeric_limits<Real>::epsilon() * std::max(Real(1), std::abs(x));
            if (missing <= digits) return x;
            if (slope <= 0) return none; // past the deepest place
            const Real step = missing / slope;
            if (step <= digits) return x;
            x += step;
        }
        return x;
    }

  private:
    Depth<Real> depth_;
    Real cosine_;
    Real sine_;
};

/// The largest column -X of an area that ends at `edge`, deeper than rounding errors reach: what is just half
/// a width from the curve belongs to the band on the inside and not on the outside.
template <class Real>
std::int64_t column_from(Real edge, std::int64_t parity) {
    const Real limit = edge + std::max(Real(0x1p-21), std::abs(edge) * Real(0x1p-42));
    return column_up_to(-static_cast<std::int64_t>(std::ceil(limit)), parity);
}

/// Of a side that has no pixels.
constexpr std::int64_t nowhere = std::numeric_limits<std::int64_t>::min();

} // namespace

OvalBand::OvalBand(const Oval& oval, std::int64_t width)
    : oval_(oval), width_(width),
      huge_(std::max({oval.a, oval.b, static_cast<std::uint64_t>(width)}) > std::uint64_t{1} << 20) {}

std::int64_t OvalBand::reach() const {
    return static_cast<std::int64_t>(std::max(oval_.a, oval_.b)) + width_ + 1;
}

/// How far to the left the band and its hole reach on the row: the largest -X, which is below 0 where a
/// turned ellipse lies right of the centre.
template <class Real>
SymmetricRow OvalBand::left_side(std::int64_t y) const {
    const auto a = static_cast<Real>(oval_.a);
    const auto b = static_cast<Real>(oval_.b);
    const auto width = static_cast<Real>(width_);
    const auto row = static_cast<Real>(y);
    const Real across = std::hypot(a * Real(oval_.cosine), b * Real(oval_.sine));
    const Real down = std::hypot(a * Real(oval_.sine), b * Real(oval_.cosine));
    if (std::abs(row) >= down + width) return {nowhere, nowhere};
    const LeftEdge<Real> edge(oval_);
    const std::int64_t parity = oval_.centre_x & 1;
    const Real outer = edge.at(row, -width, -across - width);
    SymmetricRow result{outer < edge.none ? column_from(outer, parity) : nowhere, nowhere};
    if (std::abs(row) >= down || down == 0) return result;
    const Real spread = a * b / (down * down) * std::sqrt((down - row) * (down + row));
    const Real lean = (a - b) * (a + b) * Real(oval_.sine) * Real(oval_.cosine) / (down * down);
    const Real hole = edge.at(row, width, lean * row - spread);
    if (hole < edge.none) result.hole = column_from(hole, parity);
    return result;
}

/// A row of an upright band, whose areas' half widths need no search for the nearest point.
template <class Real>
SymmetricRow OvalBand::upright(std::int64_t y) const {
    const auto a = static_cast<Real>(oval_.a);
    const auto b = static_cast<Real>(oval_.b);
    const auto width = static_cast<Real>(width_);
    const auto columns_within = [this](Real half_width) -> std::int64_t {
        return half_width < 0 ? -1 : std::max<std::int64_t>(column_from(-half_width, oval_.centre_x & 1), -1);
    };
    return {columns_within(OffsetArea<Real>(a, b, width).half_width(static_cast<Real>(y))),
            columns_within(OffsetArea<Real>(a, b, -width).half_width(static_cast<Real>(y)))};
}

SymmetricRow OvalBand::side(std::int64_t y) const {
    return huge_ ? left_side<long double>(y) : left_side<double>(y);
}

SymmetricRow OvalBand::upright_row(std::int64_t y) const {
    if (oval_.circular())
        return with_round_band(oval_.a, static_cast<std::uint64_t>(width_), oval_.centre_x & 1,
                               [y](const auto& band) { return band.row(y); });
    return huge_ ? upright<long double>(y) : upright<double>(y);
}

Runs OvalBand::row(std::int64_t y) const {
    const std::int64_t distance = 2 * y - oval_.centre_y;
    SymmetricRow left{};
    SymmetricRow right{};
    if (oval_.upright) {
        left = right = upright_row(std::abs(distance));
        if (left.outer < 0) return {};
        if (left.hole < 0) left.hole = right.hole = nowhere;
    } else {
        left = side(distance);
        right = side(-distance);
    }
    if (left.outer == nowhere || right.outer == nowhere || left.outer < -right.outer) return {};
    const Run whole{(oval_.centre_x - left.outer) / 2, (oval_.centre_x + right.outer) / 2 + 1};
    if (left.hole == nowhere || right.hole == nowhere || left.hole < -right.hole) return Runs(whole);
    Runs result(Run{whole.begin, (oval_.centre_x - left.hole) / 2});
    result.unite({(oval_.centre_x + right.hole) / 2 + 1, whole.end});
    return result;
}

} // namespace coldbrick::raster
