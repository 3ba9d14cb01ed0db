/// @file
/// Many shapes of one kind from an array of numbers.
#pragma once

#include <cstdint> // the numbers
#include <span>    // somebody else's array

namespace [[gnu::visibility("default")]] coldbrick {

/// Many shapes of one kind, as numbers that follow each other in somebody else's memory.
struct Series {
    /// What the numbers mean, and how many make a shape.
    enum class Kind : std::uint8_t {
        dots,      ///< x, y
        lines,     ///< x, y of the one end, x, y of the other
        boxes,     ///< x, y of a corner pixel, x, y of the opposite one, both included
        circles,   ///< x, y of the centre, the radius
        triangles, ///< x, y of three corners
    };

    Kind kind;
    std::span<const std::int32_t> numbers;
};

} // namespace coldbrick
