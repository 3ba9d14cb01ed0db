#include "raster/path/path_area.hpp"

#include "raster/stroke/dash_pattern.hpp"

#include <algorithm>
#include <cmath>
#include <limits>
#include <unordered_map>

namespace coldbrick::raster {

void add_inside(std::span<const CurveContour> contours, const Flattening& flattening, CoveredArea& area,
                AreaPart part, Inside inside) {
    const auto add = [&](SubPoint from, SubPoint to) {
        inside == Inside::added ? area.add(from, to, part) : area.add(to, from, part);
    };
    for (const CurveContour& contour : contours) {
        if (contour.curves.empty()) continue;
        const SubPoint start = contour.curves.front().from();
        SubPoint at = start;
        for (const Curve& curve : contour.curves)
            flattening.flatten(curve, 0, 1, [&](SubPoint to, double) {
                add(at, to);
                at = to;
            });
        add(at, start);
    }
}

namespace {

/// Nodes one after the other, none like the one before.
class NodeList {
  public:
    NodeList(bool shifted, const OutlinePen& pen)
        : shift_(shifted ? -half_a_pixel : 0), reach_(std::max(pen.right, pen.left)) {}

    void clear() { nodes_.clear(); }
    void add(SubPoint at, bool is_corner, SubVector arriving = {}) {
        const SubPoint place = at + SubPoint{shift_, shift_};
        if (nodes_.empty() || nodes_.back().at != place) {
            if (!nodes_.empty() &&
                turns_at_once(nodes_.back().at, place, nodes_.back().leaving, arriving, reach_)) {
                if (!is_corner) return go_on(arriving);
                nodes_.back().leaving = arriving = {};
            }
            return nodes_.push_back({place, is_corner, arriving});
        }
        nodes_.back().is_corner |= is_corner;
        if (nodes_.size() > 1 && arriving != SubVector()) nodes_.back().arriving = arriving;
    }
    /// Tells in which direction a curve goes on at the last node.
    void go_on(SubVector direction) { nodes_.back().leaving = direction; }
    /// Tells in which direction a curve begins at the last node.
    void leave(SubVector direction) {
        nodes_.back().leaving = direction;
        if (nodes_.size() > 1) settle(nodes_.back(), nodes_[nodes_.size() - 2].at);
    }
    /// For a contour that is closed.
    /// @param is_corner whether there is one where it begins
    void leave_out_end_at_start(bool is_corner) {
        OutlineNode& start = nodes_.front();
        if (nodes_.size() > 1 && nodes_.back().at == start.at) {
            start.arriving = nodes_.back().arriving;
            nodes_.pop_back();
        }
        start.is_corner = is_corner;
        if (!is_corner) start.arriving = start.leaving;
        if (nodes_.size() < 2 || !is_corner) return;
        if (start.arriving != SubVector() && start.leaving == SubVector())
            start.leaving = direction_between(start.at, nodes_[1].at);
        settle(start, nodes_.back().at);
    }
    [[nodiscard]] const std::vector<OutlineNode>& nodes() const { return nodes_; }

  private:
    /// Where curves meet almost in one direction there is no corner: whatever the join is, it adds as good as
    /// nothing to a round one.
    void settle(OutlineNode& node, SubPoint before) const {
        const bool is_line = node.arriving == SubVector();
        const SubVector arriving = is_line ? direction_between(before, node.at) : node.arriving;
        const double turn = cross(arriving, node.leaving);
        if (dot(arriving, node.leaving) <= 0 || reach_ * turn * turn / 8 > flatness / 2) return;
        const SubVector middle = is_line ? arriving : arriving + node.leaving;
        node.leaving = (1 / middle.length()) * middle;
        if (!is_line) node.arriving = node.leaving;
        node.is_corner = false;
    }

    /// @param to another place
    static SubVector direction_between(SubPoint from, SubPoint to) {
        const SubVector way = SubVector::between(from, to);
        return (1 / way.length()) * way;
    }

