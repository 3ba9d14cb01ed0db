#include "raster/ellipse.hpp"

#include "geometry/checks.hpp"
#include "raster/contour.hpp"
#include "raster/oval_band.hpp"
#include "raster/oval_rows.hpp"

#include <algorithm>

namespace coldbrick::raster {

namespace {

Core core_of(const Oval& oval) {
    return {oval.centre_x, oval.centre_y, oval.centre_x, oval.centre_y};
}

/// How far an upright ellipse's pixels may lie from its centre, `beyond` its curve.
Reach reach_of(const Oval& oval, std::int64_t beyond) {
    return {static_cast<std::int64_t>(oval.a) + beyond, static_cast<std::int64_t>(oval.b) + beyond};
}

/// Adds the rows of a turned ellipse.
template <class RowOf>
void add_turned_rows(const Oval& oval, std::int64_t reach, RowOf row_of, SpanSink& sink) {
    const RowRange rows = rows_about(oval, reach, sink.clip());
    for (std::int64_t y = rows.first; y < rows.end; ++y) row_of(y).give(y, sink);
}

/// The row that is nearest to a height in half pixels from the centre, and those beside it.
std::int64_t row_at(const Oval& oval, long double height) {
    return static_cast<std::int64_t>(std::floor((static_cast<long double>(oval.centre_y) + height) / 2));
}

} // namespace

void fill(const Ellipse& ellipse, SpanSink& sink) {
    if (ellipse.box.empty()) return;
    const Oval oval = oval_of(ellipse);
    if (oval.upright) {
        const UprightCurve curve(oval);
        return add_symmetric_rows(
            core_of(oval), reach_of(oval, 1), [&curve](std::int64_t y) { return curve.filled(y); }, sink);
    }
    OvalRows rows(oval);
    add_turned_rows(
        oval, rows.reach(), [&rows](std::int64_t y) { return rows.filled(y); }, sink);
}

namespace {

void stroke_solid(const Oval& oval, std::int64_t width, SpanSink& sink) {
    if (oval.upright && width == 1) {
        const UprightCurve curve(oval);
        return add_symmetric_rows(
            core_of(oval), reach_of(oval, 1), [&curve](std::int64_t y) { return curve.outline(y); }, sink);
    }
    const OvalBand band(oval, width);
    if (oval.upright)
        return add_symmetric_rows(
            core_of(oval), reach_of(oval, width + 1), [&band](std::int64_t y) { return band.upright_row(y); },
            sink);
    OvalRows rows(oval);
    if (width == 1)
        return add_turned_rows(
            oval, rows.reach(), [&rows](std::int64_t y) { return rows.outline(y); }, sink);
    add_turned_rows(
        oval, band.reach(), [&band](std::int64_t y) { return band.row(y); }, sink);
}

} // namespace

namespace {

/// From the rightmost point before any turn on, clockwise.
Contour contour_of(const Ellipse& ellipse, const Oval& oval) {
    const Angle start = oval.upright ? ellipse.turn.without_turns() : Angle();
    Contour contour({oval.centre_x, oval.centre_y}, true);
    contour.add(
        Bend(oval, {0, 0}, CurvePlace::seen(oval, start), CurvePlace::seen(oval, start + degrees(360))));
    return contour;
}

} // namespace

void stroke(const Ellipse& ellipse, const Pen& pen, SpanSink& sink) {
    if (ellipse.box.empty()) return;
    const Oval oval = oval_of(ellipse);
    if (!pen.dashed()) return stroke_solid(oval, pen.width, sink);
    contour_of(ellipse, oval).stroke_or_dash(pen, sink, [&oval](SpanSink& thin) {
        stroke_solid(oval, 1, thin);
    });
}

OutermostPlaces outermost(const Ellipse& ellipse, const Pen& pen) {
    return contour_of(ellipse, oval_of(ellipse)).outermost(pen);
}

} // namespace coldbrick::raster

namespace coldbrick {

Box Ellipse::bounds() const {
    check(*this);
    if (box.empty()) return box;
    const raster::Oval oval = raster::oval_of(*this);
    raster::OvalRows rows(oval);
    const std::int64_t reach = rows.reach();
    // Each side's outermost pixel lies within two rows of the curve's own outermost point.
    const long double tip = oval.upright ? 0 : raster::TurnedCurve<long double>(oval).tip();
    std::int64_t left = box.x + box.width / 2;
    std::int64_t right = left;
    std::int64_t top = box.y + box.height / 2;
    std::int64_t bottom = top;
    for (const long double height :
         {static_cast<long double>(-reach), -tip, tip, static_cast<long double>(reach)})
        for (std::int64_t beside = -2; beside <= 3; ++beside) {
            const std::int64_t y = raster::row_at(oval, height) + beside;
            const raster::Runs row = rows.filled(y);
            if (row.empty()) continue;
            left = std::min(left, row.begin()->begin);
            right = std::max(right, row.begin()->end - 1);
            top = std::min(top, y);
            bottom = std::max(bottom, y);
        }
    return {left, top, right - left + 1, bottom - top + 1};
}

bool Ellipse::contains(Point pixel) const {
    check(*this);
    if (box.empty()) return false;
    const raster::Runs row = raster::OvalRows(raster::oval_of(*this)).filled(pixel.y);
    return !row.empty() && row.begin()->begin <= pixel.x && pixel.x < row.begin()->end;
}

} // namespace coldbrick
