#include "raster/path/round_stroke.hpp"

#include "raster/coverage/covered_area.hpp"
#include "raster/path/flattening.hpp"
#include "raster/path/outline.hpp"
#include "raster/spans/span_queries.hpp"

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <cstdint>
#include <limits>
#include <vector>

namespace coldbrick::raster {

namespace {

struct StrokedLine {
    SubPoint from;
    SubPoint to;
};

/// From the nearest point of a line to one that is seen from its beginning.
SubVector from_nearest(const StrokedLine& line, SubVector from_start) {
    const SubVector way = SubVector::between(line.from, line.to);
    const double square = dot(way, way);
    const double share = square == 0 ? 0 : std::clamp(dot(from_start, way) / square, 0.0, 1.0);
    return from_start + -share * way;
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
        const base::Clip clip = reached();
        if (clip.empty()) return;
        constexpr std::int64_t size = 1024; // whatever the clip is, so that a tile always has the same lines
        numbers_.resize(lines_.size());
        for (std::size_t i = 0; i < lines_.size(); ++i) numbers_[i] = static_cast<std::uint32_t>(i);
        const auto down_to = [](std::int64_t at) { return at & -size; };
        for (std::int64_t y = down_to(clip.top); y < clip.bottom; y += size)
            for (std::int64_t x = down_to(clip.left); x < clip.right; x += size)
                give({x, y, size}, 0, lines_.size());
    }

  private:
    /// The part of the clip that lines may reach.
    [[nodiscard]] base::Clip reached() const {
        constexpr std::int64_t furthest = std::int64_t{1} << 60;
        base::Clip box{furthest, furthest, -furthest, -furthest};
        for (const StrokedLine& line : lines_)
            for (const SubPoint at : {line.from, line.to})
                box = {std::min(box.left, at.x), std::min(box.top, at.y), std::max(box.right, at.x),
                       std::max(box.bottom, at.y)};
        const auto reach = static_cast<std::int64_t>(radius_) + sub_pixels;
        const base::Clip& clip = sink_.clip();
        return {std::max(clip.left, (box.left - reach) >> sub_pixel_bits),
                std::max(clip.top, (box.top - reach) >> sub_pixel_bits),
                std::min(clip.right, ((box.right + reach) >> sub_pixel_bits) + 1),
                std::min(clip.bottom, ((box.bottom + reach) >> sub_pixel_bits) + 1)};
    }

    /// A line that may reach a tile, as its middle sees it.
    struct Seen {
        std::uint32_t number;
        double away;
        SubVector direction;
    };

    /// @param begin,end of numbers_, of the lines that may reach the tile
    void give(const Tile& tile, std::size_t begin, std::size_t end) {
        const base::Clip clip = shown(tile);
        if (clip.empty()) return;
        const double half = static_cast<double>(tile.size) * real_sub_pixels / 2;
        const double reach = half * std::sqrt(2.0);
        const SubPoint corner = SubPoint::of_pixel(tile.x, tile.y);
        const double to_middle = half - real_sub_pixels / 2; // from the centre of the first pixel
        seen_.clear();
        double nearest = std::numeric_limits<double>::infinity();
        for (std::size_t i = begin; i < end; ++i) {
            const StrokedLine& line = lines_[numbers_[i]];
            const SubVector to_corner = SubVector::between(line.from, corner);
            const SubVector way = from_nearest(line, {to_corner.x + to_middle, to_corner.y + to_middle});
            const double away = way.length();
            if (away + reach + rounding < radius_) return fill(clip);
            if (away - reach - rounding > radius_) continue;
            nearest = std::min(nearest, away);
            seen_.push_back({numbers_[i], away, away == 0 ? SubVector() : (1 / away) * way});
        }
        if (seen_.empty()) return;
        const std::size_t first = numbers_.size();
        keep_needed(reach, nearest);
        const std::size_t last = numbers_.size();
        // Of many lines, fewer are needed in smaller tiles.
        constexpr std::size_t few = 8;
        if (tile.size <= (last - first <= few ? 16 : 4))
            give_edge(clip, first, last);
        else
            for (const std::int64_t y : {tile.y, tile.y + tile.size / 2})
                for (const std::int64_t x : {tile.x, tile.x + tile.size / 2})
                    give({x, y, tile.size / 2}, first, last);
        numbers_.resize(first);
    }

    /// Keeps the lines that may be nearest to some place of the tile. Away from its middle, the distances of
    /// two lines change at rates that differ by the difference of their directions, and of that by the reach
    /// over the distance.
    void keep_needed(double reach, double nearest) {
        const auto best = std::ranges::find(seen_, nearest, &Seen::away);
        const SubVector direction = best->direction;
        const double bend =
            nearest > 2 * reach ? reach * reach / (nearest - reach) : std::numeric_limits<double>::infinity();
        for (const Seen& line : seen_) {
            const double turn = (line.direction - direction).length();
            if (line.away - nearest <= turn * reach + bend + rounding) numbers_.push_back(line.number);
        }
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
        for (std::size_t i = first; i < last;) {
            nodes_.assign(1, {lines_[numbers_[i]].from, true});
            // Lines that follow each other are one.
            do {
                const SubPoint to = lines_[numbers_[i]].to;
                if (to != nodes_.back().at) nodes_.push_back({to, true});
                ++i;
            } while (i < last && numbers_[i] == numbers_[i - 1] + 1 &&
                     lines_[numbers_[i]].from == nodes_.back().at);
            if (nodes_.size() == 1)
                outliner.add_dot(nodes_.front().at, {1, 0}, {});
            else
                outliner.add_open(nodes_, {});
        }
        const AreaRule rule{AreaRule::Kind::stroked};
        if (!crisp_) return area.give(rule, sink_);
        SpanSink::run_within(clip, sink_, [&](SpanSink& inside) { area.give_centres(rule, inside); });
    }

    static constexpr double rounding = 8; ///< of positions, in sub-pixels, far below a pixel

    double radius_;
    bool crisp_;
    SpanSink& sink_;
    std::vector<StrokedLine> lines_;
    std::vector<Seen> seen_;             ///< by one tile
    std::vector<OutlineNode> nodes_;     ///< of lines that follow each other
    std::vector<std::uint32_t> numbers_; ///< all lines, then those of the tiles that are being divided
};

} // namespace

bool is_crowded(std::span<const CurveContour> contours, double radius) {
    constexpr double least_radius = 4 * real_sub_pixels;
    if (radius < least_radius) return false;
    double length = 0;
    double lines = 0;
    for (const CurveContour& contour : contours)
        for (const Curve& curve : contour.curves) {
            length += curve.longest();
            lines += std::max(1.0, std::sqrt(curve.furthest_from_chord(0, 1) / flatness));
        }
    return lines > 8 && length < lines * radius;
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
