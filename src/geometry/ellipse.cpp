#include <coldbrick/ellipse.hpp>

#include "geometry/checks.hpp"

#include <limits>

namespace coldbrick {

Ellipse Ellipse::about(Point centre, std::int32_t horizontal_radius, std::int32_t vertical_radius,
                       Angle turn) {
    check_range("ellipse radius", horizontal_radius, 0, std::numeric_limits<std::int32_t>::max());
    check_range("ellipse radius", vertical_radius, 0, std::numeric_limits<std::int32_t>::max());
    const std::int64_t across = horizontal_radius;
    const std::int64_t down = vertical_radius;
    return {{centre.x - across, centre.y - down, 2 * across + 1, 2 * down + 1}, turn};
}

Ellipse Ellipse::moved(std::int64_t dx, std::int64_t dy) const {
    return {box.moved(dx, dy), turn};
}

Ellipse Ellipse::placed(Anchor anchor, Point position) const {
    return placed_by_bounds(*this, anchor, position);
}

} // namespace coldbrick
