/// @file
/// Any shape that can be drawn.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/circle.hpp>
#include <coldbrick/line.hpp>

#include <concepts> // the concepts below
#include <variant>  // Shape is one of several types

namespace coldbrick {

/// Any one shape.
using Shape = std::variant<Line, Box, Circle>;

/// The shapes with an inside, which can be filled.
template <class T>
concept ClosedShape = std::same_as<T, Box> || std::same_as<T, Circle>;

/// The shapes that draw() strokes.
template <class T>
concept AnyShape = ClosedShape<T> || std::same_as<T, Line>;

} // namespace coldbrick
