// Dots, polylines and polygons as plain values.

#include <coldbrick/dots.hpp>
#include <coldbrick/polygon.hpp>
#include <coldbrick/polyline.hpp>

#include "geometry/placement.hpp"
#include "geometry/shape_checks.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <utility>

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

/// The points, each put through `change`.
template <class Change>
std::vector<Point> changed(std::vector<Point> points, Change change) {
    for (Point& point : points) point = change(point);
    return points;
}

template <class Change>
Polyline changed(Polyline polyline, Change change) {
    polyline.points = changed(std::move(polyline.points), change);
    return polyline;
}

template <class Change>
Polygon changed(Polygon polygon, Change change) {
    for (auto& ring : polygon.rings) ring = changed(std::move(ring), change);
    return polygon;
}

/// Moves points.
auto move_by(std::int64_t dx, std::int64_t dy) {
    return [dx, dy](Point point) { return geometry::moved(point, dx, dy); };
}

/// Maps a point's offset (x, y) from a fixed point to (xx x + xy y, yx x + yy y).
struct Matrix {
    double xx, xy, yx, yy;
    Point about;

    Point operator()(Point point) const {
        const auto x = static_cast<double>(std::int64_t{point.x} - about.x);
        const auto y = static_cast<double>(std::int64_t{point.y} - about.y);
        return geometry::rounded_about(about, xx * x + xy * y, yx * x + yy * y);
    }
};

Matrix turn(Angle by, Point about) {
    return {by.cosine(), -by.sine(), by.sine(), by.cosine(), about};
}

Matrix scale(double across, double down, Point about) {
    base::check_finite("factor", across);
    base::check_finite("factor", down);
    return {across, 0, 0, down, about};
}

Matrix mirror(Mirror sides, Point about) {
    return sides == Mirror::left_right ? scale(-1, 1, about) : scale(1, -1, about);
}

} // namespace

Box Dots::bounds() const {
    return points.empty() ? Box{} : grown_to({}, points);
}

bool Dots::contains(Point pixel) const {
    return std::ranges::find(points, pixel) != points.end();
}

Dots Dots::moved(std::int64_t dx, std::int64_t dy) const {
    return {changed(points, move_by(dx, dy))};
}

Dots Dots::placed(Anchor anchor, Point position) const {
    return geometry::placed_by_bounds(*this, anchor, position);
}

Box Polyline::bounds() const {
    geometry::check(*this);
    return grown_to({}, points);
}

Polyline Polyline::moved(std::int64_t dx, std::int64_t dy) const {
    return changed(*this, move_by(dx, dy));
}

Polyline Polyline::turned(Angle by, Point about) const {
    return changed(*this, turn(by, about));
}

Polyline Polyline::scaled(double across, double down, Point about) const {
    return changed(*this, scale(across, down, about));
}

Polyline Polyline::mirrored(Mirror sides, Point about) const {
    return changed(*this, mirror(sides, about));
}

Polyline Polyline::placed(Anchor anchor, Point position) const {
    return geometry::placed_by_bounds(*this, anchor, position);
}

Box Polygon::bounds() const {
    geometry::check(*this);
    Box result;
    for (const auto& ring : rings) result = grown_to(result, ring);
    return result;
}

Polygon Polygon::moved(std::int64_t dx, std::int64_t dy) const {
    return changed(*this, move_by(dx, dy));
}

Polygon Polygon::turned(Angle by, Point about) const {
    return changed(*this, turn(by, about));
}

Polygon Polygon::scaled(double across, double down, Point about) const {
    return changed(*this, scale(across, down, about));
}

Polygon Polygon::mirrored(Mirror sides, Point about) const {
    return changed(*this, mirror(sides, about));
}

Polygon Polygon::placed(Anchor anchor, Point position) const {
    return geometry::placed_by_bounds(*this, anchor, position);
}

} // namespace coldbrick
