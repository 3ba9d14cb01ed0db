#include "raster/ellipse/ellipse_stroke.hpp"

#include "raster/ellipse/circle_rows.hpp"
#include "raster/ellipse/ellipse_distance.hpp"
#include "raster/ellipse/ellipse_rows.hpp"

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <limits>

namespace coldbrick::raster {

namespace {

/// The convex area within a curve that runs at a distance outside (above 0) or inside (below 0) of an ellipse
/// with the semi-axes a and b, and what of it lies on rows. The ellipse's point whose normal has the
/// direction (cos, sin) is (a^2 cos, b^2 sin) / S with S = sqrt(a^2 cos^2 + b^2 sin^2); the area's is that
/// point moved on by the distance (Schneider, "Convex Bodies: The Brunn-Minkowski Theory", 2nd edition, 2014,
/// section 1.7: support functions).
///
/// A direction is told by its cotangent, and a row by its gap to the area's top, b + distance - y, because
/// both keep all their digits on sides as flat as there are: the gap at the cotangent c is
///
///     b f(a c / b) + distance f(c)  with  f(t) = 1 - 1 / sqrt(1 + t^2).
template <class Real>
class OffsetArea {
  public:
    /// @param a,b not equal, not both 0
    OffsetArea(Real a, Real b, Real distance) : a_(a), b_(b), distance_(distance) {}

    /// The area's half width on the row y >= 0, or below 0 if the row misses it.
    [[nodiscard]] Real half_width(Real y) const {
        if (std::min(a_, b_) + distance_ <= 0 || y >= b_ + distance_) return -1;
        if (a_ == 0) return across_upright_segment(y);
        if (b_ == 0) return a_ + std::sqrt((distance_ - y) * (distance_ + y));
        if (y == 0) return on_axis();
        const Real gap = b_ + distance_ - y;
        const Real tip = tip_cotangent();
        if (tip > 0 && gap_at(tip) >= gap) return -1;
        return half_width_at(cotangent_at(gap, tip));
    }

  private:
    /// The pixels along an upright segment: only distances above 0 come here.
    [[nodiscard]] Real across_upright_segment(Real y) const {
        const Real below = std::max(Real(0), y - b_);
        return std::sqrt((distance_ - below) * (distance_ + below));
    }

    /// On the longer axis, a curve inside ends where the distances to both sides meet, if it is further in
    /// than the ellipse's curvature reaches.
    [[nodiscard]] Real on_axis() const {
        const Real in = -distance_;
        if (b_ >= a_ || in * a_ <= b_ * b_) return a_ + distance_;
        return std::sqrt((a_ - b_) * (a_ + b_) * (1 - in / b_) * (1 + in / b_));
    }

    /// Where a curve inside a tall ellipse begins at its top: 0, or where it meets its mirror image.
    [[nodiscard]] Real tip_cotangent() const {
        const Real in = -distance_;
        if (a_ >= b_ || b_ * in <= a_ * a_) return 0;
        return std::sqrt((b_ * in - a_ * a_) * (b_ * in + a_ * a_) / ((a_ - in) * (a_ + in))) / a_;
    }

    /// 1 - 1 / sqrt(1 + t^2), without a difference of near numbers.
    static Real fall(Real t) {
        const Real root = std::sqrt(1 + t * t);
        return t * (t / (root * (1 + root)));
    }
    static Real cube(Real value) { return value * value * value; }

    [[nodiscard]] Real gap_at(Real cotangent) const {
        return b_ * fall(a_ / b_ * cotangent) + distance_ * fall(cotangent);
    }

    /// How fast the gap grows with the cotangent.
    [[nodiscard]] Real slope_at(Real cotangent) const {
        const Real stretched = a_ / b_ * cotangent;
        return cotangent * (a_ / b_ * a_ / cube(std::sqrt(1 + stretched * stretched)) +
                            distance_ / cube(std::sqrt(1 + cotangent * cotangent)));
    }

