#include <coldbrick/box.hpp>

#include "geometry/placement.hpp"
#include "geometry/shape_checks.hpp"

#include <algorithm>
#include <utility>

namespace coldbrick {

Box Box::bounds() const {
    geometry::check(*this);
    return *this;
}

Box Box::inset(std::int64_t pixels) const {
    geometry::check(*this);
    constexpr std::int64_t most = base::furthest_box / 2;
    base::check_range("inset", pixels, -most, most);
    const auto shrink = [pixels](std::int64_t start, std::int64_t extent) {
        const bool vanishes = 2 * pixels >= extent;
        return vanishes ? std::pair{start + extent / 2, std::int64_t{0}}
                        : std::pair{start + pixels, extent - 2 * pixels};
    };
    const auto [left, new_width] = shrink(x, width);
    const auto [top, new_height] = shrink(y, height);
    return {left, top, new_width, new_height};
}

Box Box::intersection(const Box& other) const {
    geometry::check(*this);
    geometry::check(other);
    const std::int64_t left = std::max(x, other.x);
    const std::int64_t top = std::max(y, other.y);
    const std::int64_t right = std::min(end_x(), other.end_x());
    const std::int64_t bottom = std::min(end_y(), other.end_y());
    return {left, top, std::max<std::int64_t>(right - left, 0), std::max<std::int64_t>(bottom - top, 0)};
}

Box Box::united(const Box& other) const {
    geometry::check(*this);
    geometry::check(other);
    if (empty()) return other;
    if (other.empty()) return *this;
    const auto left = std::min(x, other.x);
    const auto top = std::min(y, other.y);
    return {left, top, std::max(end_x(), other.end_x()) - left, std::max(end_y(), other.end_y()) - top};
}

Point Box::at(Anchor anchor) const {
    geometry::check(*this);
    const geometry::Offset offset = geometry::offset_to_place(*this, anchor, {0, 0});
    return {geometry::coordinate("anchor x", -offset.dx), geometry::coordinate("anchor y", -offset.dy)};
}

Box Box::moved(std::int64_t dx, std::int64_t dy) const {
    geometry::check(*this);
    base::check_range("offset", dx, -base::furthest_box, base::furthest_box);
    base::check_range("offset", dy, -base::furthest_box, base::furthest_box);
    const Box result{x + dx, y + dy, width, height};
    geometry::check(result);
    return result;
}

Box Box::placed(Anchor anchor, Point position) const {
    return geometry::placed_by_bounds(*this, anchor, position);
}

} // namespace coldbrick
