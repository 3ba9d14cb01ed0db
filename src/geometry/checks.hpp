/// @file
/// Checks of shapes' values, each with the message that its failure carries.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/arc.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/circle.hpp>
#include <coldbrick/ellipse.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/polygon.hpp>
#include <coldbrick/polyline.hpp>
#include <coldbrick/rounded_box.hpp>
#include <coldbrick/sector.hpp>
#include <coldbrick/segment.hpp>

#include <cmath>
#include <cstdint>
#include <limits>
#include <string_view>

namespace coldbrick {

// Every draw call passes the first of these: they are inlined.

/// Throws ArgumentError: NAME VALUE is outside LOW..HIGH.
[[noreturn]] void throw_out_of_range(std::string_view name, std::int64_t value, std::int64_t low,
                                     std::int64_t high);

/// Throws as above unless low <= value <= high.
inline void check_range(std::string_view name, std::int64_t value, std::int64_t low, std::int64_t high) {
    if (value < low || value > high) throw_out_of_range(name, value, low, high);
}

/// Throws as above unless the value is one of the enumeration's, of which `last` is the last.
template <class Enumeration>
void check_choice(std::string_view name, Enumeration value, Enumeration last) {
    check_range(name, static_cast<std::int64_t>(value), 0, static_cast<std::int64_t>(last));
}

/// Throws ArgumentError: NAME VALUE is not a finite number.
[[noreturn]] void throw_not_finite(std::string_view name, double value);

/// Throws as above if the number is infinite or not a number.
inline void check_finite(std::string_view name, double value) {
    if (!std::isfinite(value)) throw_not_finite(name, value);
}

/// Throws ArgumentError unless the box's members lie in the ranges that Box documents.
inline void check(const Box& box) {
    constexpr std::int64_t reach = std::int64_t{1} << 61;
    check_range("box x", box.x, -reach, reach);
    check_range("box y", box.y, -reach, reach);
    check_range("box width", box.width, 0, reach);
    check_range("box height", box.height, 0, reach);
}

/// Throws ArgumentError if the radius is below 0.
inline void check(const Circle& circle) {
    check_range("circle radius", circle.radius, 0, std::numeric_limits<std::int32_t>::max());
}

/// The bounds of a checked circle, which every draw call asks for.
inline Box bounds_of_checked(const Circle& circle) {
    const std::int64_t reach = circle.radius;
    return {circle.centre.x - reach, circle.centre.y - reach, 2 * reach + 1, 2 * reach + 1};
}

/// Throws ArgumentError unless the box's members lie in the ranges that Ellipse documents.
inline void check(const Ellipse& ellipse) {
    check(ellipse.box);
    constexpr std::int64_t largest = std::numeric_limits<std::uint32_t>::max();
    check_range("ellipse width", ellipse.box.width, 0, largest);
    check_range("ellipse height", ellipse.box.height, 0, largest);
}

/// Throws ArgumentError unless the ellipse's box is in its range. Angles check themselves.
inline void check(const Arc& arc) {
    check(arc.ellipse);
}
inline void check(const Sector& sector) {
    check(sector.ellipse);
}
inline void check(const Segment& segment) {
    check(segment.ellipse);
}

/// Throws ArgumentError unless the box and the radius are in their ranges.
void check(const RoundedBox& rounded);

/// Throws ArgumentError if there are no points.
void check(const Polyline& polyline);

/// Throws ArgumentError if there are no rings, or none of a ring's vertices.
void check(const Polygon& polygon);

/// The value as a coordinate. @throws ArgumentError outside the 32-bit range.
std::int32_t coordinate(std::string_view name, std::int64_t value);

/// The point moved; offsets may be any 64-bit number. @throws ArgumentError outside the 32-bit coordinates.
Point moved(Point point, std::int64_t dx, std::int64_t dy);

/// The pixel nearest to what lies (dx, dy) from a point, halves away from it.
/// @throws ArgumentError outside the 32-bit coordinates.
Point rounded_about(Point point, double dx, double dy);

/// How far to move what has these bounds so that their anchor comes to lie on `position`.
struct Offset {
    std::int64_t dx;
    std::int64_t dy;
};
Offset offset_to_place(const Box& bounds, Anchor anchor, Point position);

/// Moves any shape so that the anchor of its bounds lies on `position`.
template <class Shape>
Shape placed_by_bounds(const Shape& shape, Anchor anchor, Point position) {
    const Offset offset = offset_to_place(shape.bounds(), anchor, position);
    return shape.moved(offset.dx, offset.dy);
}

} // namespace coldbrick
