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
    const SpanSink::Receiver note{&found, [](void* noted, std::span<const Span> spans) {
                                      *static_cast<bool*>(noted) |= !spans.empty();
                                  }};
    SpanSink::run(base::Clip::at(pixel), note, rasterise);
    return found;
}

/// The tight box of the pixels in a clip that rasterise(sink) adds, empty if there are none. Takes as long as
/// the shape has rows there.
template <class Rasterise>
Box tight_box(const base::Clip& clip, Rasterise rasterise) {
    base::Clip seen{clip.right, clip.bottom, clip.left, clip.top};
    const auto note = [](void* noted, std::span<const Span> spans) {
        auto& box = *static_cast<base::Clip*>(noted);
        for (const Span& span : spans)
            box = {std::min<std::int64_t>(box.left, span.x_begin), std::min<std::int64_t>(box.top, span.y),
                   std::max(box.right, span.x_end), std::max(box.bottom, std::int64_t{span.y} + 1)};
    };
    SpanSink::run(clip, {&seen, note}, rasterise);
    if (seen.left >= seen.right) return {};
    return {seen.left, seen.top, seen.right - seen.left, seen.bottom - seen.top};
}

/// The spans of a shape in order.
template <class Rasterise>
std::vector<Span> ordered_spans(const base::Clip& clip, Rasterise rasterise) {
    std::vector<Span> result;
    SpanUnion all(clip);
    rasterise(all.parts());
    const auto gather = [](void* gathered, std::span<const Span> spans) {
        auto& list = *static_cast<std::vector<Span>*>(gathered);
        list.insert(list.end(), spans.begin(), spans.end());
    };
    SpanSink::run(clip, {&result, gather}, [&all](SpanSink& sink) { all.give(sink); });
    return result;
}

} // namespace coldbrick::raster
