#include "raster/shapes/polygon.hpp"

#include "raster/polygon/edge_rows.hpp"
#include "raster/polygon/exact_edge.hpp"
#include "raster/polygon/near_edge.hpp"
#include "raster/spans/span_queries.hpp"
#include "raster/spans/span_union.hpp"
#include "raster/stroke/line_stroker.hpp"

#include <algorithm>
#include <cstdlib>
#include <utility>
#include <vector>

namespace coldbrick::raster {

namespace {

/// Calls visit(ring) for each ring: of one that stands alone, for itself.
template <class Visit>
void for_each_ring(const Polygon& polygon, const Visit& visit) {
    for (const auto& ring : polygon.rings) visit(std::span<const Point>(ring));
}
template <class Visit>
void for_each_ring(std::span<const Point> ring, const Visit& visit) {
    visit(ring);
}
Point first_vertex(const Polygon& polygon) {
    return polygon.rings[0][0];
}
Point first_vertex(std::span<const Point> ring) {
    return ring[0];
}

/// Calls visit(from, to) for every edge, the closing ones included.
template <class Rings, class Visit>
void for_each_edge(const Rings& rings, const Visit& visit) {
    for_each_ring(rings, [&](std::span<const Point> ring) {
        for (std::size_t i = 0; i < ring.size(); ++i) visit(ring[i], ring[i + 1 == ring.size() ? 0 : i + 1]);
    });
}

/// True if all edges may be NearEdges: if the vertices lie near the first one.
template <class Rings>
bool is_near(const Rings& rings) {
    const Point first = first_vertex(rings);
    constexpr std::int32_t middle = 1 << 29; // from where on no difference reaches once round 32 bits
    if (std::max(std::abs(std::int64_t{first.x}), std::abs(std::int64_t{first.y})) > middle) return false;
    std::uint32_t bits_x = 0; // of the differences, moved so that none of the near ones is below 0
    std::uint32_t bits_y = 0;
    const auto left = static_cast<std::uint32_t>(first.x - widest_near_edge / 2);
    const auto top = static_cast<std::uint32_t>(first.y - highest_near_edge / 2);
    for_each_ring(rings, [&](std::span<const Point> ring) {
        for (const Point& vertex : ring) {
            bits_x |= static_cast<std::uint32_t>(vertex.x) - left;
            bits_y |= static_cast<std::uint32_t>(vertex.y) - top;
        }
    });
    return bits_x < widest_near_edge && bits_y < highest_near_edge;
}

/// Fills with the edges that the clip's rows meet and that do not lie right of it.
template <class Edge, class Rings>
void fill_between(const Rings& rings, FillRule rule, FillExtent extent, SpanSink& sink) {
    const base::Clip& clip = sink.clip();
    std::size_t vertices = 0;
    for_each_ring(rings, [&](std::span<const Point> ring) { vertices += ring.size(); });
    EdgeRows<Edge> rows(vertices, rule, sink);
    for_each_edge(rings, [&](Point from, Point to) {
        const bool down = from.y < to.y;
        const Point upper = down ? from : to;
        const Point lower = down ? to : from;
        if (upper.y >= clip.bottom || lower.y < clip.top || std::min(from.x, to.x) >= clip.right) return;
        if (extent == FillExtent::tiling && (upper.y == lower.y || lower.y == clip.top)) return;
        rows.add_edge(upper, lower, down ? 1 : -1, extent, clip.top);
    });
    rows.give();
}

template <class Rings>
void fill_rings(const Rings& rings, FillRule rule, FillExtent extent, SpanSink& sink) {
    if (!is_near(rings)) return fill_between<ExactEdge>(rings, rule, extent, sink);
    if (extent == FillExtent::tiling)
        return fill_between<NearEdge<FillExtent::tiling>>(rings, rule, extent, sink);
    fill_between<NearEdge<FillExtent::whole>>(rings, rule, extent, sink);
}

} // namespace

void fill(const Polygon& polygon, FillRule rule, FillExtent extent, SpanSink& sink) {
    fill_rings(polygon, rule, extent, sink);
}

void fill(std::span<const Point> ring, FillRule rule, FillExtent extent, SpanSink& sink) {
    fill_rings(ring, rule, extent, sink);
}

void stroke(const Polygon& polygon, const Pen& pen, SpanSink& sink) {
    std::int64_t expected = 0;
    for (const auto& ring : polygon.rings) expected += expected_spans(ring, true, pen, sink.clip());
    add_union(expected, sink, [&](SpanSink& parts) {
        for (const auto& ring : polygon.rings) add_path(ring, true, pen, parts);
    });
}

OutermostPlaces outermost(const Polygon& polygon, const Pen& pen) {
    OutermostPlaces result;
    for (const auto& ring : polygon.rings) {
        const OutermostPlaces part = outermost(ring, true, pen);
        result.places.insert(result.places.end(), part.places.begin(), part.places.end());
        result.slack = std::max(result.slack, part.slack);
    }
    return result;
}

OutermostPlaces outermost(const Polygon& polygon) {
    OutermostPlaces result;
    for (const auto& ring : polygon.rings)
        for (const Point& vertex : ring)
            result.places.push_back({static_cast<long double>(vertex.x), static_cast<long double>(vertex.y)});
    return result;
}

} // namespace coldbrick::raster

namespace coldbrick {

bool Polygon::contains(Point pixel) const {
    return bounds().contains(pixel) && raster::shows(pixel, [this](raster::SpanSink& sink) {
               raster::fill(*this, FillRule::even_odd, FillExtent::whole, sink);
           });
}

} // namespace coldbrick
