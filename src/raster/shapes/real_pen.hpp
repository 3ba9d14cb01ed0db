/// @file
/// Styles of smooth edges and of paths, without their colour.
#pragma once

#include "raster/coverage/sub_pixels.hpp"

#include <coldbrick/fill_rule.hpp>
#include <coldbrick/line_style.hpp>

#include <span>

namespace coldbrick::raster {

/// A stroke of any width.
struct RealPen {
    double width; ///< in pixels, above 0
    Cap cap;
    Join join;
    double mitre_limit;             ///< in half widths, 1 and up
    std::span<const double> dashes; ///< on and off lengths in pixels, in turns; solid if there are none
    double dash_offset;             ///< how far into the dashes the path begins
};

/// How a shape is filled.
struct InsideRule {
    FillRule rule = FillRule::even_odd;
    FillExtent extent = FillExtent::whole;
};

} // namespace coldbrick::raster
