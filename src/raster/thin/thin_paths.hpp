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
#include <optional>
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

inline long double length_of(const Line& line) {
    return std::hypot(static_cast<long double>(std::int64_t{line.to.x} - line.from.x),
                      static_cast<long double>(std::int64_t{line.to.y} - line.from.y));
}

/// The points without those that repeat their neighbour.
inline std::vector<Point> distinct(std::span<const Point> points, bool closed) {
    std::vector<Point> result;
    result.reserve(points.size());
    std::ranges::unique_copy(points, std::back_inserter(result));
    while (closed && result.size() > 1 && result.back() == result.front()) result.pop_back();
    return result;
}

/// Calls visit(steps) for what the clip shows of each line of a path; lines may share pixels.
template <class Visit>
void for_each_solid_line(std::span<const Point> points, bool closed, const base::Clip& clip,
                         const Visit& visit) {
    for_each_line(points, closed, [&](Point from, Point to) {
        const ThinLineSteps steps(Line{from, to}, clip);
        if (steps.count > 0) visit(steps);
    });
}

/// Calls visit(line, parts) for the steps of each whole line of a dashed path that are on and that the clip
/// shows. Lines that LineDashes does not take are left to visit_long(line, begins).
/// @param points none of them like the one before, nor, of a closed path, the last like the first, unless
/// there is only one
template <class Visit, class VisitLong>
void for_each_dashed_line(std::span<const Point> points, bool closed, const DashPattern& dashes,
                          const base::Clip& clip, const Visit& visit, const VisitLong& visit_long) {
    long double begins = 0;
    std::optional<Line> before;
    for_each_line(points, closed, [&](Point from, Point to) {
        if (before) begins += length_of(*before);
        const Line& line = before.emplace(Line{from, to});
        if (LineDashes::takes(dashes, line, begins))
            LineDashes(line, begins).visit_parts(dashes, clip, visit);
        else
            visit_long(line, begins);
    });
}

/// True only if LineDashes takes all lines of the path.
inline bool takes_all(std::span<const Point> points, bool closed, const DashPattern& dashes) {
    bool takes = true;
    double length = 0; // at least the path's
    for_each_line(points, closed, [&](Point from, Point to) {
        takes = takes && LineDashes::takes(dashes, {from, to}, length);
        length += std::abs(static_cast<double>(to.x) - from.x) + std::abs(static_cast<double>(to.y) - from.y);
    });
    return takes;
}

/// The same of a path with any points, dashed or not: visit(steps) or visit(line, parts). False, without a
/// call, if LineDashes does not take all lines.
template <class Visit>
bool visit_thin_path(std::span<const Point> points, bool closed, const Pen& pen, const base::Clip& clip,
                     const Visit& visit) {
    if (!pen.dashed()) {
        for_each_solid_line(points, closed, clip, visit);
        return true;
    }
    const DashPattern dashes(pen.dashes, pen.dash_offset);
    if (!takes_all(points, closed, dashes)) return false;
    const auto visit_all = [&](std::span<const Point> path) {
        for_each_dashed_line(path, closed, dashes, clip, visit, [](const Line&, long double) {});
    };
    if (points.size() > 2) // the ends of a line need not differ
        visit_all(distinct(points, closed));
    else
        visit_all(points);
    return true;
}

} // namespace coldbrick::raster
