#include "raster/stroke/curve_stroker.hpp"

#include "raster/ellipse/ellipse_stroke.hpp"
#include "raster/ellipse/elliptic_arc_positions.hpp"
#include "raster/spans/span_union.hpp"

#include <algorithm>
#include <cmath>
#include <concepts>
#include <limits>
#include <optional>
#include <utility>

namespace coldbrick::raster {

namespace {

/// A place on a path and where it leads.
struct Heading {
    HalfPixelVector at;
    HalfPixelVector direction; ///< of length 1
};

/// Where the outer sides of two strokes that meet end, and the tip of their mitre.
struct Corner {
    bool turns_right;
    bool is_straight;              ///< or straight back: there is nothing between the sides
    long double half_angle_cosine; ///< of the angle by which the path turns
    HalfPixelVector first;
    HalfPixelVector second;
    std::optional<HalfPixelVector> tip; ///< none where the pen has no mitre or it is beyond its limit
};

/// @param in the vertex, and the direction that leads to it
/// @param out the direction that leads on
Corner corner_of(const Heading& in, HalfPixelVector out, const Pen& pen) {
    const long double turn = cross(in.direction, out);
    const long double cosine = dot(in.direction, out);
    // The corner's outer side is on the left of a turn to the right.
    const RealHalfPixels side = turn > 0 ? -half_width_of(pen) : half_width_of(pen);
    Corner corner{turn > 0,
                  std::abs(turn) < 1e-9L,
                  std::sqrt(std::max(0.0L, (1 + cosine) / 2)),
                  in.at + side * in.direction.right(),
                  in.at + side * out.right(),
                  std::nullopt};
    if (pen.join == Join::mitre && corner.half_angle_cosine * pen.mitre_limit >= 1)
        corner.tip = in.at + side.count / (1 + cosine) * (in.direction + out).right();
    return corner;
}

RealHalfPixels length_of(const LineSegment& line) {
    return line.length();
}
RealHalfPixels length_of(const EllipticArc& curve) {
    return curve.length();
}

CurvePlace place(const EllipticArc& curve, RealHalfPixels along) {
    return along.count <= 0 ? curve.begin() : along >= curve.length() ? curve.end() : curve.along(along);
}

/// The heading so far along a piece; its ends are exact.
Heading heading(const LineSegment& line, RealHalfPixels along) {
    return {along.count <= 0           ? line.from
            : along >= length_of(line) ? line.to
                                       : line.from + along * line.direction(),
            line.direction()};
}
Heading heading(const EllipticArc& curve, RealHalfPixels along) {
    const CurvePlace there = place(curve, along);
    return {curve.point(there), curve.direction(there)};
}

/// Where on a piece its point nearest to p lies.
EllipticArc::Foot foot_on(const LineSegment& line, HalfPixelVector p) {
    const RealHalfPixels foot{dot(p - line.from, line.direction())};
    const RealHalfPixels along = std::clamp(foot, RealHalfPixels{0}, length_of(line));
    return {along, (p - heading(line, along).at).length()};
}
EllipticArc::Foot foot_on(const EllipticArc& curve, HalfPixelVector p) {
    return curve.nearest(p);
}

/// The stretches of a piece whose dashes a clip may show.
std::vector<Interval> shown_parts(const LineSegment& line, const base::Clip& clip, const Origin& origin,
                                  const Pen&, const DashPattern& dashes) {
    // A pixel that a dash's cap covers is nearer to that dash than a period along the side: one period more
    // on either side of the pixels is enough, however wide the stroke is.
    const Interval shown = beside(line, clip, origin);
    const RealHalfPixels period = RealHalfPixels::of_pixels(dashes.period());
    return {{shown.from - period, shown.to + period}};
}
std::vector<Interval> shown_parts(const EllipticArc& curve, const base::Clip& clip, const Origin& origin,
                                  const Pen& pen, const DashPattern&) {
    const RealHalfPixels away = 2 * half_width_of(pen) + RealHalfPixels{8};
    const HalfPixelVector margin{away.count, away.count};
    return curve.within(origin.to_pixel(clip.left, clip.top) - margin,
                        origin.to_pixel(clip.right, clip.bottom) + margin);
}

/// Draws the parts of a path's stroke, which may overlap.
class StrokeParts {
  public:
    StrokeParts(const Origin& origin, const Pen& pen, SpanSink& parts)
        : origin_(origin), pen_(pen), half_width_(half_width_of(pen)), parts_(parts) {}

