#include <coldbrick/circle.hpp>

#include "geometry/checks.hpp"

namespace coldbrick {

Box Circle::bounds() const {
    check(*this);
    return bounds_of_checked(*this);
}

Circle Circle::moved(std::int64_t dx, std::int64_t dy) const {
    return {coldbrick::moved(centre, dx, dy), radius};
}

Circle Circle::placed(Anchor anchor, Point position) const {
    return placed_by_bounds(*this, anchor, position);
}

} // namespace coldbrick
