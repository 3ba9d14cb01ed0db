#include "raster/box.hpp"

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
    for (std::int64_t y = rows.first; y < rows.end; ++y)
        sink.add(static_cast<std::int32_t>(y), box.x, box.end_x());
}

void stroke(const Box& box, std::int64_t width, SpanSink& sink) {
    if (box.empty()) return;
    const Box outer = box.inset(-((width - 1) / 2));
    const Box hole = box.inset(width / 2 + 1);
    if (hole.empty()) return fill(outer, sink);
    fill({outer.x, outer.y, outer.width, hole.y - outer.y}, sink);
    const Rows beside_hole = visible_rows(hole.y, hole.end_y(), sink.clip());
    for (std::int64_t y = beside_hole.first; y < beside_hole.end; ++y) {
        sink.add(static_cast<std::int32_t>(y), outer.x, hole.x);
        sink.add(static_cast<std::int32_t>(y), hole.end_x(), outer.end_x());
    }
    fill({outer.x, hole.end_y(), outer.width, outer.end_y() - hole.end_y()}, sink);
}

} // namespace coldbrick::raster
