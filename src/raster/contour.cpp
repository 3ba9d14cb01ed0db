#include "raster/contour.hpp"

#include "raster/bend_positions.hpp"
#include "raster/oval_band.hpp"
#include "raster/span_union.hpp"

#include <algorithm>
#include <cmath>
#include <concepts>
#include <limits>
#include <optional>
#include <utility>

namespace coldbrick::raster {

namespace {

/// A place on a contour and where it leads.
struct Heading {
    Vector at;
    Vector direction; ///< of length 1
};

/// Where the outer sides of two strokes that meet end, and the tip of their mitre.
struct Corner {
    bool turns_right;
    bool is_straight;              ///< or straight back: there is nothing between the sides
    long double half_angle_cosine; ///< of the angle by which the path turns
    Vector first;
    Vector second;
    std::optional<Vector> tip; ///< none where the pen has no mitre or it is beyond its limit
};

/// @param in the vertex, and the direction that leads to it
/// @param out the direction that leads on
Corner corner_of(const Heading& in, Vector out, const Pen& pen) {
    const long double turn = cross(in.direction, out);
    const long double cosine = dot(in.direction, out);
    const auto half_width = static_cast<long double>(pen.width);
    // The corner's outer side is on the left of a turn to the right.
    const long double side = turn > 0 ? -half_width : half_width;
    Corner corner{turn > 0,
                  std::abs(turn) < 1e-9L,
                  std::sqrt(std::max(0.0L, (1 + cosine) / 2)),
                  in.at + side * in.direction.right(),
                  in.at + side * out.right(),
                  std::nullopt};
    if (pen.join == Join::mitre && corner.half_angle_cosine * pen.mitre_limit >= 1)
        corner.tip = in.at + side / (1 + cosine) * (in.direction + out).right();
    return corner;
}

long double length_of(const Side& side) {
    return side.length();
}
long double length_of(const Bend& bend) {
    return bend.length();
}

CurvePlace place(const Bend& bend, long double along) {
    return along <= 0 ? bend.begin() : along >= bend.length() ? bend.end() : bend.along(along);
}

/// The heading so far along a piece; its ends are exact.
Heading heading(const Side& side, long double along) {
    return {along <= 0                 ? side.from
            : along >= length_of(side) ? side.to
                                       : side.from + along * side.direction(),
            side.direction()};
}
Heading heading(const Bend& bend, long double along) {
    const CurvePlace there = place(bend, along);
    return {bend.point(there), bend.direction(there)};
}

/// Where on a piece its point nearest to p lies.
Bend::Foot foot_on(const Side& side, Vector p) {
    const long double along = std::clamp(dot(p - side.from, side.direction()), 0.0L, length_of(side));
    return {along, (p - heading(side, along).at).length()};
}
Bend::Foot foot_on(const Bend& bend, Vector p) {
    return bend.nearest(p);
}

/// The stretches of a piece whose dashes a clip may show.
std::vector<Stretch> shown_parts(const Side& side, const Clip& clip, const Origin& origin, const Pen&,
                                 const DashPattern& dashes) {
    // A cap reaches the pixels next to it, however wide it is.
    const Stretch shown = beside(side, clip, origin);
    return {{shown.from - 2 * dashes.period(), shown.to + 2 * dashes.period()}};
}
std::vector<Stretch> shown_parts(const Bend& bend, const Clip& clip, const Origin& origin, const Pen& pen,
                                 const DashPattern&) {
    const long double margin = 2 * static_cast<long double>(pen.width) + 8;
    const auto corner = [&](std::int64_t x, std::int64_t y, long double away) {
        return Vector{static_cast<long double>(2 * x - origin.x) + away,
                      static_cast<long double>(2 * y - origin.y) + away};
    };
    return bend.within(corner(clip.left, clip.top, -margin), corner(clip.right, clip.bottom, margin));
}

/// Draws the parts of a contour's stroke, which may overlap.
class Strokes {
  public:
    Strokes(const Origin& origin, const Pen& pen, SpanSink& parts)
        : origin_(origin), pen_(pen), half_width_(static_cast<long double>(pen.width)), parts_(parts) {}

