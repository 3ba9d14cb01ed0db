/// @file
/// The style that paints the inside of a shape.
#pragma once

#include <coldbrick/blend.hpp>
#include <coldbrick/edges.hpp>
#include <coldbrick/fill_rule.hpp>
#include <coldbrick/paint.hpp>

namespace [[gnu::visibility("default")]] coldbrick {

/// Paints a closed shape's pixels: its outline at width 1 and all that lies within.
struct Fill {
    Paint paint;
    FillRule rule = FillRule::even_odd;    ///< of polygons and paths
    FillExtent extent = FillExtent::whole; ///< of polygons and paths
    Blending blending = {};
    Edges edges = Edges::crisp;

    friend bool operator==(const Fill&, const Fill&) = default;
};

} // namespace coldbrick
