#include <coldbrick/dots.hpp>

#include "geometry/point_transforms.hpp"
#include "geometry/shape_checks.hpp"

#include <algorithm>
#include <utility>
#include <vector>

namespace coldbrick {

Box Dots::bounds() const {
    return points.empty() ? Box{} : geometry::grown_to({}, points);
}

bool Dots::contains(Point pixel) const {
    return std::ranges::find(points, pixel) != points.end();
}

Dots Dots::moved(std::int64_t dx, std::int64_t dy) const {
    return {geometry::changed(points, geometry::move_by(dx, dy))};
}

Dots Dots::placed(Anchor anchor, Point position) const {
    return geometry::placed_by_bounds(*this, anchor, position);
}

} // namespace coldbrick
