#include "geometry/checks.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <limits>

namespace coldbrick {

namespace {

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

void throw_out_of_range(std::string_view name, std::int64_t value, std::int64_t low, std::int64_t high) {
    throw ArgumentError(fmt::format("{} {} is outside {}..{}", name, value, low, high));
}

void throw_not_finite(std::string_view name, double value) {
    throw ArgumentError(fmt::format("{} {} is not a finite number", name, value));
}

std::int32_t coordinate(std::string_view name, std::int64_t value) {
    check_range(name, value, std::numeric_limits<std::int32_t>::min(),
                std::numeric_limits<std::int32_t>::max());
    return static_cast<std::int32_t>(value);
}

Point moved(Point point, std::int64_t dx, std::int64_t dy) {
    // An offset this large leaves the coordinates whatever it starts from, and the sum cannot overflow.
    constexpr std::int64_t reach = std::int64_t{1} << 32;
    check_range("offset", dx, -reach, reach);
    check_range("offset", dy, -reach, reach);
    return {coordinate("moved x", point.x + dx), coordinate("moved y", point.y + dy)};
}

Point rounded_about(Point point, double dx, double dy) {
    // What lies this far away leaves the coordinates from anywhere.
    constexpr double reach = 0x1p33;
    const auto offset = [reach](double distance) {
        return static_cast<std::int64_t>(std::round(std::clamp(distance, -reach, reach)));
    };
    return {coordinate("rounded x", point.x + offset(dx)), coordinate("rounded y", point.y + offset(dy))};
}

Offset offset_to_place(const Box& bounds, Anchor anchor, Point position) {
    check_choice("anchor", anchor, Anchor::bottom_right);
    return {position.x - anchor_x(bounds, anchor), position.y - anchor_y(bounds, anchor)};
}

} // namespace coldbrick
