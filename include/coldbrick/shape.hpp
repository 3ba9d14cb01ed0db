/// @file
/// Any shape that can be drawn.
#pragma once

#include <coldbrick/arc.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/circle.hpp>
#include <coldbrick/dots.hpp>
#include <coldbrick/ellipse.hpp>
#include <coldbrick/line.hpp>
#include <coldbrick/path.hpp>
#include <coldbrick/polygon.hpp>
#include <coldbrick/polyline.hpp>
#include <coldbrick/rounded_box.hpp>

#include <concepts> // the concepts below
#include <cstddef>  // how many shapes there are
#include <variant>  // Shape is one of several types

namespace [[gnu::visibility("default")]] coldbrick {

namespace detail {

/// A list of types.
template <class... Types>
struct TypeList {
    static constexpr std::size_t count = sizeof...(Types);
    template <class T>
    static constexpr bool has = (std::same_as<T, Types> || ...);
};

using OpenShapes = TypeList<Dots, Line, Polyline, Arc>;
using ClosedShapes = TypeList<Box, RoundedBox, Circle, Ellipse, Sector, Segment, Polygon, Path>;

template <class... Open, class... Closed>
std::variant<Open..., Closed...> any_of(TypeList<Open...>, TypeList<Closed...>);

} // namespace detail

/// The shapes without an inside, which only strokes paint: Dots, Line, Polyline and Arc.
template <class T>
concept OpenShape = detail::OpenShapes::has<T>;

/// The shapes with an inside, which can be filled: Box, RoundedBox, Circle, Ellipse, Sector, Segment,
/// Polygon and Path.
template <class T>
concept ClosedShape = detail::ClosedShapes::has<T>;

/// The shapes that draw() strokes.
template <class T>
concept AnyShape = OpenShape<T> || ClosedShape<T>;

/// Any one shape: a variant of all of them.
using Shape = decltype(detail::any_of(detail::OpenShapes(), detail::ClosedShapes()));

} // namespace coldbrick
