/// @file
/// Paths of lines of width 1.
#pragma once

#include "raster/stroke/pen.hpp"
#include "raster/thin/thin_dashes.hpp"

#include <coldbrick/point.hpp>

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <iterator>
#include <span>
#include <vector>

namespace coldbrick::raster {

/// Calls visit(from, to) for each line; for a single point, from it to itself.
template <class Visit>
void for_each_line(std::span<const Point> points, bool closed, const Visit& visit) {
    if (points.size() == 1) visit(points[0], points[0]);
    for (std::size_t i = 1; i < points.size(); ++i) visit(points[i - 1], points[i]);
    if (closed && points.size() > 1) visit(points.back(), points.front());
}

/// The points without those that repeat their neighbour.
inline std::vector<Point> distinct(std::span<const Point> points, bool closed) {
    std::vector<Point> result;
    result.reserve(points.size());
    std::ranges::unique_copy(points, std::back_inserter(result));
    while (closed && result.size() > 1 && result.back() == result.front()) result.pop_back();
    return result;
}

/// Calls visit(steps) for all parts of a path that the clip shows; they may share pixels. Dashed lines that
/// are too long for LineDashes are left to visit_long(line, dashes, begins).
/// @param points none of them like the one before, nor, of a closed path, the last like the first, unless
/// there is only one
template <class Visit, class VisitLong>
void for_each_thin_line(std::span<const Point> points, bool closed, const Pen& pen, const base::Clip& clip,
                        const Visit& visit, const VisitLong& visit_long) {
    long double begins = 0;
    const DashPattern dashes(pen.dashes, pen.dash_offset);
    for_each_line(points, closed, [&](Point from, Point to) {
        const Line line{from, to};
        if (!pen.dashed()) {
            const ThinLineSteps steps(line, clip);
            if (steps.count > 0) visit(steps);
            return;
        }
        if (LineDashes::takes(line))
            LineDashes(line, begins).for_each(dashes, clip, visit);
        else
            visit_long(line, dashes, begins);
        begins += std::hypot(static_cast<long double>(std::int64_t{to.x} - from.x),
                             static_cast<long double>(std::int64_t{to.y} - from.y));
    });
}

/// The same of a path with any points. False, without a call, if lines are too long for LineDashes.
template <class Visit>
bool visit_thin_path(std::span<const Point> points, bool closed, const Pen& pen, const base::Clip& clip,
                     const Visit& visit) {
    bool takes_all = true;
    if (pen.dashed())
        for_each_line(points, closed, [&](Point from, Point to) {
            takes_all = takes_all && LineDashes::takes({from, to});
        });
    if (!takes_all) return false;
    for_each_thin_line(distinct(points, closed), closed, pen, clip, visit,
                       [](const Line&, const DashPattern&, long double) {});
    return true;
}

} // namespace coldbrick::raster
