#include <coldbrick/ellipse.hpp>

#include "base/limits.hpp"
#include "base/range_checks.hpp"

namespace coldbrick {

Ellipse Ellipse::about(Point centre, std::int32_t horizontal_radius, std::int32_t vertical_radius,
                       Angle turn) {
    base::check_range("ellipse radius", horizontal_radius, 0, base::last_coordinate);
    base::check_range("ellipse radius", vertical_radius, 0, base::last_coordinate);
    const std::int64_t across = horizontal_radius;
    const std::int64_t down = vertical_radius;
    return {{centre.x - across, centre.y - down, 2 * across + 1, 2 * down + 1}, turn};
}

Ellipse Ellipse::moved(std::int64_t dx, std::int64_t dy) const {
    return {box.moved(dx, dy), turn};
}

} // namespace coldbrick
