#include <coldbrick/regular_polygon.hpp>

#include "geometry/placement.hpp"
#include "geometry/shape_checks.hpp"

#include <cstddef>
#include <vector>

namespace coldbrick {

namespace {

/// A corner in a direction from the centre.
Point corner(Point centre, std::int32_t radius, Angle direction) {
    return geometry::rounded_about(centre, radius * direction.cosine(), radius * direction.sine());
}

void check_radius(std::int32_t radius) {
    base::check_range("polygon radius", radius, 0, base::last_coordinate);
}

void check_count(std::string_view name, int count) {
    base::check_range(name, count, 1, 1000000);
}

} // namespace

Polygon regular_polygon(Point centre, std::int32_t radius, int corners, Angle first) {
    check_radius(radius);
    check_count("number of corners", corners);
    first = first.without_turns();
    std::vector<Point> ring;
    ring.reserve(static_cast<std::size_t>(corners));
    for (int i = 0; i < corners; ++i)
        ring.push_back(corner(centre, radius, first + degrees(360) * i / corners));
    return Polygon(std::move(ring));
}

Polygon star(Point centre, std::int32_t tip_radius, std::int32_t notch_radius, int tips, Angle first) {
    check_radius(tip_radius);
    check_radius(notch_radius);
    check_count("number of tips", tips);
    first = first.without_turns();
    std::vector<Point> ring;
    ring.reserve(2 * static_cast<std::size_t>(tips));
    for (int i = 0; i < 2 * tips; ++i)
        ring.push_back(
            corner(centre, i % 2 == 0 ? tip_radius : notch_radius, first + degrees(360) * i / (2.0 * tips)));
    return Polygon(std::move(ring));
}

} // namespace coldbrick