    std::int64_t shift_;
    double reach_;
    std::vector<OutlineNode> nodes_;
};

/// Strokes contours, one after the other.
class ContourStroker {
  public:
    ContourStroker(const ContourPen& pen, const base::Clip& clip, const Outliner& outliner)
        : pen_(pen), visible_(clip, pen.outline.reach()), visible_tips_(clip, pen.outline.reach_of_tips()),
          flattening_(visible_, Flattening::Purpose::stroke, std::max(pen.outline.right, pen.outline.left)),
          outliner_(outliner), nodes_(pen.shifted, pen.outline) {}

    void add(const CurveContour& contour) {
        if (contour.curves.empty()) return;
        if (pen_.dashes.empty()) return add_solid(contour);
        add_dashed(contour);
    }

  private:
    void add_solid(const CurveContour& contour) {
        nodes_.clear();
        nodes_.add(contour.curves.front().from(), true);
        for (const Curve& curve : contour.curves) add_nodes(curve, 0, 1);
        if (!contour.closed) return give_open({1, 1});
        nodes_.leave_out_end_at_start(!is_whole_ellipse(contour));
        // There and back again has no corners to join.
        if (nodes_.nodes().size() < 3) return give_open({1, 1});
        outliner_.add_closed(nodes_.nodes());
    }

    /// Such a contour has no corner where it begins.
    static bool is_whole_ellipse(const CurveContour& contour) {
        return contour.curves.size() == 1 && std::holds_alternative<ArcForm>(contour.curves.front().form());
    }

    /// Adds the nodes of part of a curve but for its beginning.
    void add_nodes(const Curve& curve, double begin, double end) {
        if (curve.is_straight()) {
            if (nodes_.nodes().back().arriving != SubVector()) nodes_.leave(curve.direction(begin));
            return nodes_.add(curve.point(end), end >= 1);
        }
        nodes_.leave(curve.direction(begin));
        flattening_.flatten(curve, begin, end, [&](SubPoint to, double t) {
            const SubVector direction = curve.direction(t);
            nodes_.add(to, t >= 1, direction);
            if (t < end) nodes_.go_on(direction);
        });
    }

    /// Strokes the nodes as a path with ends. @param share of the lengthening that butt ends have at most
    void give_open(const Lengthening& share) {
        const auto& nodes = nodes_.nodes();
        if (nodes.size() == 1) return give_dot(nodes.front().at, share);
        outliner_.add_open(nodes, {share.at_begin * lengthening(nodes[1].at, nodes[0].at),
                                   share.at_end * lengthening(nodes[nodes.size() - 2].at, nodes.back().at)});
    }

    /// Without a direction, as wide as it is long, where the pixels are whole.
    void give_dot(SubPoint at, const Lengthening& share) {
        const double radius = (pen_.outline.right + pen_.outline.left) / 2;
        const Lengthening square{share.at_begin * radius, share.at_end * radius};
        outliner_.add_dot(at, {1, 0}, pen_.on_pixels ? square : Lengthening());
    }

    /// By how much a butt end goes on. A shifted line goes on from where its end would be.
    [[nodiscard]] double lengthening(SubPoint from, SubPoint end) const {
        if (!pen_.on_pixels) return 0;
        if (!pen_.shifted) return real_sub_pixels / 2;
        const SubVector way = SubVector::between(from, end);
        return real_sub_pixels / 2 * (1 + (way.x + way.y) / way.length());
    }

    // Dashes.

    /// A curve of the contour and where on it the curve lies.
    struct Stretch {
        const Curve* curve;
        CurveLength length;
        double begin; ///< in sub-pixels from the contour's beginning
    };

    /// Where a dash begins and ends, in sub-pixels along the contour, and how much of the lengthening it has.
    struct DashEnds {
        double from;
        double to;
        Lengthening share;
    };

