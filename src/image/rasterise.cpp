#include "image/rasterise.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <algorithm>

namespace coldbrick {

void check(const Dashes& dashes) {
    check_finite("dash offset", dashes.offset);
    double sum = 0;
    for (const double length : dashes.lengths) {
        check_finite("dash length", length);
        if (length < 0) throw ArgumentError(fmt::format("dash length {} is below 0", length));
        sum += length;
    }
    if (!(sum >= smallest_dash_sum))
        throw ArgumentError(
            fmt::format("dash lengths that add up to {} are below {}", sum, smallest_dash_sum));
    check_finite("sum of the dash lengths", sum);
}

void throw_mitre_below_1(double limit) {
    throw ArgumentError(fmt::format("mitre limit {} is below 1", limit));
}

void throw_no_inside() {
    throw ArgumentError("dots, lines, polylines and arcs have no inside: their strokes are centred");
}

void throw_not_filled() {
    throw ArgumentError("dots, lines, polylines and arcs have no inside to fill: use a stroke");
}

Box turned_bounds(const Ellipse& ellipse) {
    if (ellipse.box.empty()) return ellipse.box;
    const std::int64_t reach = std::max(ellipse.box.width, ellipse.box.height) / 2 + 2;
    const std::int64_t x = ellipse.box.x + ellipse.box.width / 2;
    const std::int64_t y = ellipse.box.y + ellipse.box.height / 2;
    return {x - reach, y - reach, 2 * reach, 2 * reach};
}

std::int64_t reach_of_wide(const Stroke& stroke) {
    // A tip goes as far as the mitre limit in half widths, and twice as far for a stroke outside.
    const double factor = stroke.join == Join::mitre ? std::max(stroke.mitre_limit, 2.0) : 2.0;
    constexpr double beyond_all = 0x1p45;
    return static_cast<std::int64_t>(std::min(1 + (1.0 + stroke.width) * factor, beyond_all));
}

} // namespace coldbrick
