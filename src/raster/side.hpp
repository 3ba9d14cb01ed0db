/// @file
/// Straight lines between places that need not be pixels.
#pragma once

#include "raster/convex_area.hpp"
#include "raster/dash_pattern.hpp"
#include "raster/span_sink.hpp"

#include <algorithm>
#include <cstdint>

namespace coldbrick::raster {

/// A straight line, in half pixels from an origin.
struct Side {
    Vector from;
    Vector to;

    [[nodiscard]] long double length() const { return (to - from).length(); }
    [[nodiscard]] Vector direction() const { return 1 / length() * (to - from); }
};

/// The part of a side that the pixels of a clip lie beside, or else its end that is nearer to them.
inline Stretch beside(const Side& side, const Clip& clip, const Origin& origin) {
    const Vector along = side.direction();
    const long double length = side.length();
    Stretch result{length, 0};
    for (const std::int64_t x : {clip.left, clip.right})
        for (const std::int64_t y : {clip.top, clip.bottom}) {
            const Vector corner{static_cast<long double>(2 * x - origin.x),
                                static_cast<long double>(2 * y - origin.y)};
            const long double at = std::clamp(dot(corner - side.from, along), 0.0L, length);
            result = {std::min(result.from, at), std::max(result.to, at)};
        }
    return result;
}

/// Calls visit(y) for those rows from top to bottom, in half pixels from the origin, that a clip shows.
template <class Visit>
void for_each_row_between(long double top, long double bottom, const Origin& origin, const Clip& clip,
                          Visit visit) {
    const auto shift = static_cast<long double>(origin.y);
    const auto first_shown = static_cast<long double>(clip.top);
    const auto end_shown = static_cast<long double>(clip.bottom);
    const auto first = std::clamp(std::floor((shift + top) / 2) - 1, first_shown, end_shown);
    const auto end = std::clamp(std::ceil((shift + bottom) / 2) + 2, first_shown, end_shown);
    for (auto y = static_cast<std::int64_t>(first); y < static_cast<std::int64_t>(end); ++y) visit(y);
}

/// Adds those rows from top to bottom, in half pixels from the origin, that the clip shows.
template <class RowOf>
void add_rows_between(long double top, long double bottom, const Origin& origin, RowOf row_of,
                      SpanSink& sink) {
    for_each_row_between(top, bottom, origin, sink.clip(), [&](std::int64_t y) { row_of(y).give(y, sink); });
}

/// Adds the pixels at most `radius` half pixels from a centre.
inline void add_disc_about(Vector centre, long double radius, const Origin& origin, SpanSink& sink) {
    const long double reach = radius + ConvexArea::tolerance;
    const auto row_of = [&](std::int64_t y) {
        const long double down = static_cast<long double>(2 * y - origin.y) - centre.y;
        if (std::abs(down) > reach) return Runs();
        const long double across = std::sqrt((reach - down) * (reach + down));
        return Runs(columns(centre.x - across, centre.x + across, origin));
    };
    add_rows_between(centre.y - radius, centre.y + radius, origin, row_of, sink);
}

} // namespace coldbrick::raster
