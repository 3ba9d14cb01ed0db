#include "raster/rounded_box.hpp"

#include "geometry/checks.hpp"
#include "raster/box.hpp"
#include "raster/circle_rows.hpp"
#include "raster/contour.hpp"
#include "raster/probe.hpp"

#include <algorithm>

namespace coldbrick::raster {

namespace {

/// The radius that fits.
std::int32_t radius_of(const RoundedBox& rounded) {
    const std::int64_t shorter = std::min(rounded.box.width, rounded.box.height);
    return static_cast<std::int32_t>(std::min<std::int64_t>(rounded.radius, (shorter - 1) / 2));
}

/// The box of the corners' centres.
Core core_of(const Box& box, std::int64_t radius) {
    return {2 * (box.x + radius), 2 * (box.y + radius), 2 * (box.end_x() - 1 - radius),
            2 * (box.end_y() - 1 - radius)};
}

/// The rows of a wide stroke.
template <class Band>
void stroke_wide(const Box& box, std::int32_t radius, std::int64_t width, const Band& band, SpanSink& sink) {
    const Core core = core_of(box, radius);
    const Reach reach{band.reach(), band.reach()};
    if (2 * std::int64_t{radius} > width)
        return add_symmetric_rows(
            core, reach, [&band](std::int64_t y) { return band.row(y); }, sink,
            band.first_row_beyond(furthest_shown(core, sink.clip())));
    // The inner corners are square.
    const Box hole = box.inset(width / 2 + 1);
    const auto outer = [&band](std::int64_t y) { return SymmetricRow{band.row(y).outer, -1}; };
    if (hole.empty()) return add_symmetric_rows(core, reach, outer, sink);
    const Clip clip = sink.clip();
    const std::int64_t top = std::clamp(hole.y, clip.top, clip.bottom);
    const std::int64_t bottom = std::clamp(hole.end_y(), clip.top, clip.bottom);
    const Clip around[] = {{clip.left, clip.top, clip.right, top},
                           {clip.left, top, std::min(clip.right, hole.x), bottom},
                           {std::max(clip.left, hole.end_x()), top, clip.right, bottom},
                           {clip.left, bottom, clip.right, clip.bottom}};
    for (const Clip& part : around) {
        if (part.left >= part.right || part.top >= part.bottom) continue;
        SpanSink shown(part, sink);
        add_symmetric_rows(core, reach, outer, shown);
        shown.flush();
    }
}

void stroke_solid(const Box& box, std::int32_t radius, std::int64_t width, SpanSink& sink) {
    const std::int64_t diameter = 2 * std::int64_t{radius};
    if (width == 1) {
        CircleRows rows(radius);
        return add_symmetric_rows(
            core_of(box, radius), {diameter, diameter}, [&rows](std::int64_t y) { return rows.outline(y); },
            sink);
    }
    with_round_band(static_cast<std::uint64_t>(diameter), static_cast<std::uint64_t>(width), 0,
                    [&](const auto& band) { stroke_wide(box, radius, width, band, sink); });
}

/// The path from the top side's left end on, clockwise.
Contour contour_of(const Box& box, std::int32_t radius) {
    const auto reach = static_cast<long double>(2 * std::int64_t{radius});
    const auto right = static_cast<long double>(2 * box.width - 2);
    const auto bottom = static_cast<long double>(2 * box.height - 2);
    const Origin origin{2 * box.x, 2 * box.y};
    Contour contour(origin, true);
    const auto bend = [&](long double x, long double y, double start) {
        const auto diameter = static_cast<std::uint64_t>(2 * std::int64_t{radius});
        const Oval oval{origin.x + static_cast<std::int64_t>(x),
                        origin.y + static_cast<std::int64_t>(y),
                        diameter,
                        diameter,
                        1,
                        0,
                        true};
        contour.add(Bend(oval, {x, y}, CurvePlace::seen(oval, degrees(start)),
                         CurvePlace::seen(oval, degrees(start + 90))));
    };
    contour.add(Side{{reach, 0}, {right - reach, 0}});
    bend(right - reach, reach, 270);
    contour.add(Side{{right, reach}, {right, bottom - reach}});
    bend(right - reach, bottom - reach, 0);
    contour.add(Side{{right - reach, bottom}, {reach, bottom}});
    bend(reach, bottom - reach, 90);
    contour.add(Side{{0, bottom - reach}, {0, reach}});
    bend(reach, reach, 180);
    return contour;
}

} // namespace

void fill(const RoundedBox& rounded, SpanSink& sink) {
    if (rounded.box.empty()) return;
    const std::int32_t radius = radius_of(rounded);
    CircleRows rows(radius);
    const std::int64_t diameter = 2 * std::int64_t{radius};
    add_symmetric_rows(
        core_of(rounded.box, radius), {diameter, diameter},
        [&rows](std::int64_t y) { return rows.filled(y); }, sink);
}

void stroke(const RoundedBox& rounded, const Pen& pen, SpanSink& sink) {
    if (rounded.box.empty()) return;
    const std::int32_t radius = radius_of(rounded);
    if (radius == 0) return stroke(rounded.box, pen, sink);
    if (!pen.dashed()) return stroke_solid(rounded.box, radius, pen.width, sink);
    contour_of(rounded.box, radius).stroke_or_dash(pen, sink, [&](SpanSink& thin) {
        stroke_solid(rounded.box, radius, 1, thin);
    });
}

OutermostPlaces outermost(const RoundedBox& rounded, const Pen& pen) {
    const std::int32_t radius = radius_of(rounded);
    return radius == 0 ? outermost(rounded.box, pen) : contour_of(rounded.box, radius).outermost(pen);
}

} // namespace coldbrick::raster

namespace coldbrick {

bool RoundedBox::contains(Point pixel) const {
    check(*this);
    return raster::shows(pixel, [this](raster::SpanSink& sink) { raster::fill(*this, sink); });
}

} // namespace coldbrick
