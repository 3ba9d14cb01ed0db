#include "raster/shapes/box.hpp"

#include "raster/spans/row_range.hpp"
#include "raster/stroke/curve_stroker.hpp"

#include <algorithm>

namespace coldbrick::raster {

namespace {

/// The rows [begin, end) that the clip shows; they may be none.
RowRange visible_rows(std::int64_t begin, std::int64_t end, const base::Clip& clip) {
    return {std::clamp(begin, clip.top, clip.bottom), std::clamp(end, clip.top, clip.bottom)};
}

} // namespace

void fill(const Box& box, SpanSink& sink) {
    const RowRange rows = visible_rows(box.y, box.end_y(), sink.clip());
    sink.add_rows(rows.first, rows.end, box.x, box.end_x());
}

namespace {

void stroke_solid(const Box& box, std::int64_t width, SpanSink& sink) {
    const Box outer = box.inset(-((width - 1) / 2));
    const Box hole = box.inset(width / 2 + 1);
    if (hole.empty()) return fill(outer, sink);
    fill(Box{outer.x, outer.y, outer.width, hole.y - outer.y}, sink);
    const RowRange beside_hole = visible_rows(hole.y, hole.end_y(), sink.clip());
    sink.add_rows(beside_hole.first, beside_hole.end, outer.x, hole.x);
    sink.add_rows(beside_hole.first, beside_hole.end, hole.end_x(), outer.end_x());
    fill(Box{outer.x, hole.end_y(), outer.width, outer.end_y() - hole.end_y()}, sink);
}

/// The box's outermost pixels, clockwise from the top-left one.
CurveStroker stroker_of(const Box& box) {
    const long double right = RealHalfPixels::of_pixels(static_cast<long double>(box.width - 1)).count;
    const long double bottom = RealHalfPixels::of_pixels(static_cast<long double>(box.height - 1)).count;
    CurveStroker stroker({HalfPixels::of_pixels(box.x), HalfPixels::of_pixels(box.y)}, true);
    stroker.add(LineSegment{{0, 0}, {right, 0}});
    stroker.add(LineSegment{{right, 0}, {right, bottom}});
    stroker.add(LineSegment{{right, bottom}, {0, bottom}});
    stroker.add(LineSegment{{0, bottom}, {0, 0}});
    return stroker;
}

} // namespace

void stroke(const Box& box, const Pen& pen, SpanSink& sink) {
    if (box.empty()) return;
    const bool single = box.width == 1 && box.height == 1;
    if (!pen.dashed() || single) return stroke_solid(box, pen.width, sink);
    Pen square = pen;
    square.join = Join::mitre; // a box keeps its corners
    square.mitre_limit = 4;
    stroker_of(box).stroke_or_dash(square, sink, [&box](SpanSink& thin) { stroke_solid(box, 1, thin); });
}

OutermostPlaces outermost(const Box& box, const Pen& pen) {
    if (box.width > 1 || box.height > 1) return stroker_of(box).outermost(pen);
    OutermostPlaces dot;
    dot.add_disc({static_cast<long double>(box.x), static_cast<long double>(box.y)},
                 static_cast<long double>(pen.width) / 2);
    return dot;
}

} // namespace coldbrick::raster
