#include <coldbrick/polyline.hpp>

#include "geometry/shape_checks.hpp"

#include <coldbrick/line.hpp>

namespace coldbrick {

bool Polyline::contains(Point pixel) const {
    geometry::check(*this);
    for (std::size_t i = 0; i < points.size(); ++i) {
        const bool last = i + 1 == points.size();
        const Point next = last ? (closed ? points.front() : points[i]) : points[i + 1];
        if (Line{points[i], next}.contains(pixel)) return true;
    }
    return false;
}

} // namespace coldbrick
