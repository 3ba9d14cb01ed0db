#include <coldbrick/circle.hpp>

#include "geometry/loose_bounds.hpp"
#include "geometry/placement.hpp"
#include "geometry/shape_checks.hpp"

namespace coldbrick {

Box Circle::bounds() const {
    geometry::check(*this);
    return geometry::bounds_of_checked(*this);
}

Circle Circle::moved(std::int64_t dx, std::int64_t dy) const {
    return {geometry::moved(centre, dx, dy), radius};
}

Circle Circle::placed(Anchor anchor, Point position) const {
    return geometry::placed_by_bounds(*this, anchor, position);
}

} // namespace coldbrick
