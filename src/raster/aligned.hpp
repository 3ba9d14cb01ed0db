/// @file
/// Strokes on one side of a closed shape's edge.
#pragma once

#include "raster/pen.hpp"
#include "raster/span_sink.hpp"
#include "raster/span_union.hpp"

#include <coldbrick/line_style.hpp>

#include <algorithm>
#include <vector>

namespace coldbrick::raster {

/// Which of the pixels of a first set to give, by whether they are in a second one.
enum class Keep : std::uint8_t { common, first_only };

/// Gives what is common to two lists of spans, or what only the first one has. Both are in order, row by row
/// and from left to right, without overlaps.
template <class Give>
void combine(std::span<const Span> first, std::span<const Span> second, Keep keep, Give give) {
    const auto before = [](const Span& a, const Span& b) { // a ends before b begins
        return a.y < b.y || (a.y == b.y && a.x_end <= b.x_begin);
    };
    auto other = second.begin();
    for (Span span : first) {
        while (other != second.end() && before(*other, span)) ++other;
        auto next = other;
        for (; next != second.end() && next->y == span.y && next->x_begin < span.x_end; ++next) {
            const Span overlap{span.y, std::max(span.x_begin, next->x_begin),
                               std::min(span.x_end, next->x_end)};
            if (keep == Keep::common) give(overlap);
            if (keep == Keep::first_only && span.x_begin < overlap.x_begin)
                give(Span{span.y, span.x_begin, overlap.x_begin});
            if (overlap.x_end == span.x_end) {
                span.x_begin = 0;
                span.x_end = 0;
                break;
            }
            span.x_begin = static_cast<std::int32_t>(overlap.x_end);
        }
        if (keep == Keep::first_only && span.x_begin < span.x_end) give(span);
    }
}

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
    const Keep keep = alignment == Alignment::inside ? Keep::common : Keep::first_only;
    combine(edge, inside, keep, [&sink](const Span& span) { sink.add_visible(span); });
}

} // namespace coldbrick::raster