    /// The part of a line from and to so far along it.
    void add(const LineSegment& line, RealHalfPixels from, RealHalfPixels to) {
        add_rectangle({line.from, line.direction()}, from, to);
    }

    void add(const EllipticArc& whole, RealHalfPixels from, RealHalfPixels to) {
        const EllipticArc curve = whole.between(place(whole, from), place(whole, to));
        const EllipseStroke band(curve.axes(), pen_.width);
        const AreaUnion area = curve.nearest_area();
        const EllipticArc::Heights rows = curve.rows();
        add_rows(rows.top - half_width_, rows.bottom + half_width_,
                 [&](std::int64_t y) { return band.row(y).intersection(area.row(y, origin_)); });
    }

    /// The dashes of a curve without their caps: each pixel of the band is asked where its nearest point
    /// lies, since too many dashes may reach any place. Where they are very short beside the width, caps are
    /// settled in the same way, from the nearest dash.
    void add_by_pixels(const EllipticArc& curve, const PieceOfPath& place, const DashPattern& pattern,
                       long double path_length) {
        const EllipseStroke band(curve.axes(), pen_.width);
        const AreaUnion area = curve.nearest_area();
        const bool settles_caps = pen_.cap != Cap::butt && has_many_periods(pattern);
        DashFinder dashes(pattern);
        FootPositions feet(curve, {curve.axes().centre_x, curve.axes().centre_y});
        const auto on_at = [&](std::int64_t x, std::int64_t y) {
            const auto [along, distance] = feet.at(x, y);
            const long double position = place.begins + along.in_pixels();
            const RealHalfPixels gap =
                RealHalfPixels::of_pixels(dashes.distance_to_on(position, path_length));
            const bool is_on = gap.count <= RealHalfPlanes::tolerance;
            if (is_on || !settles_caps) return is_on;
            return pen_.cap == Cap::square || std::hypot(gap.count, distance.count) <= half_width_.count;
        };
        const EllipticArc::Heights rows = curve.rows();
        const base::Clip& clip = parts_.clip();
        for_each_row_between(rows.top - half_width_, rows.bottom + half_width_, origin_, clip,
                             [&](std::int64_t y) {
                                 for (const Run& run : band.row(y).intersection(area.row(y, origin_)))
                                     for (std::int64_t x = std::max(run.begin, clip.left);
                                          x < std::min(run.end, clip.right); ++x)
                                         if (on_at(x, y)) parts_.add(static_cast<std::int32_t>(y), x, x + 1);
                             });
    }

    /// True if a stroke is so much wider than its dashes are long that caps are settled pixel by pixel.
    [[nodiscard]] bool has_many_periods(const DashPattern& dashes) const {
        constexpr double many = 256;
        return static_cast<long double>(pen_.width) > many * dashes.period();
    }

    void add_begin(const Heading& begin) { add_cap(begin, -half_width_, {0}); }
    void add_end(const Heading& end) { add_cap(end, {0}, half_width_); }

    void add_join(const Heading& in, const HalfPixelVector& out) {
        if (pen_.join == Join::round) return add_disc(in.at);
        const Corner corner = corner_of(in, out, pen_);
        if (corner.is_straight) return;
        std::vector<HalfPixelVector> corners{in.at, corner.first};
        if (corner.tip) corners.push_back(*corner.tip);
        corners.push_back(corner.second);
        if (!corner.turns_right) std::reverse(corners.begin() + 1, corners.end());
        add_polygon(corners, !corner.turns_right);
    }

  private:
    /// What lies `from` to `to` along a heading, half a width to either side.
    void add_rectangle(const Heading& heading, RealHalfPixels from, RealHalfPixels to) {
        const HalfPixelVector aside = half_width_ * heading.direction.right();
        const HalfPixelVector begin = heading.at + from * heading.direction;
        const HalfPixelVector end = heading.at + to * heading.direction;
        RealHalfPlanes area;
        area.keep_right_of(begin - aside, heading.direction, false);
        area.keep_right_of(end + aside, -heading.direction);
        area.keep_right_of(begin, -heading.direction.right());
        area.keep_right_of(end, heading.direction.right());
        const RealHalfPixels top{std::min(begin.y, end.y)};
        const RealHalfPixels bottom{std::max(begin.y, end.y)};
        add_area(area, top - half_width_, bottom + half_width_);
    }

