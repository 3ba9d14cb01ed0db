/// @file
/// Dashes of thin lines, pixel by pixel.
#pragma once

#include "raster/spans/span_sink.hpp"
#include "raster/stroke/dash_pattern.hpp"

#include <algorithm>
#include <cstdint>

namespace coldbrick::raster {

/// Adds those of the pixels that thin(sink) adds to the sink it is given whose position(x, y) along the path,
/// in pixels, lies in an on stretch.
template <class Position, class Thin>
void add_thin_dashes(const DashPattern& dashes, SpanSink& target, Position position, Thin thin) {
    struct Filter {
        SpanSink& target;
        Position& position;
        DashFinder dashes;

        static void receive(void* self, std::span<const Span> spans) {
            auto& filter = *static_cast<Filter*>(self);
            for (const Span& span : spans) {
                std::int64_t begin = span.x_end; // of the pixels that are on
                for (std::int64_t x = span.x_begin; x < span.x_end; ++x) {
                    const bool on = filter.dashes.on(filter.position(x, std::int64_t{span.y}));
                    if (on) begin = std::min(begin, x);
                    if (on) continue;
                    filter.target.add(span.y, begin, x);
                    begin = span.x_end;
                }
                filter.target.add(span.y, begin, span.x_end);
            }
        }
    };
    Filter filter{target, position, DashFinder(dashes)};
    SpanSink::run(target.clip(), {&filter, Filter::receive}, thin);
}

} // namespace coldbrick::raster