    void add_dashed(const CurveContour& contour) {
        std::vector<Stretch> stretches;
        stretches.reserve(contour.curves.size());
        double whole = 0;
        for (const Curve& curve : contour.curves) {
            stretches.push_back({&curve, CurveLength(curve), whole});
            whole += stretches.back().length.whole();
        }
        const DashPattern pattern(pen_.dashes, pen_.dash_offset);
        double done = -std::numeric_limits<double>::infinity();
        // Beside a curve the caps of all dashes may reach as far, and on a line those further off have the
        // same sides but for rounding; unless the dashes are so short that they look alike, and those nearest
        // to what can be seen reach further over it than all others.
        constexpr double many = 256;
        const double width = (pen_.outline.right + pen_.outline.left) / real_sub_pixels;
        const bool nearest_only =
            pen_.outline.cap == Cap::butt || width > many * static_cast<double>(pattern.period());
        const double more = static_cast<double>(pattern.period()) + 1 + (nearest_only ? 0 : width);
        const auto add_on = [&](double from, double to) {
            pattern.for_each_on(from / real_sub_pixels - more, to / real_sub_pixels + more,
                                [&](long double on, long double off) {
                                    const auto begin = static_cast<double>(on) * real_sub_pixels;
                                    if (begin <= done) return;
                                    done = begin;
                                    add_dash(stretches, begin, static_cast<double>(off) * real_sub_pixels,
                                             whole);
                                });
        };
        for (const Stretch& stretch : stretches) for_each_visible(stretch, nearest_only, add_on);
    }

    /// Calls visit(from, to) for the positions along the contour that may show.
    /// @param nearest_only whether those nearest to what can be seen do
    template <class Visit>
    void for_each_visible(const Stretch& stretch, bool nearest_only, const Visit& visit) {
        const Curve& curve = *stretch.curve;
        if (curve.is_straight()) {
            const double whole = stretch.length.whole();
            if (whole == 0) return visit(stretch.begin, stretch.begin);
            if (!visible_.hides(curve.from(), curve.to(), real_sub_pixels)) {
                const auto [begin, end] = visible_.along(curve.from(), curve.to());
                visit(stretch.begin + std::clamp(begin, 0.0, 1.0) * whole,
                      stretch.begin + std::clamp(end, 0.0, 1.0) * whole);
            }
        } else {
            SubPoint at = curve.from();
            double from = 0;
            flattening_.flatten(curve, 0, 1, [&](SubPoint to, double t) {
                const bool beside =
                    nearest_only && from != 0 && t != 1 && visible_.passes_beside(at, to, flatness);
                if (!beside && !visible_.hides(at, to, real_sub_pixels))
                    visit(stretch.begin + stretch.length.up_to(from),
                          stretch.begin + stretch.length.up_to(t));
                at = to;
                from = t;
            });
        }
        const double end = stretch.begin + stretch.length.whole();
        if (!visible_tips_.hides(curve.to(), curve.to(), real_sub_pixels)) visit(end, end);
    }

    /// True for what is as wide as a pixel and lies on pixels: there a dash has the pixels whose centre it
    /// reaches, its far end left out, so that equal dashes and gaps look alike.
    [[nodiscard]] bool is_thin() const {
        return pen_.on_pixels && pen_.outline.cap == Cap::butt &&
               pen_.outline.right + pen_.outline.left == real_sub_pixels;
    }

    void add_dash(const std::vector<Stretch>& stretches, double on, double off, double whole) {
        const bool dot = on == off;
        if (is_thin()) {
            // Those whose centres no dash of the path reaches have nothing of one beyond its end.
            if (dot || off <= 0 || on > whole) return;
            const double begin = on - real_sub_pixels / 2;
            const double end = off - real_sub_pixels / 2;
            const double from = std::clamp(begin, 0.0, whole);
            const double to = std::clamp(end, 0.0, whole);
            const auto beyond = [](double way) { return std::clamp(2 * way / real_sub_pixels, -1.0, 1.0); };
            return give_dash(stretches, {from, to, {beyond(from - begin), beyond(end - to)}});
        }
        if (dot ? on < 0 || on > whole : off <= 0 || on >= whole) return;
        give_dash(stretches, {std::max(on, 0.0), std::min(off, whole), {1, 1}});
    }

