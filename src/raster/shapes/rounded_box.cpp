#include "raster/shapes/rounded_box.hpp"

#include "geometry/shape_checks.hpp"
#include "raster/ellipse/circle_rows.hpp"
#include "raster/shapes/box.hpp"
#include "raster/spans/span_queries.hpp"
#include "raster/stroke/curve_stroker.hpp"

#include <algorithm>

namespace coldbrick::raster {

namespace {

/// The radius that fits.
std::int32_t radius_of(const RoundedBox& rounded) {
    const std::int64_t shorter = std::min(rounded.box.width, rounded.box.height);
    return static_cast<std::int32_t>(std::min<std::int64_t>(rounded.radius, (shorter - 1) / 2));
}

/// The box of the corners' centres.
MirrorCore core_of(const Box& box, std::int64_t radius) {
    return {HalfPixels::of_pixels(box.x + radius), HalfPixels::of_pixels(box.y + radius),
            HalfPixels::of_pixels(box.end_x() - 1 - radius), HalfPixels::of_pixels(box.end_y() - 1 - radius)};
}

/// The rows of a wide stroke.
template <class Band>
void stroke_wide(const Box& box, std::int32_t radius, std::int64_t width, const Band& band, SpanSink& sink) {
    const MirrorCore core = core_of(box, radius);
    const Reach reach{band.reach(), band.reach()};
    if (2 * std::int64_t{radius} > width)
        return add_mirrored_rows(
            core, reach, [&band](HalfPixels y) { return band.row(y); }, sink,
            band.first_row_beyond(furthest_shown(core, sink.clip())));
    // The inner corners are square.
    const Box hole = box.inset(width / 2 + 1);
    const auto outer = [&band](HalfPixels y) { return MirroredRow{band.row(y).outer, no_distance}; };
    if (hole.empty()) return add_mirrored_rows(core, reach, outer, sink);
    const base::Clip clip = sink.clip();
    const std::int64_t top = std::clamp(hole.y, clip.top, clip.bottom);
    const std::int64_t bottom = std::clamp(hole.end_y(), clip.top, clip.bottom);
    const base::Clip around[] = {{clip.left, clip.top, clip.right, top},
                                 {clip.left, top, std::min(clip.right, hole.x), bottom},
                                 {std::max(clip.left, hole.end_x()), top, clip.right, bottom},
                                 {clip.left, bottom, clip.right, clip.bottom}};
    for (const base::Clip& part : around) {
        if (part.empty()) continue;
        SpanSink::run_within(part, sink,
                             [&](SpanSink& shown) { add_mirrored_rows(core, reach, outer, shown); });
    }
}

void stroke_solid(const Box& box, std::int32_t radius, std::int64_t width, SpanSink& sink) {
    const HalfPixels reach = HalfPixels::of_pixels(radius);
    if (width == 1) {
        CircleRows rows(radius);
        return add_mirrored_rows(
            core_of(box, radius), {reach, reach}, [&rows](HalfPixels y) { return rows.outline(y); }, sink);
    }
    with_round_band(2 * static_cast<std::uint64_t>(radius), static_cast<std::uint64_t>(width), 0,
                    [&](const auto& band) { stroke_wide(box, radius, width, band, sink); });
}

/// The path from the top side's left end on, clockwise.
CurveStroker stroker_of(const Box& box, std::int32_t radius) {
    const HalfPixels reach = HalfPixels::of_pixels(radius);
    const HalfPixels right = HalfPixels::of_pixels(box.width - 1);
    const HalfPixels bottom = HalfPixels::of_pixels(box.height - 1);
    const Origin origin{HalfPixels::of_pixels(box.x), HalfPixels::of_pixels(box.y)};
    const auto place = [](HalfPixels x, HalfPixels y) {
        return HalfPixelVector{static_cast<long double>(x.count), static_cast<long double>(y.count)};
    };
    CurveStroker stroker(origin, true);
    const auto add_corner = [&](HalfPixels x, HalfPixels y, double start) {
        const auto axis = static_cast<std::uint64_t>(reach.count);
        const EllipseAxes axes{origin.x + x, origin.y + y, axis, axis, 1, 0, true};
        stroker.add(EllipticArc(axes, place(x, y), CurvePlace::seen(axes, degrees(start)),
                                CurvePlace::seen(axes, degrees(start + 90))));
    };
    constexpr HalfPixels zero{0};
    stroker.add(LineSegment{place(reach, zero), place(right - reach, zero)});
    add_corner(right - reach, reach, 270);
    stroker.add(LineSegment{place(right, reach), place(right, bottom - reach)});
    add_corner(right - reach, bottom - reach, 0);
    stroker.add(LineSegment{place(right - reach, bottom), place(reach, bottom)});
    add_corner(reach, bottom - reach, 90);
    stroker.add(LineSegment{place(zero, bottom - reach), place(zero, reach)});
    add_corner(reach, reach, 180);
    return stroker;
}

} // namespace

void fill(const RoundedBox& rounded, SpanSink& sink) {
    if (rounded.box.empty()) return;
    const std::int32_t radius = radius_of(rounded);
    CircleRows rows(radius);
    const HalfPixels reach = HalfPixels::of_pixels(radius);
    add_mirrored_rows(
        core_of(rounded.box, radius), {reach, reach}, [&rows](HalfPixels y) { return rows.filled(y); }, sink);
}

void stroke(const RoundedBox& rounded, const Pen& pen, SpanSink& sink) {
    if (rounded.box.empty()) return;
    const std::int32_t radius = radius_of(rounded);
    if (radius == 0) return stroke(rounded.box, pen, sink);
    if (!pen.dashed()) return stroke_solid(rounded.box, radius, pen.width, sink);
    stroker_of(rounded.box, radius).stroke_or_dash(pen, sink, [&](SpanSink& thin) {
        stroke_solid(rounded.box, radius, 1, thin);
    });
}

OutermostPlaces outermost(const RoundedBox& rounded, const Pen& pen) {
    const std::int32_t radius = radius_of(rounded);
    return radius == 0 ? outermost(rounded.box, pen) : stroker_of(rounded.box, radius).outermost(pen);
}

} // namespace coldbrick::raster

namespace coldbrick {

bool RoundedBox::contains(Point pixel) const {
    geometry::check(*this);
    return raster::shows(pixel, [this](raster::SpanSink& sink) { raster::fill(*this, sink); });
}

} // namespace coldbrick
