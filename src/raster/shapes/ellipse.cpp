#include "raster/shapes/ellipse.hpp"

#include "geometry/placement.hpp"
#include "geometry/shape_checks.hpp"
#include "raster/ellipse/ellipse_rows.hpp"
#include "raster/ellipse/ellipse_stroke.hpp"
#include "raster/stroke/curve_stroker.hpp"

#include <algorithm>

namespace coldbrick::raster {

namespace {

MirrorCore core_of(const EllipseAxes& axes) {
    return {axes.centre_x, axes.centre_y, axes.centre_x, axes.centre_y};
}

/// How far an upright ellipse's pixels may lie from its centre, `beyond` its curve.
Reach reach_of(const EllipseAxes& axes, HalfPixels beyond) {
    return {HalfPixels{static_cast<std::int64_t>(axes.a)} + beyond,
            HalfPixels{static_cast<std::int64_t>(axes.b)} + beyond};
}

/// Adds the rows of a turned ellipse.
template <class RowOf>
void add_turned_rows(const EllipseAxes& axes, HalfPixels reach, RowOf row_of, SpanSink& sink) {
    add_rows(rows_about(axes.centre_y, reach, sink.clip()), row_of, sink);
}

} // namespace

void fill(const Ellipse& ellipse, SpanSink& sink) {
    if (ellipse.box.empty()) return;
    const EllipseAxes axes = axes_of(ellipse);
    if (axes.upright) {
        const UprightEllipse curve(axes);
        return add_mirrored_rows(
            core_of(axes), reach_of(axes, {1}), [&curve](HalfPixels y) { return curve.filled(y); }, sink);
    }
    EllipseRows rows(axes);
    add_turned_rows(
        axes, rows.reach(), [&rows](std::int64_t y) { return rows.filled(y); }, sink);
}

namespace {

void stroke_solid(const EllipseAxes& axes, std::int64_t width, SpanSink& sink) {
    if (axes.upright && width == 1) {
        const UprightEllipse curve(axes);
        return add_mirrored_rows(
            core_of(axes), reach_of(axes, {1}), [&curve](HalfPixels y) { return curve.outline(y); }, sink);
    }
    const EllipseStroke band(axes, width);
    if (axes.upright)
        return add_mirrored_rows(
            core_of(axes), reach_of(axes, {width + 1}), [&band](HalfPixels y) { return band.upright_row(y); },
            sink);
    EllipseRows rows(axes);
    if (width == 1)
        return add_turned_rows(
            axes, rows.reach(), [&rows](std::int64_t y) { return rows.outline(y); }, sink);
    add_turned_rows(
        axes, band.reach(), [&band](std::int64_t y) { return band.row(y); }, sink);
}

} // namespace

namespace {

/// From the rightmost point before any turn on, clockwise.
CurveStroker stroker_of(const Ellipse& ellipse, const EllipseAxes& axes) {
    const Angle start = axes.upright ? ellipse.turn.without_turns() : Angle();
    CurveStroker stroker({axes.centre_x, axes.centre_y}, true);
    stroker.add(EllipticArc(axes, {0, 0}, CurvePlace::seen(axes, start),
                            CurvePlace::seen(axes, start + degrees(360))));
    return stroker;
}

} // namespace

void stroke(const Ellipse& ellipse, const Pen& pen, SpanSink& sink) {
    if (ellipse.box.empty()) return;
    const EllipseAxes axes = axes_of(ellipse);
    if (!pen.dashed()) return stroke_solid(axes, pen.width, sink);
    stroker_of(ellipse, axes).stroke_or_dash(pen, sink, [&axes](SpanSink& thin) {
        stroke_solid(axes, 1, thin);
    });
}

OutermostPlaces outermost(const Ellipse& ellipse, const Pen& pen) {
    return stroker_of(ellipse, axes_of(ellipse)).outermost(pen);
}

} // namespace coldbrick::raster

namespace coldbrick {

Box Ellipse::bounds() const {
    geometry::check(*this);
    if (box.empty()) return box;
    const raster::EllipseAxes axes = raster::axes_of(*this);
    raster::EllipseRows rows(axes);
    const raster::RealHalfPixels reach{static_cast<long double>(rows.reach().count)};
    // Each side's outermost pixel lies within two rows of the curve's own outermost point.
    const raster::RealHalfPixels tip{axes.upright ? 0 : raster::TurnedEllipse<long double>(axes).tip()};
    std::int64_t left = box.x + box.width / 2;
    std::int64_t right = left;
    std::int64_t top = box.y + box.height / 2;
    std::int64_t bottom = top;
    for (const raster::RealHalfPixels height : {-reach, -tip, tip, reach})
        for (std::int64_t beside = -2; beside <= 3; ++beside) {
            const std::int64_t y = raster::row_at(axes.centre_y, height) + beside;
            const raster::RowRuns row = rows.filled(y);
            if (row.empty()) continue;
            left = std::min(left, row.begin()->begin);
            right = std::max(right, row.begin()->end - 1);
            top = std::min(top, y);
            bottom = std::max(bottom, y);
        }
    return {left, top, right - left + 1, bottom - top + 1};
}

bool Ellipse::contains(Point pixel) const {
    geometry::check(*this);
    if (box.empty()) return false;
    const raster::RowRuns row = raster::EllipseRows(raster::axes_of(*this)).filled(pixel.y);
    return !row.empty() && row.begin()->begin <= pixel.x && pixel.x < row.begin()->end;
}

Ellipse Ellipse::placed(Anchor anchor, Point position) const {
    return geometry::placed_by_bounds(*this, anchor, position);
}

} // namespace coldbrick
