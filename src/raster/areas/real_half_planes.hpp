/// @file
/// Convex areas whose edges are irrational.
#pragma once

#include "base/contract.hpp"
#include "base/limits.hpp"
#include "raster/areas/half_pixel_vector.hpp"
#include "raster/spans/row_runs.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <concepts>
#include <cstddef>
#include <cstdint>
#include <cstdlib>
#include <initializer_list>

namespace coldbrick::raster {

/// Further from any origin than all pixels.
constexpr auto beyond_all = static_cast<long double>(base::beyond_all_pixels);

/// The columns of the pixels from left to right, both included, as seen from an origin in half pixels.
template <std::floating_point Real>
Run columns(Real left, Real right, const Origin& origin) {
    // A double's conversion to an integer is an instruction, where rounding a long double is a call.
    const auto start = static_cast<double>(std::min<Real>(left, beyond_all));
    const auto end = static_cast<double>(std::max<Real>(right, -beyond_all));
    const auto start_down = static_cast<std::int64_t>(start); // towards 0
    const auto end_up = static_cast<std::int64_t>(end);
    const HalfPixels from{start_down + (static_cast<double>(start_down) < start ? 1 : 0)};
    const HalfPixels to{end_up - (static_cast<double>(end_up) > end ? 1 : 0)};
    const HalfPixels first = -up_to(-from, origin.x.parity());
    const HalfPixels last = up_to(to, origin.x.parity());
    if (first > last) return {0, 0};
    return {(origin.x + first).pixel_at_or_before(), (origin.x + last).pixel_at_or_before() + 1};
}

/// An intersection of half-planes.
class RealHalfPlanes {
  public:
    /// Nearer to an edge than this, half pixels, floating point may decide. Edges that belong to the area are
    /// moved out by as much, those that do not are moved in.
    static constexpr long double tolerance = 0x1p-21L;

    /// Keeps what lies on the right side of one who stands at a point and looks along a direction of length
    /// 1.
    void keep_right_of(HalfPixelVector point, HalfPixelVector direction, bool edge_belongs = true) {
        const HalfPixelVector out = -direction.right();
        keep(out, dot(out, point) + (edge_belongs ? tolerance : -tolerance));
    }

    /// Keeps what lies on the right side of a ray from the origin, exactly for multiples of 45 degrees.
    void keep_right_of_ray(HalfPixelVector direction) { keep(-direction.right(), 0); }

    /// The columns of the row y, in pixels.
    [[nodiscard]] Run row(std::int64_t y, const Origin& origin) const {
        const std::int64_t down = (HalfPixels::of_pixels(y) - origin.y).count;
        const bool is_near = edges_are_near_ && std::abs(down) < near_limit;
        return is_near ? row_at<double>(down, origin) : row_at<long double>(down, origin);
    }

  private:
    /// Edges and rows nearer than this to the origin are worked with in doubles, whose 53 bits leave 2^-23 of
    /// a half pixel there: less than the tolerance.
    static constexpr std::int64_t near_limit = std::int64_t{1} << 30;

    /// Keeps out . p <= limit.
    void keep(HalfPixelVector out, long double limit) {
        COLDBRICK_ENSURE(count_ < edges_.size()); // no shape asks for more
        edges_are_near_ = edges_are_near_ && std::abs(limit) < static_cast<long double>(near_limit);
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
