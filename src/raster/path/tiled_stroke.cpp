#include "raster/path/tiled_stroke.hpp"

#include "raster/coverage/covered_area.hpp"
#include "raster/path/flattening.hpp"
#include "raster/path/outline.hpp"
#include "raster/spans/span_queries.hpp"

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <cstdint>
#include <limits>
#include <numeric>
#include <optional>
#include <vector>

namespace coldbrick::raster {

namespace {

struct StrokedLine {
    SubPoint from;
    SubPoint to;
    std::uint32_t stretch;
};

/// Lines that follow each other without a corner. Its stroke, but for what caps and joins add at its ends, is
/// all that is within the radius and nearest to another of its places than its ends.
struct Stretch {
    std::uint32_t first; ///< line
    std::uint32_t last;
    std::uint32_t contour;
};

/// Those of a curve at the ends of one of its lines; of straight ones none.
struct Directions {
    SubVector leaving;
    SubVector arriving;
};

/// The lines of a contour. What a closed one has at its first line's beginning is a corner.
struct ContourLines {
    std::uint32_t first;
    std::uint32_t last;
    bool closed;
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

class TiledStroke {
  public:
    TiledStroke(const OutlinePen& pen, bool crisp, SpanSink& sink)
        : pen_(pen), radius_(pen.right), round_(is_round(pen)), rounding_(round_ ? 8 : 8 + flatness),
          reach_of_ends_(round_ ? radius_ : std::max(pen.reach(), pen.reach_of_tips())), crisp_(crisp),
          sink_(sink) {}

    void add(std::span<const CurveContour> contours) {
        const Flattening flattening =
            round_
                ? Flattening(VisibleArea(sink_.clip(), radius_ + real_sub_pixels),
                             Flattening::Purpose::inside)
                : Flattening(VisibleArea(sink_.clip(), pen_.reach()), Flattening::Purpose::stroke, radius_);
        for (const CurveContour& contour : contours)
            if (!contour.curves.empty()) add(contour, flattening);
    }

    void give() {
        const base::Clip clip = reached();
        if (clip.empty()) return;
        constexpr std::int64_t size = 1024; // whatever the clip is, so that a tile always has the same lines
        numbers_.resize(lines_.size());
        std::iota(numbers_.begin(), numbers_.end(), std::uint32_t{0});
        const auto down_to = [](std::int64_t at) { return at & -size; };
        for (std::int64_t y = down_to(clip.top); y < clip.bottom; y += size)
            for (std::int64_t x = down_to(clip.left); x < clip.right; x += size)
                give({x, y, size}, 0, lines_.size());
    }

  private:
    void add(const CurveContour& contour, const Flattening& flattening) {
        const std::uint32_t first = line_count();
        const SubPoint start = contour.curves.front().from();
        SubPoint at = start;
        const auto add_line = [&](SubPoint to, Directions directions = {}, bool is_last = true) {
            if (to == at) return;
            if (turns_at_once(at, to, directions.leaving, directions.arriving, radius_)) {
                if (!is_last) return;
                directions = {};
            }
            lines_.push_back({at, to, static_cast<std::uint32_t>(stretches_.size())});
            if (!round_) directions_.push_back(directions);
            at = to;
        };
        for (const Curve& curve : contour.curves) {
            const std::uint32_t begin = line_count();
            SubVector leaving = curve.direction(0);
            flattening.flatten(curve, 0, 1, [&](SubPoint to, double t) {
                if (round_ || curve.is_straight()) return add_line(to);
                const SubVector arriving = curve.direction(t);
                add_line(to, {leaving, arriving}, t >= 1);
                leaving = arriving;
            });
            end_stretch(begin);
        }
        // There and back again is no closed contour, as it has no corners to join.
        const bool there_and_back = contour.closed && line_count() == first + (at == start ? 2 : 1);
        const std::uint32_t begin = line_count();
        if (there_and_back && at == start) leave_out_last_line();
        if (contour.closed && !there_and_back) add_line(start);
        end_stretch(begin);
        if (line_count() == first) { // a dot
            lines_.push_back({start, start, static_cast<std::uint32_t>(stretches_.size())});
            if (!round_) directions_.push_back({});
            end_stretch(first);
        }
        contours_.push_back({first, line_count() - 1, contour.closed && line_count() > first + 2});
    }

