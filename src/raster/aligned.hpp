/// @file
/// Strokes on one side of a closed shape's edge.
#pragma once

#include "raster/combined.hpp"
#include "raster/pen.hpp"
#include "raster/span_sink.hpp"
#include "raster/span_union.hpp"

#include <coldbrick/line_style.hpp>

#include <vector>

namespace coldbrick::raster {

/// The spans of a shape in order.
template <class Rasterise>
std::vector<Span> ordered_spans(const Clip& clip, Rasterise rasterise) {
    std::vector<Span> result;
    SpanUnion all(clip);
    rasterise(all.parts());
    SpanSink sink(clip, &result, [](void* gathered, std::span<const Span> spans) {
        auto& list = *static_cast<std::vector<Span>*>(gathered);
        list.insert(list.end(), spans.begin(), spans.end());
    });
    all.give(sink);
    sink.flush();
    return result;
}

/// Inside: the stroke of width 2 w - 1 cut to the fill. Outside: the stroke of width 2 w + 1 without the
/// fill. The fill ends half a pixel outside the ideal edge, so that level and upright edges get exactly w
/// pixels.
/// @param rasterise_fill,rasterise_stroke add the fill and the stroke of a pen to a sink
template <class Fill, class Stroke>
void stroke_aligned(const Pen& pen, Alignment alignment, SpanSink& sink, Fill rasterise_fill,
                    Stroke rasterise_stroke) {
    if (alignment == Alignment::centred) return rasterise_stroke(pen, sink);
    Pen doubled = pen;
    doubled.width = 2 * pen.width + (alignment == Alignment::inside ? -1 : 1);
    const auto edge =
        ordered_spans(sink.clip(), [&](SpanSink& target) { rasterise_stroke(doubled, target); });
    const auto inside = ordered_spans(sink.clip(), rasterise_fill);
    const bool kept = alignment == Alignment::inside;
    const auto belongs = [kept](bool in_edge, bool in_fill) { return in_edge && in_fill == kept; };
    for (const Span& span : combined(edge, inside, belongs)) sink.add_visible(span);
}

} // namespace coldbrick::raster
