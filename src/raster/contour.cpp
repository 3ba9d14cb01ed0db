#include "raster/contour.hpp"

#include "raster/oval_band.hpp"
#include "raster/span_union.hpp"

#include <algorithm>
#include <cmath>
#include <concepts>
#include <limits>

namespace coldbrick::raster {

namespace {

/// A place on a contour and where it leads.
struct Heading {
    Vector at;
    Vector direction; ///< of length 1
};

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

/// A bend's stroke that is this much wider than its dashes are long is asked pixel by pixel, for too many
/// dashes reach any place.
constexpr double many_periods = 256;

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

    /// The dashes of a bend that are short beside the width: each pixel of the band is asked how far its
    /// nearest point lies from the nearest dash.
    void add_by_pixels(const Bend& bend, const PieceOfPath& place, const DashPattern& pattern) {
        DashFinder dashes(pattern);
        const OvalBand band(bend.oval(), pen_.width);
        const Sweep area = bend.nearest_area();
        const auto on_at = [&](std::int64_t x, std::int64_t y) {
            const Bend::Foot foot = bend.nearest(
                {static_cast<long double>(2 * x - origin_.x), static_cast<long double>(2 * y - origin_.y)});
            const long double gap = 2 * dashes.distance_to_on(place.begins + foot.along / 2);
            if (gap == 0 || pen_.cap == Cap::butt) return gap == 0;
            return pen_.cap == Cap::square || std::hypot(gap, foot.distance) <= half_width_;
        };
        const Bend::Extent rows = bend.rows();
        add_rows(rows.top - half_width_, rows.bottom + half_width_, [&](std::int64_t y) {
            for (const Run& run : band.row(y).intersection(area.row(y, origin_)))
                for (std::int64_t x = std::max(run.begin, parts_.clip().left);
                     x < std::min(run.end, parts_.clip().right); ++x)
                    if (on_at(x, y)) parts_.add(static_cast<std::int32_t>(y), x, x + 1);
            return Runs();
        });
    }

    void add_begin(const Heading& begin) { add_cap(begin, -half_width_, 0); }
    void add_end(const Heading& end) { add_cap(end, 0, half_width_); }

    void add_join(const Heading& in, const Vector& out) {
        if (pen_.join == Join::round) return add_disc(in.at);
        const long double turn = cross(in.direction, out);
        const long double cosine = dot(in.direction, out);
        if (std::abs(turn) < 1e-9L) return; // straight on, or straight back
        // The corner's outer side is on the left of a turn to the right.
        const long double side = turn > 0 ? -half_width_ : half_width_;
        const Vector first = in.at + side * in.direction.right();
        const Vector second = in.at + side * out.right();
        const long double half_angle_cosine = std::sqrt(std::max(0.0L, (1 + cosine) / 2));
        const bool mitred = pen_.join == Join::mitre && half_angle_cosine * pen_.mitre_limit >= 1;
        std::vector<Vector> corners{in.at, first};
        if (mitred) corners.push_back(in.at + side / (1 + cosine) * (in.direction + out).right());
        corners.push_back(second);
        if (turn < 0) std::reverse(corners.begin() + 1, corners.end());
        add_polygon(corners, turn < 0);
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
template <class Piece>
void add_dashes(const Piece& piece, const std::vector<Dash>& dashes, Strokes& strokes) {
    for (const Dash& dash : dashes) {
        strokes.add(piece, 2 * dash.from, 2 * dash.to);
        if (dash.begins) strokes.add_begin(heading(piece, 2 * dash.from));
        if (dash.ends) strokes.add_end(heading(piece, 2 * dash.to));
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

void Contour::stroke(const Pen& pen, SpanSink& sink) const {
    SpanUnion all(sink.clip());
    Strokes strokes(origin_, pen, all.parts());
    const DashPattern dashes(pen.dashes, pen.dash_offset);
    PieceOfPath place{0, 0, true, false};
    for (std::size_t i = 0; i < pieces_.size(); ++i) {
        const long double length = length_of(pieces_[i]);
        place.length = length / 2;
        place.last = i + 1 == pieces_.size();
        const auto add = [&]<class Piece>(const Piece& piece) {
            if (!pen.dashed()) return strokes.add(piece, 0, length);
            if constexpr (std::same_as<Piece, Bend>)
                if (static_cast<long double>(pen.width) > many_periods * dashes.period())
                    return strokes.add_by_pixels(piece, place, dashes);
            add_dashes(piece, shown_dashes(piece, place, sink.clip(), origin_, pen, dashes), strokes);
        };
        std::visit(add, pieces_[i]);
        const bool meets = pen.dashed() ? !place.last && dashes.runs_over(place.begins + place.length)
                                        : !place.last || closed_;
        if (meets)
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
