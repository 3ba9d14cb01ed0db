// Polylines and polygons as plain values.

#include <coldbrick/polygon.hpp>
#include <coldbrick/polyline.hpp>

#include "geometry/checks.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <algorithm>

namespace coldbrick {

namespace {

/// The smallest box of some points and a box.
Box grown_to(Box box, const std::vector<Point>& points) {
    const auto [left, right] = std::ranges::minmax(points, {}, &Point::x);
    const auto [top, bottom] = std::ranges::minmax(points, {}, &Point::y);
    const Box other = Box::between({left.x, top.y}, {right.x, bottom.y});
    if (box.empty()) return other;
    const std::int64_t x = std::min(box.x, other.x);
    const std::int64_t y = std::min(box.y, other.y);
    return {x, y, std::max(box.end_x(), other.end_x()) - x, std::max(box.end_y(), other.end_y()) - y};
}

std::vector<Point> moved_points(std::vector<Point> points, std::int64_t dx, std::int64_t dy) {
    for (Point& point : points) point = moved(point, dx, dy);
    return points;
}

} // namespace

void check(const Polyline& polyline) {
    if (polyline.points.empty()) throw ArgumentError("a polyline of 0 points has less than 1");
}

void check(const Polygon& polygon) {
    if (polygon.rings.empty()) throw ArgumentError("a polygon of 0 rings has less than 1");
    for (std::size_t i = 0; i < polygon.rings.size(); ++i)
        if (polygon.rings[i].empty())
            throw ArgumentError(fmt::format("ring {} of a polygon, of 0 vertices, has less than 1", i));
}

Box Polyline::bounds() const {
    check(*this);
    return grown_to({}, points);
}

Polyline Polyline::moved(std::int64_t dx, std::int64_t dy) const {
    return {moved_points(points, dx, dy), closed};
}

Polyline Polyline::placed(Anchor anchor, Point position) const {
    return placed_by_bounds(*this, anchor, position);
}

Box Polygon::bounds() const {
    check(*this);
    Box result;
    for (const auto& ring : rings) result = grown_to(result, ring);
    return result;
}

Polygon Polygon::moved(std::int64_t dx, std::int64_t dy) const {
    Polygon result = *this;
    for (auto& ring : result.rings) ring = moved_points(std::move(ring), dx, dy);
    return result;
}

Polygon Polygon::placed(Anchor anchor, Point position) const {
    return placed_by_bounds(*this, anchor, position);
}

} // namespace coldbrick
