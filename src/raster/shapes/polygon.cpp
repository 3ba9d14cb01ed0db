#include "raster/shapes/polygon.hpp"

#include "raster/areas/incremental_division.hpp"
#include "raster/spans/span_queries.hpp"
#include "raster/spans/span_union.hpp"
#include "raster/stroke/line_stroker.hpp"

#include <algorithm>
#include <cstdlib>
#include <utility>
#include <vector>

namespace coldbrick::raster {

namespace {

/// Calls visit(from, to) for every edge, the closing ones included.
template <class Visit>
void for_each_edge(const Polygon& polygon, Visit visit) {
    for (const auto& ring : polygon.rings)
        for (std::size_t i = 0; i < ring.size(); ++i) visit(ring[i], ring[i + 1 == ring.size() ? 0 : i + 1]);
}

/// What an edge has on a row: the pixels [begin, end) of its outline, none for tiling, and by how much the
/// winding changes there. Where within its own pixels an edge changes the winding makes no difference.
struct Crossing {
    std::int64_t begin;
    std::int64_t end;
    int winding;
};

/// An edge on one row after the other, from its upper end down. The crossing with row k below the upper end
/// is sideways * k * width / height from there; the outline has the pixels of raster::ThinLineSteps: on a
/// steep edge the nearest one to the crossing, else those between the crossings half a row above and below.
class Edge {
  public:
    Edge(Point from, Point to, FillExtent extent, const base::Clip& clip)
        : upper_(from.y < to.y ? from : to), sideways_((from.y < to.y) == (from.x <= to.x) ? 1 : -1),
          width_(std::abs(std::int64_t{to.x} - from.x)), winding_(from.y < to.y ? 1 : -1),
          kind_(extent == FillExtent::tiling                      ? Kind::bare
                : width_ >= std::abs(std::int64_t{to.y} - from.y) ? Kind::flat
                                                                  : Kind::steep),
          first_(std::max<std::int64_t>(upper_.y, clip.top)), end_(std::max(from.y, to.y)),
          bound_(start(first_ - upper_.y, std::abs(std::int64_t{to.y} - from.y))) {
        last_ = std::min(kind_ == Kind::bare ? end_ - 1 : end_, clip.bottom - 1);
        if (kind_ == Kind::flat) step(first_ - 1);
    }

    [[nodiscard]] std::int64_t first_row() const { return first_; }
    [[nodiscard]] std::int64_t last_row() const { return last_; }

    /// How it changes the winding, and the first row on which it does not any more.
    [[nodiscard]] int winding() const { return winding_; }
    [[nodiscard]] std::int64_t end_row() const { return end_; }

    [[nodiscard]] const Crossing& crossing() const { return crossing_; }

    /// Works out the crossing with the row, which follows the row before.
    void step(std::int64_t y) {
        crossing_.winding = y < end_ ? winding_ : 0;
        const std::int64_t value = bound_.value();
        bound_.next();
        switch (kind_) {
        case Kind::bare: crossing_.begin = crossing_.end = upper_.x - value; break;
        case Kind::steep:
            crossing_.begin = upper_.x + value;
            crossing_.end = crossing_.begin + 1;
            break;
        case Kind::flat: {
            // The pixels `near` to `far` from the upper end.
            const std::int64_t near = std::max<std::int64_t>(-previous_, 0);
            const std::int64_t far = std::min(-value - 1, width_);
            crossing_.begin = sideways_ > 0 ? upper_.x + near : upper_.x - far;
            crossing_.end = crossing_.begin + far - near + 1;
            previous_ = value;
        }
        }
    }

  private:
    enum class Kind : std::uint8_t { bare, steep, flat };

    [[nodiscard]] IncrementalDivision<std::int64_t> start(std::int64_t row, std::int64_t height) const {
        const base::Int128 k = row;
        const std::int64_t dx = sideways_ * width_;
        if (height == 0) return {0, -base::Int128{width_} - 1, 1}; // level: all of it on one row
        switch (kind_) {
        case Kind::bare: return {-k * dx, -dx, height};
        case Kind::steep: return {2 * k * dx + height, 2 * base::Int128{dx}, 2 * height};
        default: return {-(2 * k - 1) * width_, -2 * base::Int128{width_}, 2 * height};
        }
    }

