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

/// Adds the rows that the clip shows, up to `reach` from the core. row_of(Y) tells the row at a distance from
/// the core's top or bottom, 0 for those between; it is asked once for the rows above and below, and with
/// growing distances.
template <class RowOf>
void add_symmetric_rows(const Core& core, std::int64_t reach, RowOf row_of, SpanSink& sink) {
    const std::int64_t first = 2 * sink.clip().top;
    const std::int64_t last = 2 * sink.clip().bottom - 2;
    const auto add = [&](std::int64_t y, const SymmetricRow& row) {
        if (row.outer < 0) return;
        // What is outer or hole away from a side is a pixel's centre, at an even number of half pixels.
        const auto at = static_cast<std::int32_t>(y >> 1);
        const std::int64_t begin = (core.left - row.outer) >> 1;
        const std::int64_t end = ((core.right + row.outer) >> 1) + 1;
        if (row.hole < 0) return sink.add(at, begin, end);
        sink.add(at, begin, (core.left - row.hole) >> 1);
        sink.add(at, ((core.right + row.hole) >> 1) + 1, end);
    };
    const std::int64_t odd = core.top & 1;
    if (odd == 0) {
        const std::int64_t top = std::max(core.top, first);
        const std::int64_t bottom = std::min(core.bottom, last);
        if (top <= bottom) {
            const SymmetricRow row = row_of(std::int64_t{0});
            for (std::int64_t y = top; y <= bottom; y += 2) add(y, row);
        }
    }
    // What the clip shows of the rows below and of those above; where it shows none, the range is empty.
    const std::int64_t smallest = 2 - odd;
    const std::int64_t below_from = std::max(smallest, first - core.bottom);
    const std::int64_t below_to = std::min(reach, last - core.bottom);
    const std::int64_t above_from = std::max(smallest, core.top - last);
    const std::int64_t above_to = std::min(reach, core.top - first);
    const bool any_below = below_from <= below_to;
    const bool any_above = above_from <= above_to;
    if (!any_below && !any_above) return;
    const std::int64_t nearest = !any_below   ? above_from
                                 : !any_above ? below_from
                                              : std::min(below_from, above_from);
    const std::int64_t furthest = !any_below   ? above_to
                                  : !any_above ? below_to
                                               : std::max(below_to, above_to);
    for (std::int64_t distance = nearest; distance <= furthest; distance += 2) {
        const bool shows_below = distance >= below_from && distance <= below_to;
        const bool shows_above = distance >= above_from && distance <= above_to;
        if (!shows_below && !shows_above) continue;
        const SymmetricRow row = row_of(distance);
        if (shows_below) add(core.bottom + distance, row);
        if (shows_above) add(core.top - distance, row);
    }
}

} // namespace coldbrick::raster