    void add_cap(const Heading& heading, RealHalfPixels from, RealHalfPixels to) {
        if (pen_.cap == Cap::square) add_rectangle(heading, from, to);
        if (pen_.cap == Cap::round) add_disc(heading.at);
    }

    /// A corner's area; its outer edges belong to it where they lie on the path's inside.
    void add_polygon(const std::vector<HalfPixelVector>& corners, bool outer_belongs) {
        RealHalfPlanes area;
        RealHalfPixels top{std::numeric_limits<long double>::max()};
        RealHalfPixels bottom = -top;
        for (std::size_t i = 0; i < corners.size(); ++i) {
            const bool outer = i > 0 && i + 1 < corners.size();
            area.keep_right_of(corners[i],
                               LineSegment{corners[i], corners[(i + 1) % corners.size()]}.direction(),
                               !outer || outer_belongs);
            top = std::min(top, RealHalfPixels{corners[i].y});
            bottom = std::max(bottom, RealHalfPixels{corners[i].y});
        }
        add_area(area, top, bottom);
    }

    void add_disc(const HalfPixelVector& centre) { add_disc_about(centre, half_width_, origin_, parts_); }

    void add_area(const RealHalfPlanes& area, RealHalfPixels top, RealHalfPixels bottom) {
        add_rows(top, bottom, [&](std::int64_t y) { return RowRuns(area.row(y, origin_)); });
    }

    template <class RowOf>
    void add_rows(RealHalfPixels top, RealHalfPixels bottom, RowOf row_of) {
        add_rows_between(top, bottom, origin_, row_of, parts_);
    }

    Origin origin_;
    const Pen& pen_;
    RealHalfPixels half_width_;
    SpanSink& parts_;
};

/// The on stretches of a piece that a clip may show, in order.
template <class Piece>
std::vector<Dash> shown_dashes(const Piece& piece, const PieceOfPath& place, const base::Clip& clip,
                               const Origin& origin, const Pen& pen, const DashPattern& dashes) {
    std::vector<Dash> result;
    for (const Interval& shown : shown_parts(piece, clip, origin, pen, dashes)) {
        const long double first = place.begins + shown.from.in_pixels();
        const long double last = place.begins + shown.to.in_pixels();
        dashes.for_each_on(first, last, [&](long double on, long double off) {
            const Dash dash = Dash::on_piece(place, on, off);
            const bool known = !result.empty() && dash.from <= result.back().from; // from the part before
            if (dash.from <= dash.to && !known) result.push_back(dash);
        });
    }
    return result;
}

/// Adds the dashes of one line of a path.
void add_dashes(const LineSegment& line, const std::vector<Dash>& dashes, StrokeParts& strokes) {
    for (const Dash& dash : dashes) {
        const RealHalfPixels from = RealHalfPixels::of_pixels(dash.from);
        const RealHalfPixels to = RealHalfPixels::of_pixels(dash.to);
        strokes.add(line, from, to);
        if (dash.begins) strokes.add_begin(heading(line, from));
        if (dash.ends) strokes.add_end(heading(line, to));
    }
}

/// Adds the caps of the dashes of a curve.
void add_dash_caps(const EllipticArc& curve, const std::vector<Dash>& dashes, const DashPattern& pattern,
                   StrokeParts& strokes) {
    PlacesAlong places(curve, RealHalfPixels::of_pixels(4 * pattern.period()));
    const auto heading_at = [&](long double along) {
        const CurvePlace there = places.at(RealHalfPixels::of_pixels(along));
        return Heading{curve.point(there), curve.direction(there)};
    };
    for (const Dash& dash : dashes) {
        if (dash.begins) strokes.add_begin(heading_at(dash.from));
        if (dash.ends) strokes.add_end(heading_at(dash.to));
    }
}

RealHalfPixels length_of(const std::variant<LineSegment, EllipticArc>& piece) {
    return std::visit([](const auto& one) { return length_of(one); }, piece);
}

Heading heading(const std::variant<LineSegment, EllipticArc>& piece, RealHalfPixels along) {
    return std::visit([along](const auto& one) { return heading(one, along); }, piece);
}

} // namespace

void CurveStroker::add(const LineSegment& line) {
    if (length_of(line).count > 0) pieces_.emplace_back(line);
}

bool CurveStroker::meets_next(const PieceOfPath& place, const Pen& pen, const DashPattern& dashes) const {
    if (!pen.dashed()) return !place.last || closed_;
    return !place.last && dashes.runs_over(place.begins + place.length);
}

void CurveStroker::stroke(const Pen& pen, SpanSink& sink) const {
    SpanUnion all(sink.clip());
    StrokeParts strokes(origin_, pen, all.parts());
    const DashPattern dashes(pen.dashes, pen.dash_offset);
    long double path_length = 0;
    for (const Piece& piece : pieces_) path_length += length_of(piece).in_pixels();
    PieceOfPath place{0, 0, true, false};
    for (std::size_t i = 0; i < pieces_.size(); ++i) {
        const RealHalfPixels length = length_of(pieces_[i]);
        place.length = length.in_pixels();
        place.last = i + 1 == pieces_.size();
        const auto add = [&]<class Piece>(const Piece& piece) {
            if (!pen.dashed()) return strokes.add(piece, {0}, length);
            if constexpr (std::same_as<Piece, EllipticArc>) {
                strokes.add_by_pixels(piece, place, dashes, path_length);
                if (pen.cap != Cap::butt && !strokes.has_many_periods(dashes))
                    add_dash_caps(piece, shown_dashes(piece, place, sink.clip(), origin_, pen, dashes),
                                  dashes, strokes);
            } else {
                add_dashes(piece, shown_dashes(piece, place, sink.clip(), origin_, pen, dashes), strokes);
            }
        };
        std::visit(add, pieces_[i]);
        if (meets_next(place, pen, dashes))
            strokes.add_join(heading(pieces_[i], length),
                             heading(pieces_[(i + 1) % pieces_.size()], {0}).direction);
        place = {place.begins + place.length, 0, false, false};
    }
    if (!closed_ && !pen.dashed()) {
        strokes.add_begin(heading(pieces_.front(), {0}));
        strokes.add_end(heading(pieces_.back(), length_of(pieces_.back())));
    }
    all.give(sink);
}

namespace {

/// Gathers the places where a path's stroke reaches furthest: at the ends of its pieces and where these
/// are level or upright, or, where a dash is off there, at the dashes before and after it.
class StrokePlaces {
    static constexpr long double furthest_dot = 0x1p20L; ///< in pixels: where the search for dots ends

