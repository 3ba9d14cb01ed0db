#include "geometry/loose_bounds.hpp"

#include <algorithm>

namespace coldbrick::geometry {

Box bounds_of_any_turn(const Ellipse& ellipse) {
    if (ellipse.box.empty()) return ellipse.box;
    const std::int64_t reach = std::max(ellipse.box.width, ellipse.box.height) / 2 + 2;
    const std::int64_t x = ellipse.box.x + ellipse.box.width / 2;
    const std::int64_t y = ellipse.box.y + ellipse.box.height / 2;
    return {x - reach, y - reach, 2 * reach, 2 * reach};
}

} // namespace coldbrick::geometry
