/// @file
/// Convex areas whose edges are irrational.
#pragma once

#include "raster/curve.hpp"
#include "raster/runs.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>
#include <cstdint>
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
inline Run columns(long double left, long double right, const Origin& origin) {
    // A double's conversion to an integer is an instruction, where rounding a long double is a call.
    const auto start = static_cast<double>(std::min(left, beyond_all));
    const auto end = static_cast<double>(std::max(right, -beyond_all));
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
        const auto down = static_cast<long double>(2 * y - origin.y);
        long double left = -beyond_all;
        long double right = beyond_all;
        for (std::size_t i = 0; i < count_; ++i) {
            const Edge& edge = edges_[i];
            const long double x = edge.start - edge.slope * down;
            switch (edge.kind) {
            case Edge::Kind::right: right = std::min(right, x); break;
            case Edge::Kind::left: left = std::max(left, x); break;
            case Edge::Kind::level:
                if (x < 0) return {0, 0};
            }
        }
        return columns(left, right, origin);
    }

  private:
    /// Keeps out . p <= limit.
    void keep(Vector out, long double limit) {
        if (count_ == edges_.size()) return; // never: no shape asks for more
        // The quotients are worked out first, so that a slope of 1 is exact.
        edges_[count_++] = out.x == 0  ? Edge{Edge::Kind::level, limit, out.y}
                           : out.x > 0 ? Edge{Edge::Kind::right, limit / out.x, out.y / out.x}
                                       : Edge{Edge::Kind::left, limit / out.x, out.y / out.x};
    }

    /// An area's right or left end on the row y is start - slope * y; a level edge keeps the rows where that
    /// is at least 0.
    struct Edge {
        enum class Kind : std::uint8_t { right, left, level } kind;
        long double start;
        long double slope;
    };
    std::array<Edge, 6> edges_{};
    std::size_t count_ = 0;
};

} // namespace coldbrick::raster
