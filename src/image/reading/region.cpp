#include <coldbrick/region.hpp>

#include "geometry/placement.hpp"
#include "geometry/shape_instances.hpp"
#include "image/drawing/rasterise.hpp"
#include "image/drawing/style_checks.hpp"
#include "raster/spans/span_queries.hpp"
#include "raster/spans/span_set_operations.hpp"

#include <algorithm>
#include <functional>
#include <numeric>

namespace coldbrick {

namespace {

bool earlier(const Span& a, const Span& b) {
    return a.y != b.y ? a.y < b.y : a.x_begin < b.x_begin;
}

base::Clip clip_of(const Box& within) {
    geometry::check(within);
    const auto cut = [](std::int64_t value) {
        return std::clamp(value, raster::everywhere.left, raster::everywhere.right);
    };
    return {cut(within.x), cut(within.y), cut(within.end_x()), cut(within.end_y())};
}

/// The pixels in a clip of a shape with a style.
template <class S, class Style>
Region gathered(const S& shape, const Style& style, const base::Clip& clip) {
    image::check_styled(shape, style);
    if (clip.empty()) return {};
    return Region(raster::ordered_spans(clip, [&](raster::SpanSink& sink) {
        if constexpr (std::same_as<Style, Fill>)
            image::rasterise(shape, style, sink);
        else
            image::rasterise(shape, style, {}, sink);
    }));
}

} // namespace

Region::Region(std::vector<Span> spans) : spans_(std::move(spans)) {
    std::erase_if(spans_, [](const Span& span) { return span.x_begin >= span.x_end; });
    for (const Span& span : spans_)
        base::check_range("span's end", span.x_end, raster::everywhere.left, raster::everywhere.right);
    if (!std::ranges::is_sorted(spans_, earlier)) std::ranges::sort(spans_, earlier);
    std::size_t kept = 0;
    for (const Span& span : spans_) {
        if (kept > 0 && spans_[kept - 1].y == span.y && spans_[kept - 1].x_end >= span.x_begin)
            spans_[kept - 1].x_end = std::max(spans_[kept - 1].x_end, span.x_end);
        else
            spans_[kept++] = span;
    }
    spans_.resize(kept);
}

std::int64_t Region::area() const {
    std::int64_t result = 0;
    for (const Span& span : spans_) result += span.x_end - span.x_begin;
    return result;
}

Box Region::bounds() const {
    if (spans_.empty()) return {};
    std::int64_t left = spans_.front().x_begin;
    std::int64_t right = spans_.front().x_end;
    for (const Span& span : spans_) {
        left = std::min<std::int64_t>(left, span.x_begin);
        right = std::max(right, span.x_end);
    }
    return {left, spans_.front().y, right - left, std::int64_t{spans_.back().y} - spans_.front().y + 1};
}

bool Region::contains(Point pixel) const {
    const auto after = std::ranges::upper_bound(spans_, Span{pixel.y, pixel.x, pixel.x}, earlier);
    if (after == spans_.begin()) return false;
    const Span& span = *(after - 1);
    return span.y == pixel.y && pixel.x < span.x_end;
}

bool Region::touches(const Region& other) const {
    auto a = spans_.begin();
    auto b = other.spans_.begin();
    while (a != spans_.end() && b != other.spans_.end()) {
        if (a->y == b->y && a->x_begin < b->x_end && b->x_begin < a->x_end) return true;
        const bool a_ends_first = a->y != b->y ? a->y < b->y : a->x_end <= b->x_end;
        if (a_ends_first)
            ++a;
        else
            ++b;
    }
    return false;
}

Region Region::moved(std::int64_t dx, std::int64_t dy) const {
    Region result = *this;
    for (Span& span : result.spans_) {
        const Point first = geometry::moved({span.x_begin, span.y}, dx, dy);
        const std::int64_t last = geometry::coordinate("moved x", span.x_end - 1 + dx);
        span = {first.y, first.x, last + 1};
    }
    return result;
}

Region Region::placed(Anchor anchor, Point position) const {
    return geometry::placed_by_bounds(*this, anchor, position);
}

Region operator|(const Region& a, const Region& b) {
    return Region(raster::combined(a.spans_, b.spans_, [](bool in_a, bool in_b) { return in_a || in_b; }));
}

Region operator&(const Region& a, const Region& b) {
    return Region(raster::combined(a.spans_, b.spans_, [](bool in_a, bool in_b) { return in_a && in_b; }));
}

Region operator-(const Region& a, const Region& b) {
    return Region(raster::combined(a.spans_, b.spans_, [](bool in_a, bool in_b) { return in_a && !in_b; }));
}

Region operator^(const Region& a, const Region& b) {
    return Region(raster::combined(a.spans_, b.spans_, [](bool in_a, bool in_b) { return in_a != in_b; }));
}

Region united(std::span<const Region> regions) {
    std::vector<Span> spans;
    for (const Region& region : regions)
        spans.insert(spans.end(), region.spans().begin(), region.spans().end());
    return Region(std::move(spans));
}

namespace {

/// Numbers that stand for sets, which are joined: R. E. Tarjan, "Efficiency of a good but not linear set
/// union algorithm", Journal of the ACM 22(2), 1975.
class JoinedSets {
  public:
    explicit JoinedSets(std::size_t count) : above_(count) { std::iota(above_.begin(), above_.end(), 0); }