    [[nodiscard]] Real half_width_at(Real cotangent) const {
        const Real stretched = a_ / b_ * cotangent;
        return a_ * (stretched / std::sqrt(1 + stretched * stretched)) +
               distance_ * (cotangent / std::sqrt(1 + cotangent * cotangent));
    }

    /// The cotangent where the ellipse with the axes that the area has is as far from its own top.
    [[nodiscard]] Real first_guess(Real gap) const {
        const Real across = a_ + distance_;
        const Real down = b_ + distance_;
        const Real y = down - gap;
        return down * std::sqrt(gap * (down + y)) / (across * y);
    }

    /// The cotangent of the direction in which the area ends on a row, by Newton's method within narrowing
    /// brackets: the gap grows from the tip on. It starts from the row alone and not from the row before, or
    /// rounding would depend on which rows the clip shows.
    [[nodiscard]] Real cotangent_at(Real gap, Real tip) const {
        Real low = tip;
        Real high = std::numeric_limits<Real>::infinity();
        Real cotangent = std::max(first_guess(gap), tip);
        for (int i = 0; i < 200; ++i) {
            const Real error = gap_at(cotangent) - gap;
            if (error > 0)
                high = cotangent;
            else
                low = cotangent;
            const Real step = error / slope_at(cotangent);
            const Real next = cotangent - step;
            // Newton's steps square what is missing: after one this short, rounding is all that is left.
            const bool inside = next > low && next < high;
            if (std::abs(step) <= Real(1e-9) * cotangent) return inside ? next : cotangent;
            const Real middle = between(low, high);
            if (!inside && (middle == low || middle == high)) break;
            cotangent = inside ? next : middle;
        }
        return cotangent;
    }

