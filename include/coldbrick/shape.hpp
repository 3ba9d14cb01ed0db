/// @file
/// Any shape that can be drawn.
#pragma once

#include <coldbrick/arc.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/circle.hpp>
#include <coldbrick/dots.hpp>
#include <coldbrick/ellipse.hpp>
#include <coldbrick/line.hpp>
#include <coldbrick/polygon.hpp>
#include <coldbrick/polyline.hpp>
#include <coldbrick/rounded_box.hpp>
#include <coldbrick/sector.hpp>
#include <coldbrick/segment.hpp>

#include <concepts> // the concepts below
#include <variant>  // Shape is one of several types

namespace coldbrick {

/// Any one shape.
using Shape =
    std::variant<Dots, Line, Polyline, Arc, Box, RoundedBox, Circle, Ellipse, Sector, Segment, Polygon>;

/// The shapes without an inside, which only strokes paint.
template <class T>
concept OpenShape =
    std::same_as<T, Dots> || std::same_as<T, Line> || std::same_as<T, Polyline> || std::same_as<T, Arc>;

/// The shapes with an inside, which can be filled.
template <class T>
concept ClosedShape = std::same_as<T, Box> || std::same_as<T, RoundedBox> || std::same_as<T, Circle> ||
    std::same_as<T, Ellipse> || std::same_as<T, Sector> || std::same_as<T, Segment> ||
    std::same_as<T, Polygon>;

/// The shapes that draw() strokes.
template <class T>
concept AnyShape = OpenShape<T> || ClosedShape<T>;

} // namespace coldbrick
