#include <coldbrick/polyline.hpp>

#include "geometry/point_transforms.hpp"
#include "geometry/shape_checks.hpp"

#include <algorithm>
#include <utility>
#include <vector>

namespace coldbrick {

namespace {

template <class Change>
Polyline changed(Polyline polyline, Change change) {
    polyline.points = geometry::changed(std::move(polyline.points), change);
    return polyline;
}

} // namespace

Box Polyline::bounds() const {
    geometry::check(*this);
    return geometry::grown_to({}, points);
}

Polyline Polyline::moved(std::int64_t dx, std::int64_t dy) const {
    return changed(*this, geometry::move_by(dx, dy));
}

Polyline Polyline::turned(Angle by, Point about) const {
    return changed(*this, geometry::turn(by, about));
}

Polyline Polyline::scaled(double across, double down, Point about) const {
    return changed(*this, geometry::scale(across, down, about));
}

Polyline Polyline::mirrored(Mirror sides, Point about) const {
    return changed(*this, geometry::mirror(sides, about));
}

Polyline Polyline::placed(Anchor anchor, Point position) const {
    return geometry::placed_by_bounds(*this, anchor, position);
}

} // namespace coldbrick
