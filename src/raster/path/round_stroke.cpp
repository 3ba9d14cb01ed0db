#include "raster/path/round_stroke.hpp"

#include "raster/coverage/covered_area.hpp"
#include "raster/path/flattening.hpp"
#include "raster/path/outline.hpp"
#include "raster/spans/span_queries.hpp"

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <cstdint>
#include <vector>

namespace coldbrick::raster {

namespace {

struct Line {
    SubPoint from;
    SubPoint to;
};

double distance(const Line& line, SubVector from_start) {
    const SubVector way = SubVector::between(line.from, line.to);
    const double square = dot(way, way);
    const double share = square == 0 ? 0 : std::clamp(dot(from_start, way) / square, 0.0, 1.0);
    return (from_start + -share * way).length();
}

/// A square of pixels, whose sides are multiples of its size.
struct Tile {
    std::int64_t x;
    std::int64_t y;
    std::int64_t size;
};

class RoundStroke {
  public:
    RoundStroke(double radius, bool crisp, SpanSink& sink) : radius_(radius), crisp_(crisp), sink_(sink) {}

    void add(std::span<const CurveContour> contours) {
        const Flattening flattening(VisibleArea(sink_.clip(), radius_ + real_sub_pixels),
                                    Flattening::Purpose::inside);
        for (const CurveContour& contour : contours) {
            if (contour.curves.empty()) continue;
            SubPoint at = contour.curves.front().from();
            for (const Curve& curve : contour.curves)
                flattening.flatten(curve, 0, 1, [&](SubPoint to, double) {
                    lines_.push_back({at, to});
                    at = to;
                });
            if (contour.closed) lines_.push_back({at, contour.curves.front().from()});
        }
    }

    void give() {
        const base::Clip& clip = sink_.clip();
        if (clip.empty()) return;
        std::int64_t size = smallest;
        while (size < clip.right - clip.left || size < clip.bottom - clip.top) size *= 2;
        numbers_.resize(lines_.size());
        for (std::size_t i = 0; i < lines_.size(); ++i) numbers_[i] = static_cast<std::uint32_t>(i);
        const auto down_to = [size](std::int64_t at) { return at & -size; };
        for (std::int64_t y = down_to(clip.top); y < clip.bottom; y += size)
            for (std::int64_t x = down_to(clip.left); x < clip.right; x += size)
                give({x, y, size}, 0, lines_.size());
    }

  private:
    static constexpr std::int64_t smallest = 16;

    /// @param begin,end of numbers_, of the lines that may reach the tile
    void give(const Tile& tile, std::size_t begin, std::size_t end) {
        const base::Clip clip = shown(tile);
        if (clip.empty()) return;
        const std::size_t first = numbers_.size();
        const SubPoint corner = SubPoint::of_pixel(tile.x, tile.y);
        const double half = static_cast<double>(tile.size) * real_sub_pixels / 2;
        const double reach = half * std::sqrt(2.0);
        constexpr double rounding = 8; // of positions, in sub-pixels, far below a pixel
        for (std::size_t i = begin; i < end; ++i) {
            const Line& line = lines_[numbers_[i]];
            const SubVector to_corner = SubVector::between(line.from, corner);
            const SubVector to_middle{to_corner.x + half - real_sub_pixels / 2,
                                      to_corner.y + half - real_sub_pixels / 2};
            const double away = distance(line, to_middle);
            if (away + reach + rounding < radius_) {
                numbers_.resize(first);
                return fill(clip);
            }
            if (away - reach - rounding <= radius_) numbers_.push_back(numbers_[i]);
        }
        const std::size_t last = numbers_.size();
        if (first < last && tile.size == smallest)
            give_edge(clip, first, last);
        else if (first < last)
            for (const std::int64_t y : {tile.y, tile.y + tile.size / 2})
                for (const std::int64_t x : {tile.x, tile.x + tile.size / 2})
                    give({x, y, tile.size / 2}, first, last);
        numbers_.resize(first);
    }

    [[nodiscard]] base::Clip shown(const Tile& tile) const {
        const base::Clip& clip = sink_.clip();
        return {std::max(clip.left, tile.x), std::max(clip.top, tile.y),
                std::min(clip.right, tile.x + tile.size), std::min(clip.bottom, tile.y + tile.size)};
    }

    void fill(const base::Clip& clip) {
        for (std::int64_t y = clip.top; y < clip.bottom; ++y)
            sink_.add(static_cast<std::int32_t>(y), clip.left, clip.right);
    }

    /// The exact area of the lines' strokes in a tile.
    void give_edge(const base::Clip& clip, std::size_t first, std::size_t last) {
        CoveredArea area(clip);
        const OutlinePen pen{radius_, radius_, Cap::round, Join::round, 1};
        Outliner outliner(pen, area, AreaPart::stroke);
        for (std::size_t i = first; i < last; ++i) {
            const Line& line = lines_[numbers_[i]];
            if (line.from == line.to) {
                outliner.add_dot(line.from, {1, 0}, {});
            } else {
                const OutlineNode nodes[] = {{line.from, true}, {line.to, true}};
                outliner.add_open(nodes, {});
            }
        }
        const AreaRule rule{AreaRule::Kind::stroked};
        if (!crisp_) return area.give(rule, sink_);
        SpanSink::run_within(clip, sink_, [&](SpanSink& inside) { area.give_centres(rule, inside); });
    }

    double radius_;
    bool crisp_;
    SpanSink& sink_;
    std::vector<Line> lines_;
    std::vector<std::uint32_t> numbers_; ///< all lines, then those of the tiles that are being divided
};

} // namespace

bool is_crowded(std::span<const CurveContour> contours, double radius) {
    constexpr double least_radius = 8 * real_sub_pixels;
    if (radius < least_radius) return false;
    double length = 0;
    double lines = 0;
    for (const CurveContour& contour : contours)
        for (const Curve& curve : contour.curves) {
            length += curve.longest();
            lines += std::max(1.0, std::sqrt(curve.furthest_from_chord(0, 1) / flatness));
        }
    return lines > 8 && length < lines * radius / 4;
}

OutermostPlaces outermost_of_round_stroke(std::span<const CurveContour> contours, double radius) {
    OutermostPlaces result;
    result.fat = true;
    const Flattening flattening(VisibleArea(everywhere, radius), Flattening::Purpose::inside);
    const auto add = [&](SubPoint at) {
        constexpr auto parts = static_cast<long double>(sub_pixels);
        result.add_disc({static_cast<long double>(at.x) / parts, static_cast<long double>(at.y) / parts},
                        static_cast<long double>(radius) / parts);
    };
    for (const CurveContour& contour : contours) {
        if (contour.curves.empty()) continue;
        add(contour.curves.front().from());
        for (const Curve& curve : contour.curves)
            flattening.flatten(curve, 0, 1, [&](SubPoint to, double) { add(to); });
    }
    return result;
}

void round_stroke(std::span<const CurveContour> contours, double radius, bool crisp, SpanSink& sink) {
    RoundStroke stroke(radius, crisp, sink);
    stroke.add(contours);
    stroke.give();
}

} // namespace coldbrick::raster