  public:
    StrokePlaces(const Origin& origin, const Pen& pen)
        : origin_(origin), pen_(pen), half_width_(half_width_of(pen)), dashes_(pen.dashes, pen.dash_offset) {
        if (!pen.dashed()) return;
        // Short dashes may have no pixel near their corners. A square cap on a curve may reach further than
        // what is beside it: by less than half of half the width.
        result_.slack *= 2;
        if (*std::ranges::min_element(pen.dashes) < 3)
            result_.slack += std::min(32 * dashes_.period(), furthest_dot);
        if (pen.cap != Cap::square) return;
        result_.slack += half_width_.count;
        result_.beyond += half_width_.in_pixels() / 2;
    }

    [[nodiscard]] OutermostPlaces& result() { return result_; }
    [[nodiscard]] const DashPattern& dashes() const { return dashes_; }

    void add_piece(const LineSegment& line, const PieceOfPath& place) {
        add_event(line, place, {0});
        add_event(line, place, length_of(line));
    }
    void add_piece(const EllipticArc& curve, const PieceOfPath& place) {
        // An ellipse without a width is there and back again: what is off on one way may be on on the other.
        if (pen_.dashed() && std::min(curve.axes().a, curve.axes().b) == 0)
            result_.slack += (length_of(curve) + half_width_).count;
        add_event(curve, place, {0});
        add_event(curve, place, length_of(curve));
        add_tips(curve, place, curve.upright_places(), {half_width_.count, 0});
        add_tips(curve, place, curve.level_places(), {0, half_width_.count});
    }

    /// The end of a path or of a dash. @param outwards half the width, below 0 before a first end
    void add_end(const Heading& heading, RealHalfPixels outwards) {
        add_across(heading, {0});
        if (pen_.cap == Cap::square) add_across(heading, outwards);
        if (pen_.cap == Cap::round) add_disc(heading.at);
    }

