/// @file
/// Points put through a change, and the box about them: what shapes made of points have in common.
#pragma once

#include "base/range_checks.hpp"
#include "geometry/placement.hpp"

#include <coldbrick/angle.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/mirror.hpp>
#include <coldbrick/point.hpp>

#include <algorithm>
#include <cstdint>
#include <span>
#include <vector>

namespace coldbrick::geometry {

/// The box of some points, at least one.
inline Box bounds_of_points(std::span<const Point> points) {
    Point least = points[0];
    Point most = points[0];
    for (const Point& point : points) {
        least = {std::min(least.x, point.x), std::min(least.y, point.y)};
        most = {std::max(most.x, point.x), std::max(most.y, point.y)};
    }
    return Box::between(least, most);
}

/// The smallest box of some points and a box.
inline Box grown_to(Box box, std::span<const Point> points) {
    const Box other = bounds_of_points(points);
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

/// Moves points.
inline auto move_by(std::int64_t dx, std::int64_t dy) {
    return [dx, dy](Point point) { return moved(point, dx, dy); };
}

/// Maps a point's offset (x, y) from a fixed point to (xx x + xy y, yx x + yy y).
struct Matrix {
    double xx, xy, yx, yy;
    Point about;

    Point operator()(Point point) const {
        const auto x = static_cast<double>(std::int64_t{point.x} - about.x);
        const auto y = static_cast<double>(std::int64_t{point.y} - about.y);
        return rounded_about(about, xx * x + xy * y, yx * x + yy * y);
    }
};

inline Matrix turn(Angle by, Point about) {
    return {by.cosine(), -by.sine(), by.sine(), by.cosine(), about};
}

inline Matrix scale(double across, double down, Point about) {
    base::check_finite("factor", across);
    base::check_finite("factor", down);
    return {across, 0, 0, down, about};
}

inline Matrix mirror(Mirror sides, Point about) {
    return sides == Mirror::left_right ? scale(-1, 1, about) : scale(1, -1, about);
}

} // namespace coldbrick::geometry
