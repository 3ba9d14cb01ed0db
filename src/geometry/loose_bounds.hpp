/// @file
/// Boxes about shapes, found without the work of finding the tight ones.
#pragma once

#include <coldbrick/shape.hpp>

#include <concepts>
#include <cstdint>

namespace coldbrick::geometry {

/// The bounds of a checked circle, which every draw call asks for.
inline Box bounds_of_checked(const Circle& circle) {
    const std::int64_t reach = circle.radius;
    return {circle.centre.x - reach, circle.centre.y - reach, 2 * reach + 1, 2 * reach + 1};
}

/// A box that holds the ellipse however it is turned.
Box bounds_of_any_turn(const Ellipse& ellipse);

/// A box that holds all pixels of a checked shape when it is filled.
template <class S>
Box loose_bounds(const S& shape) {
    if constexpr (requires { shape.ellipse; })
        return loose_bounds(shape.ellipse);
    else if constexpr (std::same_as<S, Ellipse>)
        return shape.turn == Angle() ? shape.box : bounds_of_any_turn(shape);
    else if constexpr (std::same_as<S, Box>)
        return shape;
    else if constexpr (std::same_as<S, Circle>)
        return bounds_of_checked(shape);
    else
        return shape.bounds();
}

} // namespace coldbrick::geometry