    /// The part of a side from and to so far along it.
    void add(const Side& side, long double from, long double to) {
        add_rectangle({side.from, side.direction()}, from, to);
    }

    void add(const Bend& whole, long double from, long double to) {
        const Bend bend = whole.between(place(whole, from), place(whole, to));
        const OvalBand band(bend.oval(), pen_.width);
        const Sweep area = bend.nearest_area();
        const Bend::Extent rows = bend.rows();
        add_rows(rows.top - half_width_, rows.bottom + half_width_,
                 [&](std::int64_t y) { return band.row(y).intersection(area.row(y, origin_)); });
    }

    /// The dashes of a bend without their caps: each pixel of the band is asked where its nearest point lies,
    /// since too many dashes may reach any place. Where they are very short beside the width, caps are
    /// settled in the same way, from the nearest dash.
    /// @param centre the ellipse's, in half pixels
    void add_by_pixels(const Bend& bend, Vector centre, const PieceOfPath& place, const DashPattern& pattern,
                       long double path_length) {
        const OvalBand band(bend.oval(), pen_.width);
        const Sweep area = bend.nearest_area();
        const bool settles_caps = pen_.cap != Cap::butt && has_many_periods(pattern);
        DashFinder dashes(pattern);
        FootPositions feet(bend, centre);
        const auto on_at = [&](std::int64_t x, std::int64_t y) {
            const auto [along, distance] = feet.at(x, y);
            const long double position = place.begins + along / 2;
            const long double gap = 2 * dashes.distance_to_on(position, path_length);
            if (gap <= ConvexArea::tolerance || !settles_caps) return gap <= ConvexArea::tolerance;
            return pen_.cap == Cap::square || std::hypot(gap, distance) <= half_width_;
        };
        const Bend::Extent rows = bend.rows();
        for_each_row_between(rows.top - half_width_, rows.bottom + half_width_, origin_, parts_.clip(),
                             [&](std::int64_t y) {
                                 for (const Run& run : band.row(y).intersection(area.row(y, origin_)))
                                     for (std::int64_t x = std::max(run.begin, parts_.clip().left);
                                          x < std::min(run.end, parts_.clip().right); ++x)
                                         if (on_at(x, y)) parts_.add(static_cast<std::int32_t>(y), x, x + 1);
                             });
    }

    /// True if a stroke is so much wider than its dashes are long that caps are settled pixel by pixel.
    [[nodiscard]] bool has_many_periods(const DashPattern& dashes) const {
        constexpr double many = 256;
        return static_cast<long double>(pen_.width) > many * dashes.period();
    }

    void add_begin(const Heading& begin) { add_cap(begin, -half_width_, 0); }
    void add_end(const Heading& end) { add_cap(end, 0, half_width_); }

    void add_join(const Heading& in, const Vector& out) {
        if (pen_.join == Join::round) return add_disc(in.at);
        const Corner corner = corner_of(in, out, pen_);
        if (corner.is_straight) return;
        std::vector<Vector> corners{in.at, corner.first};
        if (corner.tip) corners.push_back(*corner.tip);
        corners.push_back(corner.second);
        if (!corner.turns_right) std::reverse(corners.begin() + 1, corners.end());
        add_polygon(corners, !corner.turns_right);
    }

  private:
    /// What lies `from` to `to` along a heading, half a width to either side.
    void add_rectangle(const Heading& heading, long double from, long double to) {
        const Vector aside = half_width_ * heading.direction.right();
        const Vector begin = heading.at + from * heading.direction;
        const Vector end = heading.at + to * heading.direction;
        ConvexArea area;
        area.keep_right_of(begin - aside, heading.direction, false);
        area.keep_right_of(end + aside, -heading.direction);
        area.keep_right_of(begin, -heading.direction.right());
        area.keep_right_of(end, heading.direction.right());
        add_area(area, std::min(begin.y, end.y) - half_width_, std::max(begin.y, end.y) + half_width_);
    }

