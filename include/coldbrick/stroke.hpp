/// @file
/// The style that paints along the edge of a shape.
#pragma once

#include <coldbrick/colour.hpp>

#include <cstdint> // widths of 32 bits

namespace coldbrick {

/// Paints a shape's edge with a width.
struct Stroke {
    Colour colour;
    std::int32_t width = 1; ///< in pixels, 1..2147483647

    friend constexpr bool operator==(const Stroke&, const Stroke&) = default;
};

} // namespace coldbrick
