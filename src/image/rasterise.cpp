#include "image/rasterise.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <limits>

namespace coldbrick {

namespace {

void check_dashes(const Dashes& dashes) {
    check_finite("dash offset", dashes.offset);
    double sum = 0;
    for (const double length : dashes.lengths) {
        check_finite("dash length", length);
        if (length < 0) throw ArgumentError(fmt::format("dash length {} is below 0", length));
        sum += length;
    }
    if (!(sum >= 0.125))
        throw ArgumentError(fmt::format("dash lengths that add up to {} are below 0.125", sum));
    check_finite("sum of the dash lengths", sum);
}

} // namespace

void check(const Stroke& stroke) {
    check_range("stroke width", stroke.width, 1, std::numeric_limits<std::int32_t>::max());
    if (!(stroke.mitre_limit >= 1)) // which a NaN is not
        throw ArgumentError(fmt::format("mitre limit {} is below 1", stroke.mitre_limit));
    if (!stroke.dashes.lengths.empty()) check_dashes(stroke.dashes);
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

bool may_show(const raster::Clip& clip, const Box& bounds, const Stroke* stroke) {
    double reach = 1;
    if (stroke != nullptr && stroke->width > 1) {
        // A tip goes as far as the mitre limit in half widths, and twice as far for a stroke outside.
        const double factor = stroke->join == Join::mitre ? std::max(stroke->mitre_limit, 2.0) : 2.0;
        reach += stroke->width * factor;
    } else if (stroke != nullptr && stroke->alignment != Alignment::centred) {
        reach += 2 * std::max(stroke->mitre_limit, 2.0);
    }
    if (!(reach < 0x1p45)) return true;
    const auto grow = static_cast<std::int64_t>(reach);
    return bounds.x - grow < clip.right && bounds.end_x() + grow > clip.left &&
           bounds.y - grow < clip.bottom && bounds.end_y() + grow > clip.top;
}

} // namespace coldbrick
