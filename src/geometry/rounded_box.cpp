#include <coldbrick/rounded_box.hpp>

#include "geometry/placement.hpp"
#include "geometry/shape_checks.hpp"

namespace coldbrick {

Box RoundedBox::bounds() const {
    geometry::check(*this);
    return box;
}

RoundedBox RoundedBox::moved(std::int64_t dx, std::int64_t dy) const {
    return {box.moved(dx, dy), radius};
}

RoundedBox RoundedBox::placed(Anchor anchor, Point position) const {
    return geometry::placed_by_bounds(*this, anchor, position);
}

} // namespace coldbrick
