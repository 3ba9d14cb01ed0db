/// @file
/// Checks of shapes' values, each with the message that its failure carries.
#pragma once

#include "base/limits.hpp"
#include "base/range_checks.hpp"

#include <coldbrick/shape.hpp>

#include <cstdint>

namespace coldbrick::geometry {

// Every draw call passes one of these: the short ones are inlined.

/// These shapes have no ranges to check.
inline void check(const Line&) {}
inline void check(const Dots&) {}
inline void check(const Path&) {} // which checks what is added

/// Throws ArgumentError unless the box's members lie in the ranges that Box documents.
inline void check(const Box& box) {
    base::check_range("box x", box.x, -base::furthest_box, base::furthest_box);
    base::check_range("box y", box.y, -base::furthest_box, base::furthest_box);
    base::check_range("box width", box.width, 0, base::furthest_box);
    base::check_range("box height", box.height, 0, base::furthest_box);
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

} // namespace coldbrick::geometry
