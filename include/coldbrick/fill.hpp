/// @file
/// The style that paints the inside of a shape.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/fill_rule.hpp>

namespace coldbrick {

/// Paints a closed shape's pixels: its outline at width 1 and all that lies within.
struct Fill {
    Colour colour;
    FillRule rule = FillRule::even_odd; ///< of polygons
    FillEdge edge = FillEdge::whole;    ///< of polygons

    friend constexpr bool operator==(const Fill&, const Fill&) = default;
};

} // namespace coldbrick
