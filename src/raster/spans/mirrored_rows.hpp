/// @file
/// Sets of pixels that look the same from above and below, from left and right: circles, ellipses, boxes with
/// rounded corners.
#pragma once

#include "raster/spans/half_pixels.hpp"
#include "raster/spans/span_sink.hpp"

#include <algorithm>
#include <cstdint>

namespace coldbrick::raster {

/// What such a set is symmetric about: a point, or a box at whose corners a circle's quarters stand.
struct MirrorCore {
    HalfPixels left;
    HalfPixels top;
    HalfPixels right;
    HalfPixels bottom;
};

/// One row of the set: the pixels that lie hole < X <= outer beyond the core's sides, and those between the
/// sides if hole is below 0. None if outer is below 0.
struct MirroredRow {
    HalfPixels outer;
    HalfPixels hole;

    [[nodiscard]] bool empty() const { return outer.count < 0; }
    [[nodiscard]] bool is_whole() const { return hole.count < 0; }
};

/// A distance that no row has: of a row without pixels, or of a hole that is not there.
constexpr HalfPixels no_distance{-1};

/// A row's pixels, from left to right: one run, or two of the same length beside a hole. None if the length
/// is 0.
struct MirroredRuns {
    std::int64_t x;
    std::int64_t other_x; ///< x if there is one run
    std::int64_t length;
};

inline MirroredRuns runs_of(const MirrorCore& core, const MirroredRow& row) {
    if (row.empty()) return {0, 0, 0};
    // What is outer or hole away from a side is a pixel's centre.
    const std::int64_t x = (core.left - row.outer).pixel_at_or_before();
    if (row.is_whole()) return {x, x, (core.right + row.outer).pixel_at_or_before() + 1 - x};
    return {x, (core.right + row.hole).pixel_at_or_before() + 1, (row.outer - row.hole).pixel_at_or_before()};
}

/// The furthest that pixels may lie from the core's sides.
struct Reach {
    HalfPixels across;
    HalfPixels down;
};

/// A clip's outermost pixels.
struct OutermostShown {
    HalfPixels left;
    HalfPixels top;
    HalfPixels right;
    HalfPixels bottom;

    explicit OutermostShown(const base::Clip& clip)
        : left(HalfPixels::of_pixels(clip.left)), top(HalfPixels::of_pixels(clip.top)),
          right(HalfPixels::of_pixels(clip.right) - one_pixel),
          bottom(HalfPixels::of_pixels(clip.bottom) - one_pixel) {}
};

/// True if the clip shows all that lies within reach of the core.
inline bool shows_all(const base::Clip& clip, const MirrorCore& core, const Reach& reach) {
    const OutermostShown shown(clip);
    return core.left - reach.across >= shown.left && core.right + reach.across <= shown.right &&
           core.top - reach.down >= shown.top && core.bottom + reach.down <= shown.bottom;
}

/// Adds the same runs on each of the rows [y_begin, y_end), which lie in the clip.
inline void add_runs(std::int64_t y_begin, std::int64_t y_end, const MirroredRuns& runs, SpanSink& sink) {
    sink.add_rows(y_begin, y_end, runs.x, runs.x + runs.length);
    if (runs.other_x != runs.x) sink.add_rows(y_begin, y_end, runs.other_x, runs.other_x + runs.length);
}

/// Adds all rows, where the clip shows all.
template <class RowOf>
void add_whole_rows(const MirrorCore& core, const Reach& reach, RowOf row_of, SpanSink& sink) {
    for (HalfPixels distance{core.top.parity()}; distance <= reach.down; distance += one_pixel) {
        const MirroredRuns runs = runs_of(core, row_of(distance));
        if (runs.length <= 0) continue;
        if (distance.count == 0)
            add_runs(core.top.pixel_at_or_before() + 1, core.bottom.pixel_at_or_before(), runs, sink);
        sink.add_mirrored({static_cast<std::int32_t>((core.bottom + distance).pixel_at_or_before()),
                           static_cast<std::int32_t>((core.top - distance).pixel_at_or_before()),
                           static_cast<std::int32_t>(runs.x), static_cast<std::int32_t>(runs.other_x),
                           runs.length});
    }
}

/// The distances from..to; none if to < from.
struct Distances {
    HalfPixels from;
    HalfPixels to;

    [[nodiscard]] bool none() const { return to < from; }
    [[nodiscard]] bool has(HalfPixels distance) const { return from <= distance && distance <= to; }
};

/// How far from the core's sides the clip's outermost pixels lie: a row whose hole is as wide shows none.
inline HalfPixels furthest_shown(const MirrorCore& core, const base::Clip& clip) {
    const OutermostShown shown(clip);
    return std::max({HalfPixels{0}, core.left - shown.left, shown.right - core.right});
}

/// Adds the rows that the clip shows, within reach of the core. row_of(Y) tells the row at a distance from
/// the core's top or bottom, 0 for those between; it is asked once for the rows above and below, and with
/// growing distances.
/// @param first_shown the clip shows nothing of nearer rows
template <class RowOf>
void add_mirrored_rows(const MirrorCore& core, const Reach& reach, RowOf row_of, SpanSink& sink,
                       HalfPixels first_shown = {0}) {
    if (shows_all(sink.clip(), core, reach)) return add_whole_rows(core, reach, row_of, sink);
    const OutermostShown shown(sink.clip());
    const std::int64_t odd = core.top.parity();
    if (odd == 0 && first_shown.count == 0) {
        const std::int64_t top = std::max(core.top, shown.top).pixel_at_or_before();
        const std::int64_t bottom = std::min(core.bottom, shown.bottom).pixel_at_or_before();
        if (top <= bottom) add_runs(top, bottom + 1, runs_of(core, row_of(HalfPixels{0})), sink);
    }
    // What the clip shows of the rows below and of those above.
    const HalfPixels smallest =
        std::max(HalfPixels{2 - odd}, first_shown + HalfPixels{(first_shown.count ^ odd) & 1});
    const Distances below{std::max(smallest, shown.top - core.bottom),
                          std::min(reach.down, shown.bottom - core.bottom)};
    const Distances above{std::max(smallest, core.top - shown.bottom),
                          std::min(reach.down, core.top - shown.top)};
    if (below.none() && above.none()) return;
    const HalfPixels nearest = below.none()   ? above.from
                               : above.none() ? below.from
                                              : std::min(below.from, above.from);
    const HalfPixels furthest = below.none()   ? above.to
                                : above.none() ? below.to
                                               : std::max(below.to, above.to);
    for (HalfPixels distance = nearest; distance <= furthest; distance += one_pixel) {
        const bool shows_below = below.has(distance);
        const bool shows_above = above.has(distance);
        if (!shows_below && !shows_above) continue;
        const MirroredRuns runs = runs_of(core, row_of(distance));
        const std::int64_t y_below = (core.bottom + distance).pixel_at_or_before();
        const std::int64_t y_above = (core.top - distance).pixel_at_or_before();
        if (shows_below) add_runs(y_below, y_below + 1, runs, sink);
        if (shows_above) add_runs(y_above, y_above + 1, runs, sink);
    }
}

} // namespace coldbrick::raster
