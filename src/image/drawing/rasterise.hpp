/// @file
/// From a checked shape and style to spans, and what a clip shows nothing of.
#pragma once

#include "geometry/loose_bounds.hpp"
#include "raster/shapes/real_pen.hpp"
#include "raster/spans/span_sink.hpp"
#include "raster/stroke/pen.hpp"

#include <coldbrick/fill.hpp>
#include <coldbrick/shape.hpp>
#include <coldbrick/stroke.hpp>

#include <concepts>
#include <cstdint>

namespace coldbrick::image {

inline raster::Pen pen_of(const Stroke& stroke) {
    return {static_cast<std::int64_t>(stroke.width),
            stroke.cap,
            stroke.join,
            stroke.mitre_limit,
            stroke.dashes.lengths,
            stroke.dashes.offset};
}

inline raster::RealPen real_pen_of(const Stroke& stroke) {
    return {stroke.width,          stroke.cap,          stroke.join, stroke.mitre_limit,
            stroke.dashes.lengths, stroke.dashes.offset};
}

/// How a shape is filled, whatever with: what a stroke on one side of its edge has to know.
using raster::InsideRule;

inline InsideRule inside_of(const Fill& fill) {
    return {fill.rule, fill.extent};
}

// Rasterise: from a checked shape and style to spans. Compiled once for each shape.

template <ClosedShape S>
void rasterise(const S& shape, const Fill& fill, raster::SpanSink& sink);

/// @param filled how a stroke inside or outside sees the shape filled
template <AnyShape S>
void rasterise(const S& shape, const Stroke& stroke, const InsideRule& filled, raster::SpanSink& sink);

// Cull: what a clip shows nothing of costs no more than this.

/// How far a wide stroke, or one that is not centred, may reach outside the bounds of its shape.
std::int64_t reach_of_wide(const Stroke& stroke);

/// How far a style's pixels may lie outside the loose bounds of a shape.
inline std::int64_t reach_of(const Fill&) {
    return 3; // the tips of the outline that belongs to it: two pixels on paths and smooth edges
}
inline bool is_thin(const Stroke& stroke) {
    return stroke.width == 1 && stroke.alignment == Alignment::centred && stroke.edges == Edges::crisp;
}
inline std::int64_t reach_of(const Stroke& stroke) {
    return is_thin(stroke) ? 1 : reach_of_wide(stroke);
}

/// False if a clip cannot show any pixel of the checked shape with the style.
template <class S, class Style>
bool may_show(const base::Clip& clip, const S& shape, const Style& style) {
    const Box bounds = geometry::loose_bounds(shape);
    const std::int64_t reach = reach_of(style);
    return bounds.x - reach < clip.right && bounds.end_x() + reach > clip.left &&
           bounds.y - reach < clip.bottom && bounds.end_y() + reach > clip.top;
}

} // namespace coldbrick::image