    void give_dash(const std::vector<Stretch>& stretches, const DashEnds& dash) {
        nodes_.clear();
        auto first = std::ranges::upper_bound(stretches, dash.from, {}, &Stretch::begin) - 1;
        const double begin = first->length.parameter_at(dash.from - first->begin);
        nodes_.add(first->curve->point(begin), true);
        const SubVector direction = first->curve->direction(begin);
        double from = begin;
        for (auto stretch = first;
             stretch != stretches.end() && (stretch->begin < dash.to || stretch == first); ++stretch) {
            const double end = stretch->length.parameter_at(dash.to - stretch->begin);
            if (end > from) add_nodes(*stretch->curve, from, end);
            from = 0;
        }
        if (nodes_.nodes().size() > 1) return give_open(dash.share);
        if (direction == SubVector()) return give_dot(nodes_.nodes().front().at, dash.share);
        const double more = pen_.on_pixels ? real_sub_pixels / 2 : 0;
        outliner_.add_dot(nodes_.nodes().front().at, direction,
                          {dash.share.at_begin * more, dash.share.at_end * more});
    }

    const ContourPen& pen_;
    VisibleArea visible_;
    VisibleArea visible_tips_;
    Flattening flattening_;
    Outliner outliner_;
    NodeList nodes_;
};

} // namespace

void add_stroke(std::span<const CurveContour> contours, const ContourPen& pen, CoveredArea& area,
                AreaPart part) {
    ContourStroker stroker(pen, area.clip(), Outliner(pen.outline, area, part));
    for (const CurveContour& contour : contours) stroker.add(contour);
}

void add_stroke(std::span<const CurveContour> contours, const ContourPen& pen, ConvexPieces& pieces) {
    ContourStroker stroker(pen, pieces.clip(), Outliner(pen.outline, pieces));
    for (const CurveContour& contour : contours) stroker.add(contour);
}

namespace {

constexpr std::int64_t many = 64;

/// Counts the lines that begin in, or pass, squares of about their own length, and finds one that has
/// many.
class LineCrowds {
  public:
    /// False until one has.
    bool add(SubPoint from, SubPoint to) {
        const SubVector way = SubVector::between(from, to);
        const double length = way.length() / real_sub_pixels;
        // Squares of 1, 4 and 16 pixels; the longest lines are looked at every 16.
        const int bits = length < 1 ? 0 : length < 4 ? 2 : 4;
        const int places = static_cast<int>(std::clamp(length / 16, 1.0, 64.0));
        for (int i = 0; i < places; ++i) {
            const SubPoint at = from + static_cast<double>(i) / places * way;
            const std::int64_t x = at.x >> (sub_pixel_bits + bits);
            const std::int64_t y = at.y >> (sub_pixel_bits + bits);
            if (++counts_[(static_cast<std::uint64_t>(x) * 0x9E3779B97F4A7C15U ^
                           static_cast<std::uint64_t>(y) * 0xC2B2AE3D27D4EB4FU) +
                          static_cast<std::uint64_t>(bits)] > many)
                return true;
        }
        return false;
    }

  private:
    std::unordered_map<std::uint64_t, std::int64_t> counts_;
};

} // namespace

bool is_dense(std::span<const CurveContour> contours, const ContourPen& pen) {
    const double width = (pen.outline.right + pen.outline.left) / real_sub_pixels;
    if (!pen.dashes.empty()) {
        const DashPattern pattern(pen.dashes, pen.dash_offset);
        return width > 1 && width > 4 * static_cast<double>(pattern.period());
    }
    std::size_t lines = 0;
    for (const CurveContour& contour : contours) lines += contour.curves.size();
    if (lines <= many) return false;
    LineCrowds crowds;
    for (const CurveContour& contour : contours)
        for (const Curve& curve : contour.curves)
            if (crowds.add(curve.from(), curve.to())) return true;
    return false;
}

} // namespace coldbrick::raster
