/// @file
/// Strokes on one side of a closed shape's edge.
#pragma once

#include "raster/spans/span_queries.hpp"
#include "raster/spans/span_set_operations.hpp"
#include "raster/stroke/pen.hpp"

#include <coldbrick/line_style.hpp>

namespace coldbrick::raster {

/// Inside: the stroke of width 2 w - 1 cut to the fill. Outside: the stroke of width 2 w + 1 without the
/// fill. The fill ends half a pixel outside the ideal edge, so that level and upright edges get exactly w
/// pixels. Paths may have strokes so thin that nothing is left inside.
/// @param alignment inside or outside
/// @param rasterise_fill,rasterise_stroke add the fill and the stroke of a pen to a sink
template <class AnyPen, class RasteriseFill, class RasteriseStroke>
void stroke_on_one_side(const AnyPen& pen, Alignment alignment, SpanSink& sink, RasteriseFill rasterise_fill,
                        RasteriseStroke rasterise_stroke) {
    AnyPen doubled = pen;
    doubled.width = 2 * pen.width + (alignment == Alignment::inside ? -1 : 1);
    if (doubled.width <= 0) return;
    const auto edge =
        ordered_spans(sink.clip(), [&](SpanSink& target) { rasterise_stroke(doubled, target); });
    const auto inside = ordered_spans(sink.clip(), rasterise_fill);
    const bool kept = alignment == Alignment::inside;
    const auto belongs = [kept](bool in_edge, bool in_fill) { return in_edge && in_fill == kept; };
    for (const Span& span : combined(edge, inside, belongs)) sink.add_visible(span);
}

} // namespace coldbrick::raster