    std::size_t find(std::size_t i) {
        while (above_[i] != i) i = above_[i] = above_[above_[i]];
        return i;
    }
    /// The lower number stands for both.
    void join(std::size_t a, std::size_t b) {
        a = find(a);
        b = find(b);
        above_[std::max(a, b)] = std::min(a, b);
    }

  private:
    std::vector<std::size_t> above_;
};

/// Joins spans that touch others in the row above.
JoinedSets touching(const std::vector<Span>& spans) {
    JoinedSets sets(spans.size());
    std::size_t above = 0;
    for (std::size_t i = 0; i < spans.size(); ++i) {
        const auto is_before = [&](const Span& other) {
            return std::int64_t{other.y} < std::int64_t{spans[i].y} - 1 ||
                   (std::int64_t{other.y} == std::int64_t{spans[i].y} - 1 && other.x_end < spans[i].x_begin);
        };
        while (above < i && is_before(spans[above])) ++above;
        for (std::size_t j = above; j < i && std::int64_t{spans[j].y} == std::int64_t{spans[i].y} - 1; ++j) {
            if (spans[j].x_begin > spans[i].x_end) break;
            sets.join(i, j);
        }
    }
    return sets;
}

} // namespace

std::vector<Region> parts(const Region& region) {
    const std::vector<Span>& spans = region.spans();
    JoinedSets sets = touching(spans);
    std::vector<std::size_t> places(spans.size());
    std::vector<std::vector<Span>> found;
    for (std::size_t i = 0; i < spans.size(); ++i) {
        const std::size_t first = sets.find(i);
        if (first == i) {
            places[i] = found.size();
            found.emplace_back();
        }
        found[places[first]].push_back(spans[i]);
    }
    std::vector<Region> result;
    result.reserve(found.size());
    for (std::vector<Span>& part : found) result.emplace_back(std::move(part));
    std::ranges::stable_sort(result, std::greater(), &Region::area);
    return result;
}

template <ClosedShape S>
Region region(const S& shape, const Fill& fill) {
    return gathered(shape, fill, raster::everywhere);
}

template <ClosedShape S>
Region region(const S& shape, const Fill& fill, const Box& within) {
    return gathered(shape, fill, clip_of(within));
}

template <AnyShape S>
Region region(const S& shape, const Stroke& stroke) {
    return gathered(shape, stroke, raster::everywhere);
}

template <AnyShape S>
Region region(const S& shape, const Stroke& stroke, const Box& within) {
    return gathered(shape, stroke, clip_of(within));
}

#define COLDBRICK_INSTANTIATE(S)                                                                             \
    template COLDBRICK_EXPORTED Region region(const S&, const Fill&);                                        \
    template COLDBRICK_EXPORTED Region region(const S&, const Fill&, const Box&);
COLDBRICK_FOR_EACH_CLOSED_SHAPE(COLDBRICK_INSTANTIATE)
#undef COLDBRICK_INSTANTIATE
#define COLDBRICK_INSTANTIATE(S)                                                                             \
    template COLDBRICK_EXPORTED Region region(const S&, const Stroke&);                                      \
    template COLDBRICK_EXPORTED Region region(const S&, const Stroke&, const Box&);
COLDBRICK_FOR_EACH_SHAPE(COLDBRICK_INSTANTIATE)
#undef COLDBRICK_INSTANTIATE

} // namespace coldbrick
