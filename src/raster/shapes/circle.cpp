#include "raster/shapes/circle.hpp"

#include "geometry/loose_bounds.hpp"
#include "geometry/shape_checks.hpp"
#include "raster/ellipse/circle_rows.hpp"
#include "raster/shapes/ellipse.hpp"
#include "raster/thin/thin_circle_steps.hpp"

#include <cstdlib>

namespace coldbrick::raster {

namespace {

MirrorCore core_of(Point centre) {
    const HalfPixels x = HalfPixels::of_pixels(centre.x);
    const HalfPixels y = HalfPixels::of_pixels(centre.y);
    return {x, y, x, y};
}

Reach reach_of(const Circle& circle) {
    const HalfPixels radius = HalfPixels::of_pixels(circle.radius);
    return {radius, radius};
}

/// The filled circle where the clip shows it whole: its rows from the steps of its outline.
void add_whole(const Circle& circle, SpanSink& sink) {
    for_each_row_pair(circle.radius, [&](std::ptrdiff_t distance, std::ptrdiff_t half_width) {
        const auto y = static_cast<std::int32_t>(distance);
        const std::int32_t x = circle.centre.x - static_cast<std::int32_t>(half_width);
        sink.add_mirrored({circle.centre.y + y, circle.centre.y - y, x, x, 2 * half_width + 1});
    });
}

} // namespace

void fill(const Circle& circle, SpanSink& sink) {
    if (sink.clip().contains(geometry::bounds_of_checked(circle))) return add_whole(circle, sink);
    CircleRows rows(circle.radius);
    add_mirrored_rows(
        core_of(circle.centre), reach_of(circle), [&rows](HalfPixels y) { return rows.filled(y); }, sink);
}

void stroke(const Circle& circle, const Pen& pen, SpanSink& sink) {
    if (pen.dashed()) return stroke(Ellipse::about(circle.centre, circle.radius, circle.radius), pen, sink);
    if (pen.width == 1) {
        CircleRows rows(circle.radius);
        return add_mirrored_rows(
            core_of(circle.centre), reach_of(circle), [&rows](HalfPixels y) { return rows.outline(y); },
            sink);
    }
    const auto add_band = [&](const auto& band) {
        const MirrorCore core = core_of(circle.centre);
        add_mirrored_rows(
            core, {band.reach(), band.reach()}, [&band](HalfPixels y) { return band.row(y); }, sink,
            band.first_row_beyond(furthest_shown(core, sink.clip())));
    };
    with_round_band(2 * static_cast<std::uint64_t>(circle.radius), static_cast<std::uint64_t>(pen.width), 0,
                    add_band);
}

} // namespace coldbrick::raster

namespace coldbrick {

bool Circle::contains(Point pixel) const {
    geometry::check(*this);
    const std::int64_t x = std::abs(std::int64_t{pixel.x} - centre.x);
    const std::int64_t y = std::abs(std::int64_t{pixel.y} - centre.y);
    return y <= radius && x <= raster::FilledCircle{static_cast<std::uint64_t>(radius)}.half_width(
                                   static_cast<std::uint64_t>(y));
}

} // namespace coldbrick
