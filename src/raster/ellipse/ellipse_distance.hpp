/// @file
/// How far a point lies from an ellipse.
#pragma once

#include <algorithm>
#include <cmath>
#include <limits>
#include <utility>

namespace coldbrick::raster {

/// The distance of points to the curve x^2 / a^2 + y^2 / b^2 = 1 along the shortest line to it.
///
/// The nearest point lies in the point's own quarter, at (a^2 x / (s + a^2), b^2 y / (s + b^2)) for the
/// largest s that puts it on the curve (Eberly, "Distance from a Point to an Ellipse, an Ellipsoid, or a
/// Hyperellipsoid", Geometric Tools, 2013). That s is the root of a falling convex function, which Newton's
/// method approaches from the left without ever passing it.
template <class Real>
class EllipseDistance {
  public:
    /// @param a,b the semi-axes, 0 and up
    EllipseDistance(Real a, Real b)
        : longer_(std::max(a, b)), shorter_(std::min(a, b)),
          difference_((longer_ - shorter_) * (longer_ + shorter_)), along_y_(b > a) {}

    /// How deep a point lies inside, below 0 outside, and the direction in which that grows fastest, as a
    /// unit vector.
    struct Value {
        Real depth;
        Real x;
        Real y;
    };
    [[nodiscard]] Value at(Real x, Real y) const {
        Value value = along_y_ ? in_quarter(std::abs(y), std::abs(x)) : in_quarter(std::abs(x), std::abs(y));
        if (along_y_) std::swap(value.x, value.y);
        return {value.depth, x < 0 ? -value.x : value.x, y < 0 ? -value.y : value.y};
    }

    /// The nearest point (a cosine, b sine) of a curve with two axes, and the number that it was found by.
    struct Foot {
        Real cosine;
        Real sine;
        Real root;
    };
    /// @param guess the root of a point near to this one, or 0
    [[nodiscard]] Foot foot(Real x, Real y, Real guess) const {
        Foot foot = along_y_ ? foot_in_quarter(std::abs(y), std::abs(x), guess)
                             : foot_in_quarter(std::abs(x), std::abs(y), guess);
        if (along_y_) std::swap(foot.cosine, foot.sine);
        return {std::copysign(foot.cosine, x), std::copysign(foot.sine, y), foot.root};
    }

  private:
    /// For 0 <= x along the longer axis and 0 <= y.
    [[nodiscard]] Value in_quarter(Real x, Real y) const {
        if (shorter_ == 0) return from_segment(x, y);
        // In units of the semi-axes, and the curve's normal there.
        const Foot foot = foot_in_quarter(x, y, 0);
        const Real normal_x = foot.cosine / longer_;
        const Real normal_y = foot.sine / shorter_;
        const Real size = std::hypot(normal_x, normal_y);
        const Real s = foot.root - shorter_ * shorter_;
        return {-s * size, -normal_x / size, -normal_y / size};
    }

    /// The root q is s + shorter^2, which does not lose its digits where y is small.
    [[nodiscard]] Foot foot_in_quarter(Real x, Real y, Real guess) const {
        const Real a = longer_ * x;
        const Real b = shorter_ * y;
        if (b == 0 && a <= difference_) {
            const Real across = a == 0 ? 0 : a / difference_;
            return {across, std::sqrt((1 - across) * (1 + across)), 0};
        }
        const Real least = std::max(b, a - difference_);
        Real q = std::max(least, guess);
        for (int i = 0; i < 100; ++i) {
            const Real across = a / (q + difference_);
            const Real down = b / q;
            const Real error = across * across + down * down - 1;
            const Real step = error / (2 * (across * across / (q + difference_) + down * down / q));
            // From beyond the root, one step leads to its other side.
            const Real next = std::max(least, q + step);
            if (std::abs(next - q) <= q * std::numeric_limits<Real>::epsilon() || std::isnan(step)) break;
            q = next;
        }
        return {a / (q + difference_), b / q, q};
    }

    /// The curve is there and back again.
    [[nodiscard]] Value from_segment(Real x, Real y) const {
        const Real beyond = std::max(Real(0), x - longer_);
        const Real distance = std::hypot(beyond, y);
        if (distance == 0) return {0, 0, -1};
        return {-distance, -beyond / distance, -y / distance};
    }

    Real longer_;
    Real shorter_;
    Real difference_;
    bool along_y_;
};

} // namespace coldbrick::raster
