#include "raster/polygon.hpp"

#include "raster/line.hpp"
#include "raster/path.hpp"
#include "raster/row_bound.hpp"
#include "raster/span_union.hpp"

#include <algorithm>
#include <vector>

namespace coldbrick::raster {

namespace {

/// Where an edge crosses a row: pixels from x on, up to the clip's right end, lie right of the edge or on it.
struct Crossing {
    std::int64_t x; ///< within the clip, its right end included
    int winding;    ///< 1 where the edge runs down, -1 where it runs up
};

/// Calls visit(from, to) for every edge, the closing ones included.
template <class Visit>
void for_each_edge(const Polygon& polygon, Visit visit) {
    for (const auto& ring : polygon.rings)
        for (std::size_t i = 0; i < ring.size(); ++i) visit(ring[i], ring[i + 1 == ring.size() ? 0 : i + 1]);
}

/// The crossings of all edges with the rows of a clip. A row meets an edge from its upper end, included, to
/// its lower end, left out, so that a vertex is crossed as often as the outline passes through its row.
class Crossings {
  public:
    explicit Crossings(const Clip& clip)
        : clip_(clip), rows_(static_cast<std::size_t>(clip.bottom - clip.top)) {}

    void add(Point from, Point to) {
        if (from.y == to.y || std::min(from.x, to.x) >= clip_.right) return;
        const bool down = from.y < to.y;
        const auto [upper, lower] = down ? std::pair{from, to} : std::pair{to, from};
        const std::int64_t first = std::max<std::int64_t>(upper.y, clip_.top);
        const std::int64_t end = std::min<std::int64_t>(lower.y, clip_.bottom);
        if (first >= end) return;
        // The first pixel at or right of x + (y - upper.y) * dx / dy is x - floor(-(y - upper.y) * dx / dy).
        const std::int64_t dx = std::int64_t{lower.x} - upper.x;
        const std::int64_t dy = std::int64_t{lower.y} - upper.y;
        RowBound bound(-Int128{first - upper.y} * dx, -dx, dy);
        for (std::int64_t y = first; y < end; ++y, bound.next()) {
            const Int128 x = std::clamp<Int128>(upper.x - bound.value(), clip_.left, clip_.right);
            rows_[static_cast<std::size_t>(y - clip_.top)].push_back(
                {static_cast<std::int64_t>(x), down ? 1 : -1});
        }
    }

    /// Gives what lies inside by the rule, each pixel once.
    void give(FillRule rule, SpanSink& sink) {
        for (std::size_t row = 0; row < rows_.size(); ++row)
            give_row(static_cast<std::int32_t>(clip_.top + static_cast<std::int64_t>(row)), rows_[row], rule,
                     sink);
    }

  private:
    static void give_row(std::int32_t y, std::vector<Crossing>& row, FillRule rule, SpanSink& sink) {
        std::ranges::sort(row, {}, &Crossing::x);
        int winding = 0;
        std::int64_t begin = 0;
        for (const Crossing& crossing : row) {
            const bool was_inside = winding != 0;
            winding = rule == FillRule::even_odd ? 1 - winding : winding + crossing.winding;
            if (!was_inside) begin = crossing.x;
            if (was_inside && winding == 0) sink.add(y, begin, crossing.x);
        }
        if (winding != 0) sink.add(y, begin, sink.clip().right); // it is left beyond the clip
    }

    Clip clip_;
    std::vector<std::vector<Crossing>> rows_;
};

/// Fills the polygon within a band of rows.
void fill_band(const Polygon& polygon, FillRule rule, FillEdge edge, const Clip& band, SpanSink& sink) {
    Crossings crossings(band);
    for_each_edge(polygon, [&](Point from, Point to) { crossings.add(from, to); });
    if (edge == FillEdge::tiling) return crossings.give(rule, sink);
    SpanUnion all(band);
    crossings.give(rule, all.parts());
    for_each_edge(polygon, [&](Point from, Point to) { add_line({from, to}, all.parts()); });
    all.give(sink);
}

} // namespace

void fill(const Polygon& polygon, FillRule rule, FillEdge edge, SpanSink& sink) {
    const Box bounds = polygon.bounds();
    Clip visible = sink.clip();
    visible.top = std::max(visible.top, bounds.y);
    visible.bottom = std::min(visible.bottom, bounds.end_y());
    if (bounds.x >= visible.right || bounds.end_x() <= visible.left) return;
    // Bands bound the memory that the crossings of many edges take.
    std::size_t edges = 0;
    for (const auto& ring : polygon.rings) edges += ring.size();
    const std::int64_t band_rows =
        std::max<std::int64_t>(16, (std::int64_t{1} << 21) / static_cast<std::int64_t>(edges));
    for (std::int64_t top = visible.top; top < visible.bottom; top += band_rows)
        fill_band(polygon, rule, edge,
                  {visible.left, top, visible.right, std::min(top + band_rows, visible.bottom)}, sink);
}

void stroke(const Polygon& polygon, const Pen& pen, SpanSink& sink) {
    SpanUnion all(sink.clip());
    for (const auto& ring : polygon.rings) add_path(ring, true, pen, all.parts());
    all.give(sink);
}

} // namespace coldbrick::raster

namespace coldbrick {

bool Polygon::contains(Point pixel) const {
    if (!bounds().contains(pixel)) return false;
    bool found = false;
    const auto note = [](void* noted, std::span<const Span> spans) {
        *static_cast<bool*>(noted) |= !spans.empty();
    };
    raster::SpanSink sink(raster::Clip::at(pixel), &found, note);
    raster::fill(*this, FillRule::even_odd, FillEdge::whole, sink);
    sink.flush();
    return found;
}

} // namespace coldbrick