    void add_cap(const Heading& heading, long double from, long double to) {
        if (pen_.cap == Cap::square) add_rectangle(heading, from, to);
        if (pen_.cap == Cap::round) add_disc(heading.at);
    }

    /// A corner's area; its outer edges belong to it where they lie on the contour's inside.
    void add_polygon(const std::vector<Vector>& corners, bool outer_belongs) {
        ConvexArea area;
        long double top = std::numeric_limits<long double>::max();
        long double bottom = -top;
        for (std::size_t i = 0; i < corners.size(); ++i) {
            const bool outer = i > 0 && i + 1 < corners.size();
            area.keep_right_of(corners[i], Side{corners[i], corners[(i + 1) % corners.size()]}.direction(),
                               !outer || outer_belongs);
            top = std::min(top, corners[i].y);
            bottom = std::max(bottom, corners[i].y);
        }
        add_area(area, top, bottom);
    }

    void add_disc(const Vector& centre) { add_disc_about(centre, half_width_, origin_, parts_); }

    void add_area(const ConvexArea& area, long double top, long double bottom) {
        add_rows(top, bottom, [&](std::int64_t y) { return Runs(area.row(y, origin_)); });
    }

    template <class RowOf>
    void add_rows(long double top, long double bottom, RowOf row_of) {
        add_rows_between(top, bottom, origin_, row_of, parts_);
    }

