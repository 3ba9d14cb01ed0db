#include "geometry/placement.hpp"

#include "base/limits.hpp"
#include "base/range_checks.hpp"

#include <algorithm>
#include <cmath>

namespace coldbrick::geometry {

namespace {

static_assert(static_cast<int>(Anchor::top_right) == 2 && static_cast<int>(Anchor::left) == 3 &&
                  static_cast<int>(Anchor::bottom_right) == 8,
              "anchors are in rows of three, from the top left");

/// The position of anchor `column` (0 left, 1 middle, 2 right) within an extent; the same for rows.
std::int64_t along(std::int64_t start, std::int64_t extent, int column) {
    const std::int64_t last = std::max<std::int64_t>(extent, 1) - 1;
    return start + (column == 0 ? 0 : column == 1 ? last / 2 : last);
}

std::int64_t anchor_x(const Box& box, Anchor anchor) {
    return along(box.x, box.width, static_cast<int>(anchor) % 3);
}

std::int64_t anchor_y(const Box& box, Anchor anchor) {
    return along(box.y, box.height, static_cast<int>(anchor) / 3);
}

} // namespace

std::int32_t coordinate(std::string_view name, std::int64_t value) {
    base::check_range(name, value, base::first_coordinate, base::last_coordinate);
    return static_cast<std::int32_t>(value);
}

Point moved(Point point, std::int64_t dx, std::int64_t dy) {
    // An offset this large leaves the coordinates whatever it starts from, and the sum cannot overflow.
    base::check_range("offset", dx, -base::coordinates, base::coordinates);
    base::check_range("offset", dy, -base::coordinates, base::coordinates);
    return {coordinate("moved x", point.x + dx), coordinate("moved y", point.y + dy)};
}

Point rounded_about(Point point, double dx, double dy) {
    // What lies this far away leaves the coordinates from anywhere.
    constexpr auto reach = static_cast<double>(2 * base::coordinates);
    const auto offset = [reach](double distance) {
        return static_cast<std::int64_t>(std::round(std::clamp(distance, -reach, reach)));
    };
    return {coordinate("rounded x", point.x + offset(dx)), coordinate("rounded y", point.y + offset(dy))};
}

Offset offset_to_place(const Box& bounds, Anchor anchor, Point position) {
    base::check_choice("anchor", anchor, Anchor::bottom_right);
    return {position.x - anchor_x(bounds, anchor), position.y - anchor_y(bounds, anchor)};
}

} // namespace coldbrick::geometry
