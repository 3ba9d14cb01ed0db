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

/// Calls visit(begin, end) for the columns of the row, left and right of its hole if it has one.
template <class Visit>
void for_each_run(const Core& core, const SymmetricRow& row, Visit visit) {
    if (row.outer < 0) return;
    // What is outer or hole away from a side is a pixel's centre, at an even number of half pixels.
    const std::int64_t begin = (core.left - row.outer) >> 1;
    const std::int64_t end = ((core.right + row.outer) >> 1) + 1;
    if (row.hole < 0) return visit(begin, end);
    visit(begin, (core.left - row.hole) >> 1);
    visit(((core.right + row.hole) >> 1) + 1, end);
}

/// The furthest that pixels may lie from the core's sides.
struct Reach {
    std::int64_t across;
    std::int64_t down;
};

/// The distances from..to, rows with two half pixels between them; none if to < from.
struct Distances {
    std::int64_t from;
    std::int64_t to;

    [[nodiscard]] bool none() const { return to < from; }
    [[nodiscard]] bool has(std::int64_t distance) const { return from <= distance && distance <= to; }
};

/// Adds the rows that the clip shows, within reach of the core. row_of(Y) tells the row at a distance from
/// the core's top or bottom, 0 for those between; it is asked once for the rows above and below, and with
/// growing distances.
template <class RowOf>
void add_symmetric_rows(const Core& core, const Reach& reach, RowOf row_of, SpanSink& sink) {
    const Clip& clip = sink.clip();
    const std::int64_t first = 2 * clip.top;
    const std::int64_t last = 2 * clip.bottom - 2;
    const std::int64_t odd = core.top & 1;
    if (odd == 0) {
        const std::int64_t top = std::max(core.top, first) >> 1;
        const std::int64_t bottom = std::min(core.bottom, last) >> 1;
        if (top <= bottom)
            for_each_run(core, row_of(std::int64_t{0}), [&](std::int64_t begin, std::int64_t end) {
                sink.add_rows(top, bottom + 1, begin, end);
            });
    }
    const auto below = [&core](std::int64_t distance) {
        return static_cast<std::int32_t>((core.bottom + distance) >> 1);
    };
    const auto above = [&core](std::int64_t distance) {
        return static_cast<std::int32_t>((core.top - distance) >> 1);
    };
    // What the clip shows of the rows below and of those above.
    const std::int64_t smallest = 2 - odd;
    const Distances rows_below{std::max(smallest, first - core.bottom),
                               std::min(reach.down, last - core.bottom)};
    const Distances rows_above{std::max(smallest, core.top - last), std::min(reach.down, core.top - first)};
    const bool shows_all = rows_below.from == smallest && rows_below.to == reach.down &&
                           rows_above.from == smallest && rows_above.to == reach.down &&
                           core.left - reach.across >= 2 * clip.left &&
                           core.right + reach.across <= 2 * clip.right - 2;
    if (shows_all) {
        for (std::int64_t distance = smallest; distance <= reach.down; distance += 2)
            for_each_run(core, row_of(distance), [&](std::int64_t run_begin, std::int64_t end) {
                const auto begin = static_cast<std::int32_t>(run_begin);
                if (begin < end)
                    sink.add_visible({below(distance), begin, end}, {above(distance), begin, end});
            });
        return;
    }
    if (rows_below.none() && rows_above.none()) return;
    const std::int64_t nearest = rows_below.none()   ? rows_above.from
                                 : rows_above.none() ? rows_below.from
                                                     : std::min(rows_below.from, rows_above.from);
    const std::int64_t furthest = rows_below.none()   ? rows_above.to
                                  : rows_above.none() ? rows_below.to
                                                      : std::max(rows_below.to, rows_above.to);
    for (std::int64_t distance = nearest; distance <= furthest; distance += 2) {
        const bool shows_below = rows_below.has(distance);
        const bool shows_above = rows_above.has(distance);
        if (!shows_below && !shows_above) continue;
        for_each_run(core, row_of(distance), [&](std::int64_t begin, std::int64_t end) {
            if (shows_below) sink.add(below(distance), begin, end);
            if (shows_above) sink.add(above(distance), begin, end);
        });
    }
}

} // namespace coldbrick::raster
