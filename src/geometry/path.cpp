#include <coldbrick/path.hpp>

#include "base/range_checks.hpp"
#include "geometry/path_positions.hpp"
#include "geometry/placement.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cmath>
#include <utility>

namespace coldbrick {

using geometry::end_of;
using geometry::kept;
using geometry::point_on;

namespace {

Position operator+(Position a, Position b) {
    return {a.x + b.x, a.y + b.y};
}

Position operator-(Position a, Position b) {
    return {a.x - b.x, a.y - b.y};
}

/// The half diameters of an ellipse with these radii, turned.
std::pair<Position, Position> half_diameters(Position radii, Angle turn) {
    const double cosine = turn.cosine();
    const double sine = turn.sine();
    return {{radii.x * cosine, radii.x * sine}, {-radii.y * sine, radii.y * cosine}};
}

/// The contours with every position put through `change`, and every step between positions through `turn`.
template <class Change, class Turn>
void change_all(std::vector<Contour>& contours, Change change, Turn turn) {
    const auto change_line = [&](PathLine& line) { line.to = change(line.to); };
    const auto change_quadratic = [&](PathQuadratic& curve) {
        curve = {change(curve.control), change(curve.to)};
    };
    const auto change_cubic = [&](PathCubic& curve) {
        curve = {change(curve.first_control), change(curve.second_control), change(curve.to)};
    };
    const auto change_arc = [&](PathArc& arc) {
        arc = {change(arc.centre), turn(arc.across), turn(arc.down), arc.start, arc.sweep, change(arc.to)};
    };
    for (Contour& contour : contours) {
        contour.start = change(contour.start);
        for (PathPiece& piece : contour.pieces) {
            if (auto* const line = std::get_if<PathLine>(&piece)) change_line(*line);
            if (auto* const curve = std::get_if<PathQuadratic>(&piece)) change_quadratic(*curve);
            if (auto* const curve = std::get_if<PathCubic>(&piece)) change_cubic(*curve);
            if (auto* const arc = std::get_if<PathArc>(&piece)) change_arc(*arc);
        }
    }
}

} // namespace

Position Path::current() const {
    if (contours_.empty()) return {};
    const Contour& last = contours_.back();
    return last.closed || last.pieces.empty() ? last.start : end_of(last.pieces.back());
}

Contour& Path::open_contour() {
    if (contours_.empty() || contours_.back().closed) contours_.push_back({current(), {}, false});
    return contours_.back();
}

Path& Path::move_to(Position start) {
    contours_.push_back({kept(start), {}, false});
    return *this;
}

Path& Path::line_to(Position to) {
    return add(PathLine{to});
}

Path& Path::quadratic_to(Position control, Position to) {
    return add(PathQuadratic{control, to});
}

Path& Path::cubic_to(Position first_control, Position second_control, Position to) {
    return add(PathCubic{first_control, second_control, to});
}

Path& Path::arc_to(Position radii, Angle turn, ArcChoice choice, Position to) {
    base::check_finite("arc radius", radii.x);
    base::check_finite("arc radius", radii.y);
    const Position end = kept(to);
    const Position begin = current();
    Position reach{std::abs(radii.x), std::abs(radii.y)};
    if (begin == end) return *this;
    if (reach.x == 0 || reach.y == 0) return line_to(to);
    // In the ellipse's own frame, with the middle between the ends for the origin.
    const double cosine = turn.cosine();
    const double sine = turn.sine();
    const Position half{(begin.x - end.x) / 2, (begin.y - end.y) / 2};
    const Position own{cosine * half.x + sine * half.y, cosine * half.y - sine * half.x};
    const double size = std::hypot(own.x / reach.x, own.y / reach.y);
    if (size > 1) reach = {reach.x * size, reach.y * size};
    // On the unit circle the ends lie `size` from the middle of their chord, and the centre aside from it.
    const Position unit{own.x / reach.x, own.y / reach.y};
    const double square = unit.x * unit.x + unit.y * unit.y;
    const double aside =
        std::sqrt(std::max(0.0, 1 / square - 1)) * (choice.large == choice.clockwise ? -1 : 1);
    const Position centre{aside * unit.y * reach.x, -aside * unit.x * reach.y};
    const Position middle{(begin.x + end.x) / 2, (begin.y + end.y) / 2};
    const auto angle_of = [&](Position place) {
        return radians(std::atan2((place.y - centre.y) / reach.y, (place.x - centre.x) / reach.x));
    };
    const Angle start = angle_of(own);
    Angle sweep = (angle_of({-own.x, -own.y}) - start).within_turn();
    if (!choice.clockwise) sweep = sweep - degrees(360);
    const auto [across, down] = half_diameters(reach, turn);
    const Position turned{cosine * centre.x - sine * centre.y, sine * centre.x + cosine * centre.y};
    return add(PathArc{middle + turned, across, down, start, sweep, end});
}

Path& Path::arc_about(Position centre, Position radii, Angle start, Angle sweep, Angle turn) {
    if (!(radii.x >= 0 && radii.y >= 0))
        throw ArgumentError(fmt::format("arc radii {} and {} are not both 0 and up", radii.x, radii.y));
    if (sweep > degrees(360) || sweep < degrees(-360))
        throw ArgumentError(
            fmt::format("an arc's sweep of {} degrees is outside -360..360", sweep.in_degrees()));
    const auto [across, down] = half_diameters(radii, turn);
    PathArc arc{kept(centre), kept(across), kept(down), start.without_turns(), sweep, {}};
    const Position begin = kept(point_on(arc, arc.start));
    const bool whole = sweep == degrees(360) || sweep == degrees(-360);
    arc.to = whole ? begin : kept(point_on(arc, arc.start + sweep));
    if (contours_.empty() || contours_.back().closed)
        move_to(begin);
    else if (current() != begin)
        line_to(begin);
    contours_.back().pieces.emplace_back(arc);
    return *this;
}

Path& Path::add(const PathPiece& piece) {
    std::vector<Contour> one{{current(), {piece}, false}};
    change_all(one, kept, kept);
    open_contour().pieces.push_back(one.front().pieces.front());
    return *this;
}

Path& Path::close() {
    if (!contours_.empty()) contours_.back().closed = true;
    return *this;
}

Path& Path::append(const Path& other) {
    const std::vector<Contour> added = other.contours_; // which may be our own
    contours_.insert(contours_.end(), added.begin(), added.end());
    return *this;
}

Path& Path::join(const Path& other) {
    if (other.empty()) return *this;
    const std::vector<Contour> added = other.contours_;
    if (contours_.empty() || contours_.back().closed) return append(other);
    Contour& last = contours_.back();
    if (current() != added.front().start) last.pieces.emplace_back(PathLine{added.front().start});
    last.pieces.insert(last.pieces.end(), added.front().pieces.begin(), added.front().pieces.end());
    last.closed = added.front().closed;
    contours_.insert(contours_.end(), added.begin() + 1, added.end());
    return *this;
}

Path& Path::limit_lines(std::size_t most) {
    most_lines_ = most;
    return *this;
}

Box Path::bounds() const {
    if (empty()) return {};
    const geometry::Extent extent = geometry::extent_of(*this);
    const auto pixel = [](double value) { return static_cast<std::int64_t>(std::floor(value + 0.5)); };
    const std::int64_t x = pixel(extent.left);
    const std::int64_t y = pixel(extent.top);
    return {x, y, pixel(extent.right) - x + 1, pixel(extent.bottom) - y + 1};
}

Path Path::moved(std::int64_t dx, std::int64_t dy) const {
    Path result = *this;
    const Position step{static_cast<double>(dx), static_cast<double>(dy)};
    change_all(
        result.contours_, [step](Position at) { return kept(at + step); }, [](Position way) { return way; });
    return result;
}

Path Path::placed(Anchor anchor, Point position) const {
    return geometry::placed_by_bounds(*this, anchor, position);
}

Path Path::transformed(const Transform& transform) const {
    for (const double number :
         {transform.xx, transform.xy, transform.x_shift, transform.yx, transform.yy, transform.y_shift})
        base::check_finite("transform's number", number);
    Path result = *this;
    const Position origin = transform({});
    change_all(
        result.contours_, [&](Position at) { return kept(transform(at)); },
        [&](Position way) { return kept(transform(way) - origin); });
    return result;
}

Path Path::reversed() const {
    Path result;
    result.most_lines_ = most_lines_;
    for (auto contour = contours_.rbegin(); contour != contours_.rend(); ++contour) {
        Contour turned{
            contour->pieces.empty() ? contour->start : end_of(contour->pieces.back()), {}, contour->closed};
        for (std::size_t i = contour->pieces.size(); i-- > 0;) {
            const Position to = i == 0 ? contour->start : end_of(contour->pieces[i - 1]);
            PathPiece piece = contour->pieces[i];
            if (auto* const cubic = std::get_if<PathCubic>(&piece))
                std::swap(cubic->first_control, cubic->second_control);
            if (auto* const arc = std::get_if<PathArc>(&piece)) {
                arc->start = arc->start + arc->sweep;
                arc->sweep = -arc->sweep;
            }
            std::visit([to](auto& one) { one.to = to; }, piece);
            turned.pieces.push_back(piece);
        }
        result.contours_.push_back(std::move(turned));
    }
    return result;
}

} // namespace coldbrick
