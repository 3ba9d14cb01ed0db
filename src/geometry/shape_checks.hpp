/// @file
/// Checks of shapes' values, each with the message that its failure carries.
#pragma once

#include "base/limits.hpp"
#include "base/range_checks.hpp"

#include <coldbrick/shape.hpp>

#include <cstdint>

namespace coldbrick {

// Exported, since components other than the core use it, too.
namespace [[gnu::visibility("default")]] geometry {

// Every draw call passes one of these: the short ones are inlined.

/// These shapes have no ranges to check.
inline void check(const Line&) {}
inline void check(const Dots&) {}

/// True if the box's members lie in the ranges that Box documents.
inline bool is_in_range(const Box& box) {
    // What is too small is a huge number here.
    constexpr auto furthest = static_cast<std::uint64_t>(base::furthest_box);
    const auto number = [](std::int64_t value) { return static_cast<std::uint64_t>(value); };
    return number(box.x) + furthest <= 2 * furthest && number(box.y) + furthest <= 2 * furthest &&
           number(box.width) <= furthest && number(box.height) <= furthest;
}

/// Throws ArgumentError unless it is.
[[noreturn]] void throw_out_of_range(const Box& box);
inline void check(const Box& box) {
    if (!is_in_range(box)) throw_out_of_range(box);
}

/// Throws ArgumentError if the radius is below 0.
inline void check(const Circle& circle) {
    base::check_range("circle radius", circle.radius, 0, base::last_coordinate);
}

/// Throws ArgumentError unless the box's members lie in the ranges that Ellipse documents.
inline void check(const Ellipse& ellipse) {
    check(ellipse.box);
    base::check_range("ellipse width", ellipse.box.width, 0, base::largest_ellipse);
    base::check_range("ellipse height", ellipse.box.height, 0, base::largest_ellipse);
}

/// Throws ArgumentError unless the ellipse's box is in its range. Angles check themselves.
template <EllipsePartKind kind>
void check(const EllipsePart<kind>& part) {
    check(part.ellipse);
}

/// Throws ArgumentError unless the box and the radius are in their ranges.
void check(const RoundedBox& rounded);

/// Throws ArgumentError if there are no points.
void check(const Polyline& polyline);

/// Throws ArgumentError if the path comes to more straight lines than it may. What is added to it is checked
/// there.
void check(const Path& path);

/// Throws ArgumentError if there are no rings, or none of a ring's vertices.
void check(const Polygon& polygon);

/// True if the shape's check would pass, for calls that leave its refusal to somebody else.
inline bool is_in_range(const Line&) {
    return true;
}
inline bool is_in_range(const Circle& circle) {
    return circle.radius >= 0;
}
inline bool is_in_range(const Ellipse& ellipse) {
    return is_in_range(ellipse.box) && ellipse.box.width <= base::largest_ellipse &&
           ellipse.box.height <= base::largest_ellipse;
}

} // namespace geometry

} // namespace coldbrick
