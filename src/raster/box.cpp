#include "raster/box.hpp"

#include "raster/contour.hpp"

#include <algorithm>

namespace coldbrick::raster {

namespace {

/// The rows of the box that the clip shows, as [first, end); they may be none.
struct Rows {
    std::int64_t first;
    std::int64_t end;
};

Rows visible_rows(std::int64_t begin, std::int64_t end, const Clip& clip) {
    return {std::clamp(begin, clip.top, clip.bottom), std::clamp(end, clip.top, clip.bottom)};
}

} // namespace

void fill(const Box& box, SpanSink& sink) {
    const Rows rows = visible_rows(box.y, box.end_y(), sink.clip());
    sink.add_rows(rows.first, rows.end, box.x, box.end_x());
}

namespace {

void stroke_solid(const Box& box, std::int64_t width, SpanSink& sink) {
    const Box outer = box.inset(-((width - 1) / 2));
    const Box hole = box.inset(width / 2 + 1);
    if (hole.empty()) return fill(outer, sink);
    fill({outer.x, outer.y, outer.width, hole.y - outer.y}, sink);
    const Rows beside_hole = visible_rows(hole.y, hole.end_y(), sink.clip());
    sink.add_rows(beside_hole.first, beside_hole.end, outer.x, hole.x);
    sink.add_rows(beside_hole.first, beside_hole.end, hole.end_x(), outer.end_x());
    fill({outer.x, hole.end_y(), outer.width, outer.end_y() - hole.end_y()}, sink);
}

/// The box's outermost pixels, clockwise from the top-left one.
Contour contour_of(const Box& box) {
    const auto right = static_cast<long double>(2 * box.width - 2);
    const auto bottom = static_cast<long double>(2 * box.height - 2);
    Contour contour({2 * box.x, 2 * box.y}, true);
    contour.add(Side{{0, 0}, {right, 0}});
    contour.add(Side{{right, 0}, {right, bottom}});
    contour.add(Side{{right, bottom}, {0, bottom}});
    contour.add(Side{{0, bottom}, {0, 0}});
    return contour;
}

} // namespace

void stroke(const Box& box, const Pen& pen, SpanSink& sink) {
    if (box.empty()) return;
    const bool single = box.width == 1 && box.height == 1;
    if (!pen.dashed() || single) return stroke_solid(box, pen.width, sink);
    Pen square = pen;
    square.join = Join::mitre; // a box keeps its corners
    square.mitre_limit = 4;
    contour_of(box).stroke_or_dash(square, sink, [&box](SpanSink& thin) { stroke_solid(box, 1, thin); });
}

OutermostPlaces outermost(const Box& box, const Pen& pen) {
    if (box.width > 1 || box.height > 1) return contour_of(box).outermost(pen);
    OutermostPlaces dot;
    dot.add_disc({static_cast<long double>(box.x), static_cast<long double>(box.y)},
                 static_cast<long double>(pen.width) / 2);
    return dot;
}

} // namespace coldbrick::raster
