/// @file
/// Convex areas whose edges are irrational.
#pragma once

#include "raster/curve.hpp"
#include "raster/runs.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <concepts>
#include <cstddef>
#include <cstdint>
#include <cstdlib>
#include <initializer_list>

namespace coldbrick::raster {

/// A position or a direction, in half pixels.
struct Vector {
    long double x;
    long double y;

    friend Vector operator+(Vector a, Vector b) { return {a.x + b.x, a.y + b.y}; }
    friend Vector operator-(Vector a, Vector b) { return {a.x - b.x, a.y - b.y}; }
    friend Vector operator-(Vector a) { return {-a.x, -a.y}; }
    friend Vector operator*(long double factor, Vector a) { return {factor * a.x, factor * a.y}; }

    [[nodiscard]] long double length() const { return std::hypot(x, y); }

    /// A quarter turn clockwise on the screen: what lies to the right of one who looks along the vector.
    [[nodiscard]] Vector right() const { return {-y, x}; }
};

inline long double dot(Vector a, Vector b) {
    return a.x * b.x + a.y * b.y;
}

/// Above 0 if b turns clockwise on the screen from a.
inline long double cross(Vector a, Vector b) {
    return a.x * b.y - a.y * b.x;
}

/// What pixels are counted from: a centre in half pixels.
struct Origin {
    std::int64_t x;
    std::int64_t y;
};

/// Further from any origin than all pixels.
constexpr long double beyond_all = 0x1p40L;

/// The columns of the pixels from left to right, both included.
template <std::floating_point Real>
Run columns(Real left, Real right, const Origin& origin) {
    // A double's conversion to an integer is an instruction, where rounding a long double is a call.
    const auto start = static_cast<double>(std::min<Real>(left, beyond_all));
    const auto end = static_cast<double>(std::max<Real>(right, -beyond_all));
    const auto start_down = static_cast<std::int64_t>(start); // towards 0
    const auto end_up = static_cast<std::int64_t>(end);
    const std::int64_t from = start_down + (static_cast<double>(start_down) < start ? 1 : 0);
    const std::int64_t to = end_up - (static_cast<double>(end_up) > end ? 1 : 0);
    const std::int64_t parity = origin.x & 1;
    const std::int64_t first = -column_up_to(-from, parity);
    const std::int64_t last = column_up_to(to, parity);
    if (first > last) return {0, 0};
    return {(origin.x + first) / 2, (origin.x + last) / 2 + 1};
}

/// An intersection of half-planes.
class ConvexArea {
  public:
    /// Nearer to an edge than this, half pixels, floating point may decide. Edges that belong to the area are
    /// moved out by as much, those that do not are moved in.
    static constexpr long double tolerance = 0x1p-21L;

    /// Keeps what lies on the right side of one who stands at a point and looks along a direction of length
    /// 1.
    void keep_right_of(Vector point, Vector direction, bool edge_belongs = true) {
        const Vector out = -direction.right();
        keep(out, dot(out, point) + (edge_belongs ? tolerance : -tolerance));
    }

    /// Keeps what lies on the right side of a ray from the origin, exactly for multiples of 45 degrees.
    void keep_right_of_ray(Vector direction) { keep(-direction.right(), 0); }

    /// The columns of the row y.
    [[nodiscard]] Run row(std::int64_t y, const Origin& origin) const {
        const std::int64_t down = 2 * y - origin.y;
        const bool is_near = edges_are_near_ && std::abs(down) < std::int64_t{1} << 30;
        return is_near ? row_at<double>(down, origin) : row_at<long double>(down, origin);
    }

  private:
    /// A double's digits tell sides of edges by far less than the tolerance where this and rows are near.
    static constexpr long double near_limit = 0x1p30L;

    /// Keeps out . p <= limit.
    void keep(Vector out, long double limit) {
        if (count_ == edges_.size()) return; // never: no shape asks for more
        edges_are_near_ = edges_are_near_ && std::abs(limit) < near_limit;
        // The quotients are worked out first, so that a slope of 1 is exact.
        edges_[count_++] = out.x == 0  ? Edge(Edge::Kind::level, limit, out.y)
                           : out.x > 0 ? Edge(Edge::Kind::right, limit / out.x, out.y / out.x)
                                       : Edge(Edge::Kind::left, limit / out.x, out.y / out.x);
    }

    template <class Real>
    struct Line {
        Real start;
        Real slope;
    };

    /// An area's right or left end on the row y is start - slope * y; a level edge keeps the rows where that
    /// is at least 0.
    struct Edge {
        enum class Kind : std::uint8_t { right, left, level } kind{};
        Line<long double> exact{};
        Line<double> rounded{};

        Edge() = default;
        Edge(Kind which, long double start, long double slope)
            : kind(which), exact{start, slope}, rounded{static_cast<double>(start),
                                                        static_cast<double>(slope)} {}

        template <class Real>
        [[nodiscard]] Real at(Real down) const {
            if constexpr (std::same_as<Real, double>)
                return rounded.start - rounded.slope * down;
            else
                return exact.start - exact.slope * down;
        }
    };

    template <class Real>
    [[nodiscard]] Run row_at(std::int64_t down, const Origin& origin) const {
        Real left = -beyond_all;
        Real right = beyond_all;
        for (std::size_t i = 0; i < count_; ++i) {
            const Real x = edges_[i].at(static_cast<Real>(down));
            switch (edges_[i].kind) {
            case Edge::Kind::right: right = std::min(right, x); break;
            case Edge::Kind::left: left = std::max(left, x); break;
            case Edge::Kind::level:
                if (x < 0) return {0, 0};
            }
        }
        return columns(left, right, origin);
    }

    std::array<Edge, 6> edges_{};
    std::size_t count_ = 0;
    bool edges_are_near_ = true;
};

} // namespace coldbrick::raster
