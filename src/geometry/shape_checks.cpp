#include "geometry/shape_checks.hpp"

#include "geometry/path_line_count.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

namespace coldbrick::geometry {

void throw_out_of_range(const Box& box) {
    base::check_range("box x", box.x, -base::furthest_box, base::furthest_box);
    base::check_range("box y", box.y, -base::furthest_box, base::furthest_box);
    base::check_range("box width", box.width, 0, base::furthest_box);
    base::throw_out_of_range("box height", box.height, 0, base::furthest_box);
}

void check(const RoundedBox& rounded) {
    check(rounded.box);
    base::check_range("rounded box width", rounded.box.width, 0, base::largest_rounded_box);
    base::check_range("rounded box height", rounded.box.height, 0, base::largest_rounded_box);
    base::check_range("corner radius", rounded.radius, 0, base::last_coordinate);
}

void check(const Polyline& polyline) {
    if (polyline.points.empty()) throw ArgumentError("a polyline needs at least 1 point");
}

void check(const Polygon& polygon) {
    if (polygon.rings.empty()) throw ArgumentError("a polygon needs at least 1 ring");
    for (std::size_t i = 0; i < polygon.rings.size(); ++i)
        if (polygon.rings[i].empty())
            throw ArgumentError(fmt::format("ring {} of a polygon needs at least 1 vertex", i));
}

void check(const Path& path) {
    const std::size_t most = path.most_lines();
    if (most < Path::any_number_of_lines && line_count(path, most) > most)
        throw ArgumentError(fmt::format("a path comes to more than {} straight lines, its limit", most));
}

} // namespace coldbrick::geometry
