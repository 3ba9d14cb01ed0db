/// @file
/// How much of a pixel contours cover, worked out slowly and obviously: between all heights at which anything
/// happens areas are trapezoids, whose widths halfway down tell their areas. Shares no code with the library.
#pragma once

#include <coldbrick/fill_rule.hpp>
#include <coldbrick/position.hpp>

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <cstdint>
#include <utility>
#include <vector>

namespace coldbrick::test {

/// Rings of positions, each closed by a line from the last to the first.
using Rings = std::vector<std::vector<Position>>;

class ExactArea {
  public:
    explicit ExactArea(const Rings& rings) {
        for (const auto& ring : rings)
            for (std::size_t i = 0; i < ring.size(); ++i) {
                const Position a = ring[i];
                const Position b = ring[(i + 1) % ring.size()];
                if (a.y < b.y) edges_.push_back({a.x, a.y, b.x, b.y, 1});
                if (a.y > b.y) edges_.push_back({b.x, b.y, a.x, a.y, -1});
            }
    }

    /// Of the unit square about a pixel's centre.
    [[nodiscard]] double of_pixel(std::int64_t x, std::int64_t y, FillRule rule) const {
        const Real left = static_cast<Real>(x) - 0.5L;
        const Real top = static_cast<Real>(y) - 0.5L;
        return static_cast<double>(within(left, top, left + 1, top + 1, rule));
    }

  private:
    using Real = long double;
    struct Edge {
        Real top_x, top_y, bottom_x, bottom_y;
        int direction;

        [[nodiscard]] Real x_at(Real y) const {
            return top_x + (bottom_x - top_x) * (y - top_y) / (bottom_y - top_y);
        }
    };

    [[nodiscard]] Real within(Real left, Real top, Real right, Real bottom, FillRule rule) const {
        std::vector<Edge> near;
        for (const Edge& edge : edges_)
            if (edge.top_y < bottom && edge.bottom_y > top) near.push_back(edge);
        std::vector<Real> heights{top, bottom};
        const auto note = [&](Real y) {
            if (y > top && y < bottom) heights.push_back(y);
        };
        for (std::size_t i = 0; i < near.size(); ++i) {
            const Edge& edge = near[i];
            note(edge.top_y);
            note(edge.bottom_y);
            const Real slope = (edge.bottom_x - edge.top_x) / (edge.bottom_y - edge.top_y);
            for (const Real side : {left, right})
                if (slope != 0) note(edge.top_y + (side - edge.top_x) / slope);
            for (std::size_t j = 0; j < i; ++j) {
                const Real other = (near[j].bottom_x - near[j].top_x) / (near[j].bottom_y - near[j].top_y);
                if (slope != other) note(top + (edge.x_at(top) - near[j].x_at(top)) / (other - slope));
            }
        }
        std::ranges::sort(heights);
        Real area = 0;
        for (std::size_t i = 1; i < heights.size(); ++i)
            area += (heights[i] - heights[i - 1]) *
                    width_at(near, (heights[i] + heights[i - 1]) / 2, left, right, rule);
        return area;
    }

    static Real width_at(const std::vector<Edge>& edges, Real y, Real left, Real right, FillRule rule) {
        std::vector<std::pair<Real, int>> crossings;
        for (const Edge& edge : edges)
            if (edge.top_y <= y && y < edge.bottom_y) crossings.emplace_back(edge.x_at(y), edge.direction);
        std::ranges::sort(crossings);
        Real width = 0;
        Real from = left;
        int winding = 0;
        for (const auto& [x, direction] : crossings) {
            const Real to = std::clamp(x, left, right);
            const bool inside = rule == FillRule::even_odd ? winding % 2 != 0 : winding != 0;
            if (inside) width += to - from;
            from = to;
            winding += direction;
        }
        return width;
    }

    std::vector<Edge> edges_;
};

} // namespace coldbrick::test
