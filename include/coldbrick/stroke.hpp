/// @file
/// The style that paints along the edge of a shape.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/line_style.hpp>

#include <cstdint> // widths of 32 bits

namespace coldbrick {

/// Paints a shape's edge with a width. Caps and joins matter for lines, polylines and polygons of width 2 and
/// up.
struct Stroke {
    Colour colour;
    std::int32_t width = 1; ///< in pixels, 1..2147483647
    Cap cap = Cap::butt;
    Join join = Join::mitre;
    double mitre_limit = 4; ///< how far a mitre's tip may lie from the vertex, in half widths, 1 and up

    friend constexpr bool operator==(const Stroke&, const Stroke&) = default;
};

} // namespace coldbrick
