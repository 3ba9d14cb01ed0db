/// @file
/// The straight lines of contours, one after the other.
#pragma once

#include "raster/path/curve.hpp"
#include "raster/path/flattening.hpp"

#include <optional>
#include <span>

namespace coldbrick::raster {

/// One of the straight lines that stand for a contour.
struct FlatLine {
    SubPoint from;
    SubPoint to;
    double from_position; ///< along the contour, in sub-pixels
    double to_position;
    bool begins_contour;
    bool ends_curve; ///< `to` is one of the contour's own positions
};

/// Calls visit(line) for the lines of contours, hidden ones included.
/// @param measured whether positions are asked for
template <class Visit>
void for_each_line(std::span<const CurveContour> contours, const Flattening& flattening, bool measured,
                   Visit visit) {
    for (const CurveContour& contour : contours) {
        double begin = 0;
        bool first = true;
        for (const Curve& curve : contour.curves) {
            std::optional<CurveLength> length;
            if (measured) length.emplace(curve);
            FlatLine line{curve.from(), {}, begin, begin, first, false};
            flattening.flatten(curve, 0, 1, [&](SubPoint to, double t) {
                line.to = to;
                line.ends_curve = t >= 1;
                if (length) line.to_position = begin + length->up_to(t);
                visit(line);
                line = {to, {}, line.to_position, line.to_position, false, false};
            });
            if (length) begin += length->whole();
            first = false;
        }
    }
}

} // namespace coldbrick::raster
