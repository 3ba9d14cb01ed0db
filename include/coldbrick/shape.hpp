/// @file
/// Any shape that can be drawn.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/circle.hpp>
#include <coldbrick/ellipse.hpp>
#include <coldbrick/line.hpp>
#include <coldbrick/polygon.hpp>
#include <coldbrick/polyline.hpp>

#include <concepts> // the concepts below
#include <variant>  // Shape is one of several types

namespace coldbrick {

/// Any one shape.
using Shape = std::variant<Line, Polyline, Box, Circle, Ellipse, Polygon>;

/// The shapes with an inside, which can be filled.
template <class T>
concept ClosedShape =
    std::same_as<T, Box> || std::same_as<T, Circle> || std::same_as<T, Ellipse> || std::same_as<T, Polygon>;

/// The shapes that draw() strokes.
template <class T>
concept AnyShape = ClosedShape<T> || std::same_as<T, Line> || std::same_as<T, Polyline>;

} // namespace coldbrick
