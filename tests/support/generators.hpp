/// @file
/// Random shapes for property tests: small and near, far and huge, and those whose edge crosses a window.
#pragma once

#include <coldbrick/shape.hpp>
#include <coldbrick/stroke.hpp>

#include <gtest/gtest.h>
#include <rapidcheck.h>

#include <cstdint>
#include <iosfwd>
#include <limits>
#include <vector>

namespace coldbrick {

std::ostream& operator<<(std::ostream& out, const Line& line);
std::ostream& operator<<(std::ostream& out, const Circle& circle);
std::ostream& operator<<(std::ostream& out, const Ellipse& ellipse);
std::ostream& operator<<(std::ostream& out, const RoundedBox& rounded);
std::ostream& operator<<(std::ostream& out, const Arc& arc);
std::ostream& operator<<(std::ostream& out, const Sector& sector);
std::ostream& operator<<(std::ostream& out, const Segment& segment);
std::ostream& operator<<(std::ostream& out, const Dots& dots);
std::ostream& operator<<(std::ostream& out, const Stroke& stroke);
std::ostream& operator<<(std::ostream& out, const Polyline& polyline);
std::ostream& operator<<(std::ostream& out, const Polygon& polygon);
std::ostream& operator<<(std::ostream& out, const Path& path);
std::ostream& operator<<(std::ostream& out, const Shape& shape);

namespace test {

constexpr std::int32_t lowest = std::numeric_limits<std::int32_t>::min();
constexpr std::int32_t highest = std::numeric_limits<std::int32_t>::max();

std::int32_t clamped(double value);

/// Coordinates within a window, near it, anywhere and at the ends of the domain.
rc::Gen<std::int32_t> any_coordinate(std::int32_t extent);

rc::Gen<Point> any_point(Size window);

rc::Gen<Point> any_point_near(Size window);

/// Widths from 1 to the largest, most of them small.
rc::Gen<std::int32_t> any_width();

/// Sizes from 0 to the largest.
rc::Gen<std::int32_t> any_extent();

/// Any line, or one of any direction and length through a pixel of the window.
rc::Gen<Line> any_line(Size window);

/// Any box between two corners, or one whose corner lies near the window.
rc::Gen<Box> any_box(Size window);

/// Any circle, or one of any radius whose edge (or stroke's edge, half a width off) passes near the window.
rc::Gen<Circle> any_circle(Size window, std::int32_t width = 0);

/// Angles in whole degrees, round ones and any others, up to two turns either way.
rc::Gen<Angle> any_angle();

/// Ellipses in any box between two corners, and about the window, some of them turned.
rc::Gen<Ellipse> any_ellipse(Size window);

/// 1 to 12 points, anywhere or near the window.
rc::Gen<std::vector<Point>> any_points(Size window);

rc::Gen<Polyline> any_polyline(Size window);

/// One or two rings.
rc::Gen<Polygon> any_polygon(Size window);

/// One or two contours of lines and curves between positions, anywhere or near the window. Only the last one
/// may be open.
rc::Gen<Path> any_path(Size window, bool closed);

/// Strokes of any width, cap and join, solid ones and dashed ones.
rc::Gen<Stroke> any_stroke();

/// One of the shapes that have an inside.
rc::Gen<Shape> any_closed_shape(Size window);

/// One of the shapes without an inside.
rc::Gen<Shape> any_open_shape(Size window);

/// A stroke for a shape: paths, whose dashes are areas of their own, have no thousands of them.
rc::Gen<Stroke> any_stroke_for(const Shape& shape);

} // namespace test

} // namespace coldbrick