    /// Halves the bracket's number of digits, since roots may lie at any power of ten.
    static Real between(Real low, Real high) {
        if (low == 0) return high / 16;
        if (std::isinf(high)) return low * 16;
        return high > 2 * low ? std::sqrt(low) * std::sqrt(high) : low + (high - low) / 2;
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
    LeftEdge(const EllipseAxes& axes)
        : depth_(static_cast<Real>(axes.a), static_cast<Real>(axes.b)), cosine_(axes.cosine),
          sine_(axes.sine) {}

    static constexpr Real none = std::numeric_limits<Real>::infinity();

    /// A place before the first x with the depth `level`, near to it, from a place behind it: the depth lies
    /// below its tangent. Minus infinity if there is none on this side of the deepest place.
    [[nodiscard]] Real before(Real y, Real level, Real x) const {
        const auto here = depth_.at(x * cosine_ + y * sine_, y * cosine_ - x * sine_);
        const Real slope = here.x * cosine_ - here.y * sine_;
        return slope > 0 ? x - std::max(Real(0), here.depth - level) / slope : -none;
    }

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
    EllipseDistance<Real> depth_;
    Real cosine_;
    Real sine_;
};

/// The left crossing of a turned ellipse with a row; none if they do not meet.
template <class Real>
Real left_crossing(Real a, Real b, Real cosine, Real sine, Real y) {
    const Real down = std::hypot(a * sine, b * cosine);
    if (std::abs(y) >= down) return LeftEdge<Real>::none;
    const Real spread = a / down * (b / down) * std::sqrt((down - y) * (down + y));
    const Real lean = (a - b) / down * ((a + b) / down) * sine * cosine;
    return lean * y - spread;
}

/// The largest column -X of an area that ends at `edge`, deeper than rounding errors reach: what is just half
/// a width from the curve belongs to the band on the inside and not on the outside.
template <class Real>
HalfPixels column_from(Real edge, std::int64_t parity) {
    const Real limit = edge + std::max(Real(0x1p-21), std::abs(edge) * Real(0x1p-42));
    return up_to({-static_cast<std::int64_t>(std::ceil(limit))}, parity);
}

/// Of a side that has no pixels.
constexpr HalfPixels nowhere{std::numeric_limits<std::int64_t>::min()};

} // namespace

EllipseStroke::EllipseStroke(const EllipseAxes& axes, std::int64_t width)
    : axes_(axes), width_(width),
      huge_(std::max({axes.a, axes.b, static_cast<std::uint64_t>(width)}) > largest_in_doubles) {}

HalfPixels EllipseStroke::reach() const {
    return {static_cast<std::int64_t>(std::max(axes_.a, axes_.b)) + width_ + 1};
}

/// How far to the left the band and its hole reach on the row: the largest -X, which is below 0 where a
/// turned ellipse lies right of the centre.
template <class Real>
MirroredRow EllipseStroke::left_side(HalfPixels y) const {
    const auto a = static_cast<Real>(axes_.a);
    const auto b = static_cast<Real>(axes_.b);
    const auto width = static_cast<Real>(width_);
    const auto row = static_cast<Real>(y.count);
    const Real cosine = axes_.cosine;
    const Real sine = axes_.sine;
    const Real across = std::hypot(a * cosine, b * sine);
    const Real down = std::hypot(a * sine, b * cosine);
    if (std::abs(row) >= down + width) return {nowhere, nowhere};
    const LeftEdge<Real> edge(axes_);
    const std::int64_t parity = axes_.centre_x.parity();
    // The ellipse with axes longer by the width lies within the area that the band fills, and the one with
    // shorter axes about its hole (support functions: the length of a sum is at most the sum of lengths).
    const Real longer = left_crossing(a + width, b + width, cosine, sine, row);
    const Real start = longer < edge.none ? edge.before(row, -width, longer) : -across - width;
    const Real outer = edge.at(row, -width, std::max(start, -across - width));
    MirroredRow result{outer < edge.none ? column_from(outer, parity) : nowhere, nowhere};
    if (std::min(a, b) <= width) return result;
    const Real shorter = left_crossing(a - width, b - width, cosine, sine, row);
    const Real hole = shorter < edge.none ? edge.at(row, width, shorter) : edge.none;
    if (hole < edge.none) result.hole = column_from(hole, parity);
    return result;
}

/// A row of an upright band, whose areas' half widths need no search for the nearest point.
template <class Real>
MirroredRow EllipseStroke::upright(HalfPixels y) const {
    const auto a = static_cast<Real>(axes_.a);
    const auto b = static_cast<Real>(axes_.b);
    const auto width = static_cast<Real>(width_);
    const auto columns_within = [this](Real half_width) {
        return half_width < 0 ? no_distance
                              : std::max(column_from(-half_width, axes_.centre_x.parity()), no_distance);
    };
    return {columns_within(OffsetArea<Real>(a, b, width).half_width(static_cast<Real>(y.count))),
            columns_within(OffsetArea<Real>(a, b, -width).half_width(static_cast<Real>(y.count)))};
}

MirroredRow EllipseStroke::side(HalfPixels y) const {
    return huge_ ? left_side<long double>(y) : left_side<double>(y);
}

MirroredRow EllipseStroke::upright_row(HalfPixels distance) const {
    if (axes_.circular())
        return with_round_band(axes_.a, static_cast<std::uint64_t>(width_), axes_.centre_x.parity(),
                               [distance](const auto& band) { return band.row(distance); });
    return huge_ ? upright<long double>(distance) : upright<double>(distance);
}

RowRuns EllipseStroke::row(std::int64_t y) const {
    const HalfPixels distance = HalfPixels::of_pixels(y) - axes_.centre_y;
    if (axes_.upright) return mirrored_about(axes_.centre_x, upright_row(std::max(distance, -distance)));
    const MirroredRow left = side(distance);
    const MirroredRow right = side(-distance);
    if (left.outer == nowhere || right.outer == nowhere || left.outer < -right.outer) return {};
    const Run whole{(axes_.centre_x - left.outer).pixel_at_or_before(),
                    (axes_.centre_x + right.outer).pixel_at_or_before() + 1};
    if (left.hole == nowhere || right.hole == nowhere || left.hole < -right.hole) return RowRuns(whole);
    RowRuns result(Run{whole.begin, (axes_.centre_x - left.hole).pixel_at_or_before()});
    result.unite({(axes_.centre_x + right.hole).pixel_at_or_before() + 1, whole.end});
    return result;
}

} // namespace coldbrick::raster
