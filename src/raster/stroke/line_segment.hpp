/// @file
/// Straight lines between places that need not be pixels.
#pragma once

#include "raster/areas/real_half_planes.hpp"
#include "raster/spans/span_sink.hpp"

#include <algorithm>
#include <cmath>
#include <cstdint>

namespace coldbrick::raster {

/// A straight line, as seen from an origin.
struct LineSegment {
    HalfPixelVector from;
    HalfPixelVector to;

    [[nodiscard]] RealHalfPixels length() const { return (to - from).length(); }
    [[nodiscard]] HalfPixelVector direction() const { return (to - from).unit(); }
};

/// Part of a path, as distances along it.
struct Interval {
    RealHalfPixels from;
    RealHalfPixels to;
};

/// The part of a line segment that the pixels of a clip lie beside, or else its end that is nearer to them.
inline Interval beside(const LineSegment& segment, const base::Clip& clip, const Origin& origin) {
    const HalfPixelVector along = segment.direction();
    const RealHalfPixels length = segment.length();
    Interval result{length, {0}};
    for (const std::int64_t x : {clip.left, clip.right})
        for (const std::int64_t y : {clip.top, clip.bottom}) {
            const RealHalfPixels foot{dot(origin.to_pixel(x, y) - segment.from, along)};
            const RealHalfPixels at = std::clamp(foot, RealHalfPixels{0}, length);
            result = {std::min(result.from, at), std::max(result.to, at)};
        }
    return result;
}

/// Calls visit(y) for those rows, in pixels, from one height to another, as seen from an origin in half
/// pixels, that a clip shows.
template <class Visit>
void for_each_row_between(RealHalfPixels top, RealHalfPixels bottom, const Origin& origin,
                          const base::Clip& clip, Visit visit) {
    const RealHalfPixels shift{static_cast<long double>(origin.y.count)};
    const auto first_shown = static_cast<long double>(clip.top);
    const auto end_shown = static_cast<long double>(clip.bottom);
    const auto first = std::clamp(std::floor((shift + top).in_pixels()) - 1, first_shown, end_shown);
    const auto end = std::clamp(std::ceil((shift + bottom).in_pixels()) + 2, first_shown, end_shown);
    for (auto y = static_cast<std::int64_t>(first); y < static_cast<std::int64_t>(end); ++y) visit(y);
}

/// Adds row_of(y) for those rows.
template <class RowOf>
void add_rows_between(RealHalfPixels top, RealHalfPixels bottom, const Origin& origin, RowOf row_of,
                      SpanSink& sink) {
    for_each_row_between(top, bottom, origin, sink.clip(), [&](std::int64_t y) { row_of(y).give(y, sink); });
}

/// Adds the pixels at most `radius` from a centre.
inline void add_disc_about(HalfPixelVector centre, RealHalfPixels radius, const Origin& origin,
                           SpanSink& sink) {
    const long double reach = radius.count + RealHalfPlanes::tolerance;
    const auto row_of = [&](std::int64_t y) {
        const long double down = origin.to_pixel(0, y).y - centre.y;
        if (std::abs(down) > reach) return RowRuns();
        const long double across = std::sqrt((reach - down) * (reach + down));
        return RowRuns(columns(centre.x - across, centre.x + across, origin));
    };
    const RealHalfPixels height{centre.y};
    add_rows_between(height - radius, height + radius, origin, row_of, sink);
}

} // namespace coldbrick::raster
