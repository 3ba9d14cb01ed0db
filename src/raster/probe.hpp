/// @file
/// Questions about the pixels of a shape, answered by rasterising it.
#pragma once

#include "raster/span_sink.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/point.hpp>

#include <algorithm>
#include <limits>

namespace coldbrick::raster {

/// All pixels with 32-bit coordinates.
constexpr Clip everywhere{std::numeric_limits<std::int32_t>::min(), std::numeric_limits<std::int32_t>::min(),
                          std::int64_t{1} << 31, std::int64_t{1} << 31};

/// True if rasterise(sink) adds the pixel.
template <class Rasterise>
bool shows(Point pixel, Rasterise rasterise) {
    bool found = false;
    SpanSink sink(Clip::at(pixel), &found, [](void* noted, std::span<const Span> spans) {
        *static_cast<bool*>(noted) |= !spans.empty();
    });
    rasterise(sink);
    sink.flush();
    return found;
}

/// The tight box of the pixels in a clip that rasterise(sink) adds, empty if there are none. Takes as long as
/// the shape has rows there.
template <class Rasterise>
Box extent(const Clip& clip, Rasterise rasterise) {
    Clip seen{clip.right, clip.bottom, clip.left, clip.top};
    SpanSink sink(clip, &seen, [](void* noted, std::span<const Span> spans) {
        auto& box = *static_cast<Clip*>(noted);
        for (const Span& span : spans)
            box = {std::min<std::int64_t>(box.left, span.x_begin), std::min<std::int64_t>(box.top, span.y),
                   std::max(box.right, span.x_end), std::max(box.bottom, std::int64_t{span.y} + 1)};
    });
    rasterise(sink);
    sink.flush();
    if (seen.left >= seen.right) return {};
    return {seen.left, seen.top, seen.right - seen.left, seen.bottom - seen.top};
}

} // namespace coldbrick::raster
