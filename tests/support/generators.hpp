/// @file
/// Random shapes for property tests: small and near, far and huge, and those whose edge crosses a window.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/circle.hpp>
#include <coldbrick/ellipse.hpp>
#include <coldbrick/line.hpp>
#include <coldbrick/polygon.hpp>
#include <coldbrick/polyline.hpp>

#include <gtest/gtest.h>
#include <rapidcheck.h>

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <limits>
#include <ostream>
#include <vector>

namespace coldbrick {

inline std::ostream& operator<<(std::ostream& out, const Point& point) {
    return out << '(' << point.x << ", " << point.y << ')';
}
inline std::ostream& operator<<(std::ostream& out, const Line& line) {
    return out << "line " << line.from << " to " << line.to;
}
inline std::ostream& operator<<(std::ostream& out, const Box& box) {
    return out << "box (" << box.x << ", " << box.y << ") size " << box.width << " x " << box.height;
}
inline std::ostream& operator<<(std::ostream& out, const Circle& circle) {
    return out << "circle at " << circle.centre << " radius " << circle.radius;
}

inline std::ostream& operator<<(std::ostream& out, const Ellipse& ellipse) {
    return out << "ellipse in " << ellipse.box << " turned " << ellipse.turn.in_degrees();
}
inline std::ostream& operator<<(std::ostream& out, const Polyline& polyline) {
    out << (polyline.closed ? "closed polyline" : "polyline");
    for (const Point& point : polyline.points) out << ' ' << point;
    return out;
}
inline std::ostream& operator<<(std::ostream& out, const Polygon& polygon) {
    out << "polygon";
    for (const auto& ring : polygon.rings) {
        out << " ring";
        for (const Point& point : ring) out << ' ' << point;
    }
    return out;
}

namespace test {

constexpr std::int32_t lowest = std::numeric_limits<std::int32_t>::min();
constexpr std::int32_t highest = std::numeric_limits<std::int32_t>::max();

inline std::int32_t clamped(double value) {
    return static_cast<std::int32_t>(std::clamp<double>(std::round(value), lowest, highest));
}

/// Coordinates within a window, near it, anywhere and at the ends of the domain.
inline rc::Gen<std::int32_t> any_coordinate(std::int32_t extent) {
    return rc::gen::oneOf(rc::gen::inRange(0, extent), rc::gen::inRange(-2 * extent, 3 * extent),
                          rc::gen::inRange(-100000, 100000),
                          rc::gen::resize(1000, rc::gen::arbitrary<std::int32_t>()),
                          rc::gen::element(lowest, lowest + 1, highest - 1, highest));
}

inline rc::Gen<Point> any_point(Size window) {
    return rc::gen::map(rc::gen::pair(any_coordinate(window.width), any_coordinate(window.height)),
                        [](const auto& pair) {
                            return Point{pair.first, pair.second};
                        });
}

inline rc::Gen<Point> any_point_near(Size window) {
    return rc::gen::map(
        rc::gen::pair(rc::gen::inRange(-3, window.width + 3), rc::gen::inRange(-3, window.height + 3)),
        [](const auto& pair) {
            return Point{pair.first, pair.second};
        });
}

/// Widths from 1 to the largest, most of them small.
inline rc::Gen<std::int32_t> any_width() {
    return rc::gen::oneOf(rc::gen::inRange(1, 12), rc::gen::inRange(1, 12), rc::gen::inRange(1, 100000),
                          rc::gen::inRange(1, highest), rc::gen::just(highest));
}

/// Sizes from 0 to the largest.
inline rc::Gen<std::int32_t> any_extent() {
    return rc::gen::oneOf(rc::gen::inRange(0, 60), rc::gen::inRange(0, 100000), rc::gen::inRange(0, highest),
                          rc::gen::just(highest));
}

/// Any line, or one of any direction and length through a pixel of the window.
inline rc::Gen<Line> any_line(Size window) {
    const auto between =
        rc::gen::map(rc::gen::pair(any_point(window), any_point(window)), [](const auto& ends) {
            return Line{ends.first, ends.second};
        });
    const auto through = rc::gen::map(
        rc::gen::tuple(any_point_near(window), rc::gen::inRange(0, 3600), any_extent(), any_extent()),
        [](const auto& parts) {
            const auto [pixel, tenths, before, after] = parts;
            const double angle = tenths * 3.14159265358979 / 1800;
            return Line{
                {clamped(pixel.x - before * std::cos(angle)), clamped(pixel.y - before * std::sin(angle))},
                {clamped(pixel.x + after * std::cos(angle)), clamped(pixel.y + after * std::sin(angle))}};
        });
    return rc::gen::oneOf(between, through);
}

/// Any box between two corners, or one whose corner lies near the window.
inline rc::Gen<Box> any_box(Size window) {
    const auto between =
        rc::gen::map(rc::gen::pair(any_point(window), any_point(window)),
                     [](const auto& corners) { return Box::between(corners.first, corners.second); });
    const auto near = rc::gen::map(rc::gen::tuple(any_point_near(window), any_extent(), any_extent()),
                                   [](const auto& parts) {
                                       const auto [corner, width, height] = parts;
                                       return Box{corner.x, corner.y, width, height};
                                   });
    return rc::gen::oneOf(between, near);
}

/// Any circle, or one of any radius whose edge (or stroke's edge, half a width off) passes near the window.
inline rc::Gen<Circle> any_circle(Size window, std::int32_t width = 0) {
    const auto anywhere = rc::gen::map(rc::gen::pair(any_point(window), any_extent()), [](const auto& parts) {
        return Circle{parts.first, parts.second};
    });
    const auto crossing = rc::gen::map(rc::gen::tuple(any_point_near(window), rc::gen::inRange(0, 3600),
                                                      any_extent(), rc::gen::inRange(-1, 2)),
                                       [width](const auto& parts) {
                                           const auto [pixel, tenths, radius, side] = parts;
                                           const double angle = tenths * 3.14159265358979 / 1800;
                                           const double distance = radius + side * (width / 2.0);
                                           return Circle{{clamped(pixel.x - distance * std::cos(angle)),
                                                          clamped(pixel.y - distance * std::sin(angle))},
                                                         radius};
                                       });
    return rc::gen::oneOf(anywhere, crossing, crossing);
}

/// Angles in whole degrees, round ones and any others, up to two turns either way.
inline rc::Gen<Angle> any_angle() {
    return rc::gen::map(
        rc::gen::oneOf(rc::gen::map(rc::gen::inRange(-16, 17), [](int n) { return 45.0 * n; }),
                       rc::gen::map(rc::gen::inRange(-720, 721), [](int n) { return 1.0 * n; }),
                       rc::gen::map(rc::gen::inRange(-720000, 720001), [](int n) { return n / 1000.0; })),
        [](double number) { return degrees(number); });
}

/// Ellipses in any box between two corners, and about the window, some of them turned.
inline rc::Gen<Ellipse> any_ellipse(Size window) {
    return rc::gen::suchThat(
        rc::gen::map(rc::gen::tuple(any_box(window), any_angle(), rc::gen::arbitrary<bool>()),
                     [](const auto& parts) {
                         const auto& [box, turn, turned] = parts;
                         return Ellipse{box, turned ? turn : Angle()};
                     }),
        [](const Ellipse& ellipse) {
            return std::max(ellipse.box.width, ellipse.box.height) < std::int64_t{1} << 32;
        });
}

/// 1 to 12 points, anywhere or near the window.
inline rc::Gen<std::vector<Point>> any_points(Size window) {
    const auto of = [](const rc::Gen<Point>& point) {
        return rc::gen::mapcat(rc::gen::inRange<std::size_t>(1, 13), [point](std::size_t count) {
            return rc::gen::container<std::vector<Point>>(count, point);
        });
    };
    return rc::gen::oneOf(of(any_point(window)), of(any_point_near(window)));
}

inline rc::Gen<Polyline> any_polyline(Size window) {
    return rc::gen::map(rc::gen::pair(any_points(window), rc::gen::arbitrary<bool>()), [](const auto& parts) {
        return Polyline{parts.first, parts.second};
    });
}

/// One or two rings.
inline rc::Gen<Polygon> any_polygon(Size window) {
    return rc::gen::map(rc::gen::tuple(any_points(window), any_points(window), rc::gen::arbitrary<bool>()),
                        [](const auto& parts) {
                            const auto& [first, second, both] = parts;
                            return both ? Polygon({first, second}) : Polygon(first);
                        });
}

} // namespace test

} // namespace coldbrick
