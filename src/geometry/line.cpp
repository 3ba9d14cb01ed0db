#include <coldbrick/line.hpp>

#include "geometry/placement.hpp"
#include "geometry/shape_checks.hpp"

namespace coldbrick {

Line Line::moved(std::int64_t dx, std::int64_t dy) const {
    return {geometry::moved(from, dx, dy), geometry::moved(to, dx, dy)};
}

Line Line::placed(Anchor anchor, Point position) const {
    return geometry::placed_by_bounds(*this, anchor, position);
}

} // namespace coldbrick
