/// @file
/// Sets of pixels that look the same from above and below, from left and right: circles, ellipses, boxes with
/// rounded corners.
#pragma once

#include "raster/span_sink.hpp"

#include <algorithm>
#include <cstdint>

namespace coldbrick::raster {

// Positions are counted in half pixels, so that the centre of any box of pixels is an integer.

/// What such a set is symmetric about: a point, or a box at whose corners a circle's quarters stand.
struct Core {
    std::int64_t left;
    std::int64_t top;
    std::int64_t right;
    std::int64_t bottom;
};

/// One row of the set: the pixels that lie hole < X <= outer beyond the core's sides, and those between the
/// sides if hole is below 0. None if outer is below 0.
struct SymmetricRow {
    std::int64_t outer;
    std::int64_t hole;
};

/// A row's runs of pixels, from left to right: one, or two of the same length beside a hole. None if the
/// length is 0.
struct RowRuns {
    std::int64_t x;
    std::int64_t other_x; ///< x if there is one run
    std::int64_t length;
};

inline RowRuns runs_of(const Core& core, const SymmetricRow& row) {
    if (row.outer < 0) return {0, 0, 0};
    // What is outer or hole away from a side is a pixel's centre, at an even number of half pixels.
    const std::int64_t x = (core.left - row.outer) >> 1;
    if (row.hole < 0) return {x, x, ((core.right + row.outer) >> 1) + 1 - x};
    return {x, ((core.right + row.hole) >> 1) + 1, (row.outer - row.hole) >> 1};
}

/// The furthest that pixels may lie from the core's sides.
struct Reach {
    std::int64_t across;
    std::int64_t down;
};

/// True if the clip shows all that lies within reach of the core.
inline bool shows_all(const Clip& clip, const Core& core, const Reach& reach) {
    return core.left - reach.across >= 2 * clip.left && core.right + reach.across <= 2 * clip.right - 2 &&
           core.top - reach.down >= 2 * clip.top && core.bottom + reach.down <= 2 * clip.bottom - 2;
}

/// Adds the same runs on each of the rows [y_begin, y_end), which lie in the clip.
inline void add_runs(std::int64_t y_begin, std::int64_t y_end, const RowRuns& runs, SpanSink& sink) {
    sink.add_rows(y_begin, y_end, runs.x, runs.x + runs.length);
    if (runs.other_x != runs.x) sink.add_rows(y_begin, y_end, runs.other_x, runs.other_x + runs.length);
}

/// Adds all rows, where the clip shows all.
template <class RowOf>
void add_whole_rows(const Core& core, const Reach& reach, RowOf row_of, SpanSink& sink) {
    const std::int64_t odd = core.top & 1;
    for (std::int64_t distance = odd; distance <= reach.down; distance += 2) {
        const RowRuns runs = runs_of(core, row_of(distance));
        if (runs.length <= 0) continue;
        if (distance == 0) add_runs((core.top >> 1) + 1, core.bottom >> 1, runs, sink);
        sink.add_mirrored({static_cast<std::int32_t>((core.bottom + distance) >> 1),
                           static_cast<std::int32_t>((core.top - distance) >> 1),
                           static_cast<std::int32_t>(runs.x), static_cast<std::int32_t>(runs.other_x),
                           runs.length});
    }
}

/// The distances from..to; none if to < from.
struct Distances {
    std::int64_t from;
    std::int64_t to;

    [[nodiscard]] bool none() const { return to < from; }
    [[nodiscard]] bool has(std::int64_t distance) const { return from <= distance && distance <= to; }
};

/// How far from the core's sides the clip's outermost pixels lie: a row whose hole is as wide shows none.
inline std::int64_t furthest_shown(const Core& core, const Clip& clip) {
    return std::max({std::int64_t{0}, core.left - 2 * clip.left, 2 * clip.right - 2 - core.right});
}

/// Adds the rows that the clip shows, within reach of the core. row_of(Y) tells the row at a distance from
/// the core's top or bottom, 0 for those between; it is asked once for the rows above and below, and with
/// growing distances.
/// @param first_shown the clip shows nothing of nearer rows
template <class RowOf>
void add_symmetric_rows(const Core& core, const Reach& reach, RowOf row_of, SpanSink& sink,
                        std::int64_t first_shown = 0) {
    if (shows_all(sink.clip(), core, reach)) return add_whole_rows(core, reach, row_of, sink);
    const std::int64_t first = 2 * sink.clip().top;
    const std::int64_t last = 2 * sink.clip().bottom - 2;
    const std::int64_t odd = core.top & 1;
    if (odd == 0 && first_shown == 0) {
        const std::int64_t top = std::max(core.top, first) >> 1;
        const std::int64_t bottom = std::min(core.bottom, last) >> 1;
        if (top <= bottom) add_runs(top, bottom + 1, runs_of(core, row_of(std::int64_t{0})), sink);
    }
    // What the clip shows of the rows below and of those above.
    const std::int64_t smallest = std::max(2 - odd, first_shown + ((first_shown ^ odd) & 1));
    const Distances below{std::max(smallest, first - core.bottom), std::min(reach.down, last - core.bottom)};
    const Distances above{std::max(smallest, core.top - last), std::min(reach.down, core.top - first)};
    if (below.none() && above.none()) return;
    const std::int64_t nearest = below.none()   ? above.from
                                 : above.none() ? below.from
                                                : std::min(below.from, above.from);
    const std::int64_t furthest = below.none()   ? above.to
                                  : above.none() ? below.to
                                                 : std::max(below.to, above.to);
    for (std::int64_t distance = nearest; distance <= furthest; distance += 2) {
        const bool shows_below = below.has(distance);
        const bool shows_above = above.has(distance);
        if (!shows_below && !shows_above) continue;
        const RowRuns runs = runs_of(core, row_of(distance));
        const std::int64_t y_below = (core.bottom + distance) >> 1;
        const std::int64_t y_above = (core.top - distance) >> 1;
        if (shows_below) add_runs(y_below, y_below + 1, runs, sink);
        if (shows_above) add_runs(y_above, y_above + 1, runs, sink);
    }
}

} // namespace coldbrick::raster