    Point upper_;
    int sideways_;
    std::int64_t width_;
    int winding_;
    Kind kind_;
    std::int64_t first_;
    std::int64_t end_; ///< the lower end's row
    std::int64_t last_ = 0;
    IncrementalDivision<std::int64_t> bound_;
    std::int64_t previous_ = 0; ///< the bound half a row above
    Crossing crossing_{};
};

/// The edges that the clip's rows meet and that do not lie right of it, by their first row.
std::vector<Edge> edges_of(const Polygon& polygon, FillExtent extent, const base::Clip& clip) {
    std::vector<Edge> edges;
    std::size_t vertices = 0;
    for (const auto& ring : polygon.rings) vertices += ring.size();
    edges.reserve(vertices);
    for_each_edge(polygon, [&](Point from, Point to) {
        const auto [top, bottom] = std::minmax(from.y, to.y);
        if (top >= clip.bottom || bottom < clip.top || std::min(from.x, to.x) >= clip.right) return;
        if (extent == FillExtent::tiling && (top == bottom || bottom == clip.top)) return;
        edges.emplace_back(from, to, extent, clip);
    });
    std::ranges::sort(edges, {}, &Edge::first_row);
    return edges;
}

/// Sorts by where the crossings begin. They are mostly in order already, from the row before.
void sort(std::vector<Crossing>& crossings) {
    if (crossings.size() > 32) {
        std::ranges::sort(crossings, {}, &Crossing::begin);
        return;
    }
    for (std::size_t i = 1; i < crossings.size(); ++i)
        for (std::size_t j = i; j > 0 && crossings[j].begin < crossings[j - 1].begin; --j)
            std::swap(crossings[j], crossings[j - 1]);
}

/// Gives a row's pixels inside by the rule, and the edges' own, each pixel once.
void give_row(std::int32_t y, const std::vector<Crossing>& crossings, FillRule rule, SpanSink& sink) {
    int winding = 0;
    std::int64_t begin = 0;
    std::int64_t end = 0;
    for (const Crossing& crossing : crossings) {
        if (winding != 0) {
            end = std::max(end, crossing.begin);
        } else if (crossing.begin > end || begin == end) {
            sink.add(y, begin, end);
            begin = end = crossing.begin;
        }
        end = std::max(end, crossing.end);
        if (crossing.winding != 0)
            winding = rule == FillRule::even_odd ? 1 - winding : winding + crossing.winding;
    }
    sink.add(y, begin, winding != 0 ? sink.clip().right : end); // edges right of the clip are left out
}

/// True if rows that meet these two edges alone have their pixels between them.
bool enclose(const Edge& one, const Edge& other, FillRule rule) {
    return rule == FillRule::even_odd || one.winding() == -other.winding();
}

/// Gives the row's pixels of both edges and between them.
void give_row_between(Edge& one, Edge& other, std::int64_t y, SpanSink& sink) {
    one.step(y);
    other.step(y);
    sink.add(static_cast<std::int32_t>(y), std::min(one.crossing().begin, other.crossing().begin),
             std::max(one.crossing().end, other.crossing().end));
}

} // namespace

void fill(const Polygon& polygon, FillRule rule, FillExtent extent, SpanSink& sink) {
    const base::Clip& clip = sink.clip();
    const std::vector<Edge> edges = edges_of(polygon, extent, clip);
    if (edges.empty()) return;
    std::vector<Edge> active;
    std::vector<Crossing> crossings;
    auto next = edges.begin();
    std::int64_t y = next->first_row();
    while (next != edges.end() || !active.empty()) {
        std::erase_if(active, [y](const Edge& one) { return one.last_row() < y; });
        if (active.empty() && next != edges.end()) y = std::max(y, next->first_row()); // between far rings
        for (; next != edges.end() && next->first_row() == y; ++next) active.push_back(*next);
        if (active.size() == 2 && enclose(active[0], active[1], rule)) {
            const std::int64_t before_next = next == edges.end() ? clip.bottom : next->first_row();
            const std::int64_t end =
                std::min({active[0].end_row(), active[1].end_row(), before_next, clip.bottom});
            if (y < end) {
                for (; y < end; ++y) give_row_between(active[0], active[1], y, sink);
                continue;
            }
        }
        crossings.clear();
        for (Edge& one : active) {
            one.step(y);
            crossings.push_back(one.crossing());
        }
        sort(crossings);
        give_row(static_cast<std::int32_t>(y), crossings, rule, sink);
        ++y;
    }
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
