/// @file
/// Questions about the pixels of a shape, answered by rasterising it.
#pragma once

#include "base/limits.hpp"
#include "raster/spans/span_sink.hpp"
#include "raster/spans/span_union.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/point.hpp>

#include <algorithm>
#include <vector>

namespace coldbrick::raster {

/// All pixels with 32-bit coordinates.
constexpr base::Clip everywhere{base::first_coordinate, base::first_coordinate, base::end_coordinate,
                                base::end_coordinate};

/// True if rasterise(sink) adds the pixel.
template <class Rasterise>
bool shows(Point pixel, Rasterise rasterise) {
    bool found = false;
    SpanSink sink(base::Clip::at(pixel), &found, [](void* noted, std::span<const Span> spans) {
        *static_cast<bool*>(noted) |= !spans.empty();
    });
    rasterise(sink);
    sink.flush();
    return found;
}

/// The tight box of the pixels in a clip that rasterise(sink) adds, empty if there are none. Takes as long as
/// the shape has rows there.
template <class Rasterise>
Box tight_box(const base::Clip& clip, Rasterise rasterise) {
    base::Clip seen{clip.right, clip.bottom, clip.left, clip.top};
    SpanSink sink(clip, &seen, [](void* noted, std::span<const Span> spans) {
        auto& box = *static_cast<base::Clip*>(noted);
        for (const Span& span : spans)
            box = {std::min<std::int64_t>(box.left, span.x_begin), std::min<std::int64_t>(box.top, span.y),
                   std::max(box.right, span.x_end), std::max(box.bottom, std::int64_t{span.y} + 1)};
    });
    rasterise(sink);
    sink.flush();
    if (seen.left >= seen.right) return {};
    return {seen.left, seen.top, seen.right - seen.left, seen.bottom - seen.top};
}

/// The spans of a shape in order.
template <class Rasterise>
std::vector<Span> ordered_spans(const base::Clip& clip, Rasterise rasterise) {
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

} // namespace coldbrick::raster