    void end_stretch(std::uint32_t begin) {
        if (begin >= line_count()) return;
        stretches_.push_back({begin, line_count() - 1, static_cast<std::uint32_t>(contours_.size())});
    }

    void leave_out_last_line() {
        lines_.pop_back();
        if (!round_) directions_.pop_back();
        if (stretches_.back().first == line_count()) return stretches_.pop_back();
        stretches_.back().last = line_count() - 1;
    }

    [[nodiscard]] std::uint32_t line_count() const { return static_cast<std::uint32_t>(lines_.size()); }
    [[nodiscard]] const Stretch& stretch_of(std::uint32_t line) const {
        return stretches_[lines_[line].stretch];
    }
    [[nodiscard]] const ContourLines& contour_of(std::uint32_t line) const {
        return contours_[stretch_of(line).contour];
    }
    /// Whether a line has a cap or a corner, which reach elsewhere than the radius.
    [[nodiscard]] bool has_end(std::uint32_t line) const {
        const Stretch& stretch = stretch_of(line);
        return !round_ && (line == stretch.first || line == stretch.last);
    }

    /// The part of the clip that lines may reach.
    [[nodiscard]] base::Clip reached() const {
        constexpr std::int64_t furthest = std::int64_t{1} << 60;
        base::Clip box{furthest, furthest, -furthest, -furthest};
        for (const StrokedLine& line : lines_)
            for (const SubPoint at : {line.from, line.to})
                box = {std::min(box.left, at.x), std::min(box.top, at.y), std::max(box.right, at.x),
                       std::max(box.bottom, at.y)};
        const auto reach = static_cast<std::int64_t>(reach_of_ends_) + sub_pixels;
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
        const auto to_middle_from = [&](SubPoint from) {
            const SubVector to_corner = SubVector::between(from, corner);
            return SubVector{to_corner.x + to_middle, to_corner.y + to_middle};
        };
        seen_.clear();
        std::optional<Seen> nearest;
        for (std::size_t i = begin; i < end; ++i) {
            const StrokedLine& line = lines_[numbers_[i]];
            const SubVector way = from_nearest(line, to_middle_from(line.from));
            const double away = way.length();
            if (away - reach - rounding_ > (has_end(numbers_[i]) ? reach_of_ends_ : radius_)) continue;
            seen_.push_back({numbers_[i], away, away == 0 ? SubVector() : (1 / away) * way});
            if (nearest && nearest->away <= away) continue;
            // No place of the tile is nearest to an end of the line's stretch.
            const Stretch& stretch = stretch_of(numbers_[i]);
            const double ends = away + 2 * reach + rounding_;
            if (!round_ && (to_middle_from(lines_[stretch.first].from).length() < ends ||
                            to_middle_from(lines_[stretch.last].to).length() < ends))
                continue;
            if (away + reach + rounding_ < radius_) return fill(clip);
            nearest = seen_.back();
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

    /// Keeps the lines that may be nearest to some place of the tile, and those whose caps and joins may
    /// reach further than the radius. Away from its middle, the distances of two lines change at rates that
    /// differ by the difference of their directions, and of that by the reach over the distance.
    /// @param nearest of the lines whose stretch has all of the tile that is within the radius, if there are
    /// any
    void keep_needed(double reach, const std::optional<Seen>& nearest) {
        if (!nearest) {
            for (const Seen& line : seen_) numbers_.push_back(line.number);
            return;
        }
        const double bend = nearest->away > 2 * reach ? reach * reach / (nearest->away - reach)
                                                      : std::numeric_limits<double>::infinity();
        for (const Seen& line : seen_) {
            const double turn = (line.direction - nearest->direction).length();
            if (has_end(line.number) || line.away - nearest->away <= turn * reach + bend + rounding_)
                numbers_.push_back(line.number);
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
        Outliner outliner(pen_, area, AreaPart::stroke);
        for (std::size_t i = first; i < last;) {
            const std::uint32_t begin = numbers_[i];
            std::uint32_t end = begin;
            nodes_ = {begin_of(begin), end_of(begin)};
            // Lines that follow each other are one.
            while (++i < last && numbers_[i] == end + 1 && &contour_of(numbers_[i]) == &contour_of(begin)) {
                end = numbers_[i];
                nodes_.back().leaving = begin_of(end).leaving;
                nodes_.push_back(end_of(end));
            }
            give_nodes(begin, end, outliner);
        }
        if (!round_) add_closings({numbers_.data() + first, numbers_.data() + last}, outliner);
        const AreaRule rule{AreaRule::Kind::stroked};
        if (!crisp_) return area.give(rule, sink_);
        SpanSink::run_within(clip, sink_, [&](SpanSink& inside) { area.give_centres(rule, inside); });
    }

    /// A line's ends, as nodes that nothing else meets.
    [[nodiscard]] OutlineNode begin_of(std::uint32_t line) const {
        return {lines_[line].from, true, {}, round_ ? SubVector() : directions_[line].leaving};
    }
    [[nodiscard]] OutlineNode end_of(std::uint32_t line) const {
        return {lines_[line].to, line == stretch_of(line).last,
                round_ ? SubVector() : directions_[line].arriving};
    }

    void give_nodes(std::uint32_t begin, std::uint32_t end, Outliner& outliner) {
        if (nodes_.front().at == nodes_.back().at && begin == end)
            return outliner.add_dot(nodes_.front().at, {1, 0}, {});
        // Beyond other ends the stroke goes on, but what it has there is not needed.
        const ContourLines& contour = contour_of(begin);
        const bool has_begin = begin == contour.first && !contour.closed;
        const bool has_end = end == contour.last && !contour.closed;
        const auto cap = [&](bool is_end) { return round_ || is_end ? pen_.cap : Cap::butt; };
        outliner.add_open(nodes_, {}, {cap(has_begin), cap(has_end), !has_begin, !has_end});
    }

    /// The corners at which closed contours begin and end.
    void add_closings(std::span<const std::uint32_t> numbers, Outliner& outliner) {
        for (const std::uint32_t number : numbers) {
            const ContourLines& contour = contour_of(number);
            if (!contour.closed || number != contour.first ||
                !std::ranges::binary_search(numbers, contour.last))
                continue;
            OutlineNode start = end_of(contour.last);
            start.leaving = begin_of(contour.first).leaving;
            nodes_ = {begin_of(contour.last), start, end_of(contour.first)};
            outliner.add_open(nodes_, {}, {Cap::butt, Cap::butt, true, true});
        }
    }

    OutlinePen pen_;
    double radius_;
    bool round_;
    double rounding_; ///< of positions and of what lies between normals, in sub-pixels, far below a pixel
    double reach_of_ends_; ///< of caps and joins, from their lines
    bool crisp_;
    SpanSink& sink_;
    std::vector<StrokedLine> lines_;
    std::vector<Directions> directions_; ///< of the lines of strokes that are not round
    std::vector<Stretch> stretches_;
    std::vector<ContourLines> contours_;
    std::vector<Seen> seen_;             ///< by one tile
    std::vector<OutlineNode> nodes_;     ///< of lines that follow each other
    std::vector<std::uint32_t> numbers_; ///< all lines, then those of the tiles that are being divided
};

} // namespace

bool is_crowded(std::span<const CurveContour> contours, const OutlinePen& pen, bool crisp) {
    constexpr double least_radius = 4 * real_sub_pixels;
    const double radius = pen.right;
    if (radius < least_radius || radius != pen.left) return false;
    double length = 0;
    double lines = 0;
    double curves = 0;
    for (const CurveContour& contour : contours)
        for (const Curve& curve : contour.curves) {
            length += curve.longest();
            lines += std::max(1.0, std::sqrt(curve.furthest_from_chord(0, 1) / flatness));
            ++curves;
        }
    if (!(length < lines * radius)) return false;
    if (is_round(pen)) return lines > 8;
    // Near the ends of curves nothing is left out: it takes many curves that are long enough to gain by what
    // is left out elsewhere. Whether centres lie inside is found faster than areas.
    return lines > (crisp ? 10'000 : 1000) && lines > 4 * curves && radius * curves < length;
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

void tiled_stroke(std::span<const CurveContour> contours, const OutlinePen& pen, bool crisp, SpanSink& sink) {
    TiledStroke stroke(pen, crisp, sink);
    stroke.add(contours);
    stroke.give();
}

} // namespace coldbrick::raster
