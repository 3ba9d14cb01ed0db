#include <coldbrick/polygon.hpp>

#include "geometry/point_transforms.hpp"
#include "geometry/shape_checks.hpp"

#include <algorithm>
#include <utility>
#include <vector>

namespace coldbrick {

namespace {

template <class Change>
Polygon changed(Polygon polygon, Change change) {
    for (auto& ring : polygon.rings) ring = geometry::changed(std::move(ring), change);
    return polygon;
}

} // namespace

Box Polygon::bounds() const {
    geometry::check(*this);
    Box result;
    for (const auto& ring : rings) result = geometry::grown_to(result, ring);
    return result;
}

Polygon Polygon::moved(std::int64_t dx, std::int64_t dy) const {
    return changed(*this, geometry::move_by(dx, dy));
}

Polygon Polygon::turned(Angle by, Point about) const {
    return changed(*this, geometry::turn(by, about));
}

Polygon Polygon::scaled(double across, double down, Point about) const {
    return changed(*this, geometry::scale(across, down, about));
}

Polygon Polygon::mirrored(Mirror sides, Point about) const {
    return changed(*this, geometry::mirror(sides, about));
}

Polygon Polygon::placed(Anchor anchor, Point position) const {
    return geometry::placed_by_bounds(*this, anchor, position);
}

} // namespace coldbrick
