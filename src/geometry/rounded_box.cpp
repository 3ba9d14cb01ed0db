#include <coldbrick/rounded_box.hpp>

#include "geometry/checks.hpp"

#include <limits>

namespace coldbrick {

void check(const RoundedBox& rounded) {
    check(rounded.box);
    constexpr std::int64_t largest = std::int64_t{1} << 60;
    check_range("rounded box width", rounded.box.width, 0, largest);
    check_range("rounded box height", rounded.box.height, 0, largest);
    check_range("corner radius", rounded.radius, 0, std::numeric_limits<std::int32_t>::max());
}

Box RoundedBox::bounds() const {
    check(*this);
    return box;
}

RoundedBox RoundedBox::moved(std::int64_t dx, std::int64_t dy) const {
    return {box.moved(dx, dy), radius};
}

RoundedBox RoundedBox::placed(Anchor anchor, Point position) const {
    return placed_by_bounds(*this, anchor, position);
}

} // namespace coldbrick