    void add_join(const Heading& in, HalfPixelVector out) {
        if (pen_.join == Join::round) return add_disc(in.at);
        const Corner corner = corner_of(in, out, pen_);
        if (corner.is_straight || !corner.tip) return;
        add(*corner.tip);
        // The sharper the tip, the further from it the first pixel.
        result_.slack = std::max(result_.slack, 4 + 4 / std::max(corner.half_angle_cosine, 1e-3L));
    }

    void add_disc(HalfPixelVector centre) {
        result_.add_disc(PixelVector::at(origin_, centre), half_width_.in_pixels());
    }

  private:
    void add(HalfPixelVector place) { result_.places.push_back(PixelVector::at(origin_, place)); }

    void add_across(const Heading& heading, RealHalfPixels along) {
        const HalfPixelVector at = heading.at + along * heading.direction;
        const HalfPixelVector aside = half_width_ * heading.direction.right();
        add(at + aside);
        add(at - aside);
    }

    template <class Piece>
    void add_event(const Piece& piece, const PieceOfPath& place, RealHalfPixels along) {
        if (is_on_at(piece, place, along)) add_across(heading(piece, along), {0});
    }

    void add_tips(const EllipticArc& curve, const PieceOfPath& place, const std::vector<CurvePlace>& tips,
                  HalfPixelVector aside) {
        for (const CurvePlace& tip : tips) {
            const RealHalfPixels along = curve.between(curve.begin(), tip).length();
            if (!is_on_at(curve, place, along)) continue;
            add(curve.point(tip) + aside);
            add(curve.point(tip) - aside);
        }
    }

    /// True if the place is painted. Of dashes, adds the ends about it.
    template <class Piece>
    bool is_on_at(const Piece& piece, const PieceOfPath& place, RealHalfPixels along) {
        if (!pen_.dashed()) return true;
        const DashPattern::Piece dash = dashes_.at(place.begins + along.in_pixels());
        const RealHalfPixels length = length_of(piece);
        const auto add_end_at = [&](long double position, bool is_first_end) {
            const RealHalfPixels local = RealHalfPixels::of_pixels(position - place.begins);
            if (local.count >= 0 && local <= length)
                add_end(heading(piece, local), is_first_end ? -half_width_ : half_width_);
            else if (dash.on && (is_first_end ? place.first : place.last)) // cut by the path's own end
                add_end(heading(piece, is_first_end ? RealHalfPixels{0} : length),
                        is_first_end ? -half_width_ : half_width_);
        };
        add_end_at(dash.stretch.from, dash.on);
        add_end_at(dash.stretch.to, !dash.on);
        return dash.on;
    }

    Origin origin_;
    const Pen& pen_;
    RealHalfPixels half_width_;
    DashPattern dashes_;
    OutermostPlaces result_;
};

} // namespace

OutermostPlaces CurveStroker::outermost(const Pen& pen) const {
    StrokePlaces places(origin_, pen);
    PieceOfPath place{0, 0, true, false};
    for (std::size_t i = 0; i < pieces_.size(); ++i) {
        const RealHalfPixels length = length_of(pieces_[i]);
        place.length = length.in_pixels();
        place.last = i + 1 == pieces_.size();
        std::visit([&](const auto& piece) { places.add_piece(piece, place); }, pieces_[i]);
        if (meets_next(place, pen, places.dashes()))
            places.add_join(heading(pieces_[i], length),
                            heading(pieces_[(i + 1) % pieces_.size()], {0}).direction);
        place = {place.begins + place.length, 0, false, false};
    }
    if (!closed_ && !pen.dashed() && !pieces_.empty()) {
        places.add_end(heading(pieces_.front(), {0}), -half_width_of(pen));
        places.add_end(heading(pieces_.back(), length_of(pieces_.back())), half_width_of(pen));
    }
    return std::move(places.result());
}

long double CurveStroker::position(std::int64_t x, std::int64_t y) const {
    const HalfPixelVector p = origin_.to_pixel(x, y);
    RealHalfPixels nearest{std::numeric_limits<long double>::infinity()};
    RealHalfPixels position;
    RealHalfPixels begins;
    for (const Piece& piece : pieces_) {
        const EllipticArc::Foot foot = std::visit([&p](const auto& one) { return foot_on(one, p); }, piece);
        if (foot.distance < nearest) {
            nearest = foot.distance;
            position = begins + foot.along;
        }
        begins += length_of(piece);
    }
    return position.in_pixels();
}

} // namespace coldbrick::raster
