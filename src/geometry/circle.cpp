#include <coldbrick/circle.hpp>

#include "geometry/checks.hpp"

namespace coldbrick {

Box Circle::bounds() const {
    check(*this);
    const std::int64_t reach = radius;
    return {centre.x - reach, centre.y - reach, 2 * reach + 1, 2 * reach + 1};
}

Circle Circle::moved(std::int64_t dx, std::int64_t dy) const {
    return {coldbrick::moved(centre, dx, dy), radius};
}

Circle Circle::placed(Anchor anchor, Point position) const {
    return placed_by_bounds(*this, anchor, position);
}

} // namespace coldbrick