    Origin origin_;
    const Pen& pen_;
    long double half_width_; ///< in half pixels, as many as the width has pixels
    SpanSink& parts_;
};

/// The on stretches of a piece that a clip may show, in order.
template <class Piece>
std::vector<Dash> shown_dashes(const Piece& piece, const PieceOfPath& place, const Clip& clip,
                               const Origin& origin, const Pen& pen, const DashPattern& dashes) {
    std::vector<Dash> result;
    for (const Stretch& shown : shown_parts(piece, clip, origin, pen, dashes)) {
        const long double first = place.begins + shown.from / 2;
        const long double last = place.begins + shown.to / 2;
        dashes.for_each_on(first, last, [&](long double on, long double off) {
            const Dash dash = Dash::on_piece(place, on, off);
            const bool known = !result.empty() && dash.from <= result.back().from; // from the part before
            if (dash.from <= dash.to && !known) result.push_back(dash);
        });
    }
    return result;
}

/// Adds the dashes of one piece of a contour.
void add_dashes(const Side& side, const std::vector<Dash>& dashes, Strokes& strokes) {
    for (const Dash& dash : dashes) {
        strokes.add(side, 2 * dash.from, 2 * dash.to);
        if (dash.begins) strokes.add_begin(heading(side, 2 * dash.from));
        if (dash.ends) strokes.add_end(heading(side, 2 * dash.to));
    }
}

/// Adds the caps of the dashes of a bend.
void add_dash_caps(const Bend& bend, const std::vector<Dash>& dashes, const DashPattern& pattern,
                   Strokes& strokes) {
    PlacesAlong places(bend, 8 * pattern.period());
    const auto heading_at = [&](long double along) {
        const CurvePlace there = places.at(2 * along);
        return Heading{bend.point(there), bend.direction(there)};
    };
    for (const Dash& dash : dashes) {
        if (dash.begins) strokes.add_begin(heading_at(dash.from));
        if (dash.ends) strokes.add_end(heading_at(dash.to));
    }
}

long double length_of(const std::variant<Side, Bend>& piece) {
    return std::visit([](const auto& one) { return length_of(one); }, piece);
}

Heading heading(const std::variant<Side, Bend>& piece, long double along) {
    return std::visit([along](const auto& one) { return heading(one, along); }, piece);
}

} // namespace

void Contour::add(const Side& side) {
    if (length_of(side) > 0) pieces_.emplace_back(side);
}

bool Contour::meets_next(const PieceOfPath& place, const Pen& pen, const DashPattern& dashes) const {
    if (!pen.dashed()) return !place.last || closed_;
    return !place.last && dashes.runs_over(place.begins + place.length);
}

void Contour::stroke(const Pen& pen, SpanSink& sink) const {
    SpanUnion all(sink.clip());
    Strokes strokes(origin_, pen, all.parts());
    const DashPattern dashes(pen.dashes, pen.dash_offset);
    long double path_length = 0;
    for (const Piece& piece : pieces_) path_length += length_of(piece) / 2;
    PieceOfPath place{0, 0, true, false};
    for (std::size_t i = 0; i < pieces_.size(); ++i) {
        const long double length = length_of(pieces_[i]);
        place.length = length / 2;
        place.last = i + 1 == pieces_.size();
        const auto add = [&]<class Piece>(const Piece& piece) {
            if (!pen.dashed()) return strokes.add(piece, 0, length);
            if constexpr (std::same_as<Piece, Bend>) {
                const Vector centre{static_cast<long double>(piece.oval().centre_x),
                                    static_cast<long double>(piece.oval().centre_y)};
                strokes.add_by_pixels(piece, centre, place, dashes, path_length);
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
                             heading(pieces_[(i + 1) % pieces_.size()], 0).direction);
        place = {place.begins + place.length, 0, false, false};
    }
    if (!closed_ && !pen.dashed()) {
        strokes.add_begin(heading(pieces_.front(), 0));
        strokes.add_end(heading(pieces_.back(), length_of(pieces_.back())));
    }
    all.give(sink);
}

namespace {

/// Gathers the places where a contour's stroke reaches furthest: at the ends of its pieces and where these
/// are level or upright, or, where a dash is off there, at the dashes before and after it.
class StrokePlaces {
  public:
    StrokePlaces(const Origin& origin, const Pen& pen)
        : origin_{static_cast<long double>(origin.x), static_cast<long double>(origin.y)}, pen_(pen),
          half_width_(static_cast<long double>(pen.width)), dashes_(pen.dashes, pen.dash_offset) {
        if (!pen.dashed()) return;
        // Short dashes may have no pixel near their corners. A square cap on a bend may reach further than
        // what is beside it: by less than half of half the width.
        result_.slack *= 2;
        if (*std::ranges::min_element(pen.dashes) < 3)
            result_.slack += std::min(32 * dashes_.period(), 0x1p20L);
        if (pen.cap != Cap::square) return;
        result_.slack += half_width_;
        result_.beyond += half_width_ / 4;
    }

    [[nodiscard]] OutermostPlaces& result() { return result_; }
    [[nodiscard]] const DashPattern& dashes() const { return dashes_; }

    void add_piece(const Side& side, const PieceOfPath& place) {
        add_event(side, place, 0);
        add_event(side, place, length_of(side));
    }
    void add_piece(const Bend& bend, const PieceOfPath& place) {
        // An ellipse without a width is there and back again: what is off on one way may be on on the other.
        if (pen_.dashed() && std::min(bend.oval().a, bend.oval().b) == 0)
            result_.slack += length_of(bend) + half_width_;
        add_event(bend, place, 0);
        add_event(bend, place, length_of(bend));
        add_tips(bend, place, bend.upright_places(), {half_width_, 0});
        add_tips(bend, place, bend.level_places(), {0, half_width_});
    }

    /// The end of a path or of a dash. @param outwards half the width, below 0 before a first end
    void add_end(const Heading& heading, long double outwards) {
        add_across(heading, 0);
        if (pen_.cap == Cap::square) add_across(heading, outwards);
        if (pen_.cap == Cap::round) add_disc(heading.at);
    }

    void add_join(const Heading& in, Vector out) {
        if (pen_.join == Join::round) return add_disc(in.at);
        const Corner corner = corner_of(in, out, pen_);
        if (corner.is_straight || !corner.tip) return;
        add(*corner.tip);
        // The sharper the tip, the further from it the first pixel.
        result_.slack = std::max(result_.slack, 4 + 4 / std::max(corner.half_angle_cosine, 1e-3L));
    }

    void add_disc(Vector centre) { result_.add_disc(0.5L * (origin_ + centre), half_width_ / 2); }

  private:
    void add(Vector place) { result_.places.push_back(0.5L * (origin_ + place)); }

    void add_across(const Heading& heading, long double along) {
        const Vector at = heading.at + along * heading.direction;
        const Vector aside = half_width_ * heading.direction.right();
        add(at + aside);
        add(at - aside);
    }

    template <class Piece>
    void add_event(const Piece& piece, const PieceOfPath& place, long double along) {
        if (is_on_at(piece, place, along)) add_across(heading(piece, along), 0);
    }

    void add_tips(const Bend& bend, const PieceOfPath& place, const std::vector<CurvePlace>& tips,
                  Vector aside) {
        for (const CurvePlace& tip : tips) {
            const long double along = bend.between(bend.begin(), tip).length();
            if (!is_on_at(bend, place, along)) continue;
            add(bend.point(tip) + aside);
            add(bend.point(tip) - aside);
        }
    }

    /// True if the place is painted. Of dashes, adds the ends about it.
    template <class Piece>
    bool is_on_at(const Piece& piece, const PieceOfPath& place, long double along) {
        if (!pen_.dashed()) return true;
        const DashPattern::Piece dash = dashes_.at(place.begins + along / 2);
        const long double length = length_of(piece);
        const auto add_end_at = [&](long double position, bool is_first_end) {
            const long double local = 2 * (position - place.begins);
            if (local >= 0 && local <= length)
                add_end(heading(piece, local), is_first_end ? -half_width_ : half_width_);
            else if (dash.on && (is_first_end ? place.first : place.last)) // cut by the path's own end
                add_end(heading(piece, is_first_end ? 0 : length), is_first_end ? -half_width_ : half_width_);
        };
        add_end_at(dash.stretch.from, dash.on);
        add_end_at(dash.stretch.to, !dash.on);
        return dash.on;
    }

    Vector origin_;
    const Pen& pen_;
    long double half_width_; ///< in half pixels
    DashPattern dashes_;
    OutermostPlaces result_;
};

} // namespace

OutermostPlaces Contour::outermost(const Pen& pen) const {
    StrokePlaces places(origin_, pen);
    PieceOfPath place{0, 0, true, false};
    for (std::size_t i = 0; i < pieces_.size(); ++i) {
        const long double length = length_of(pieces_[i]);
        place.length = length / 2;
        place.last = i + 1 == pieces_.size();
        std::visit([&](const auto& piece) { places.add_piece(piece, place); }, pieces_[i]);
        if (meets_next(place, pen, places.dashes()))
            places.add_join(heading(pieces_[i], length),
                            heading(pieces_[(i + 1) % pieces_.size()], 0).direction);
        place = {place.begins + place.length, 0, false, false};
    }
    if (!closed_ && !pen.dashed() && !pieces_.empty()) {
        places.add_end(heading(pieces_.front(), 0), -static_cast<long double>(pen.width));
        places.add_end(heading(pieces_.back(), length_of(pieces_.back())),
                       static_cast<long double>(pen.width));
    }
    return std::move(places.result());
}

long double Contour::position(std::int64_t x, std::int64_t y) const {
    const Vector p{static_cast<long double>(2 * x - origin_.x), static_cast<long double>(2 * y - origin_.y)};
    long double nearest = std::numeric_limits<long double>::infinity();
    long double position = 0;
    long double begins = 0;
    for (const Piece& piece : pieces_) {
        const Bend::Foot foot = std::visit([&p](const auto& one) { return foot_on(one, p); }, piece);
        if (foot.distance < nearest) {
            nearest = foot.distance;
            position = begins + foot.along;
        }
        begins += length_of(piece);
    }
    return position / 2;
}

} // namespace coldbrick::raster
