#include "raster/path/outline.hpp"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <utility>

namespace coldbrick::raster {

double OutlinePen::reach() const {
    // A square cap's corner is the diagonal away; a butt end may be lengthened by less than two pixels.
    return std::max(right, left) * std::numbers::sqrt2 + 2 * static_cast<double>(sub_pixels);
}

double OutlinePen::reach_of_tips() const {
    return join == Join::mitre ? std::max(right, left) * mitre_limit : 0;
}

Outliner::Line Outliner::Line::between(const OutlineNode& from, const OutlineNode& to) {
    const SubVector way = SubVector::between(from.at, to.at);
    const double length = way.length();
    const SubVector direction = (1 / length) * way;
    const auto own = [&](SubVector other) { return dot(other, direction) > 0 ? other : direction; };
    return {from.at, to.at, length, own(from.leaving), own(to.arriving)};
}

/// The edges of a stroke run forwards on its right side and backwards on its left one.
void Outliner::add_edge(SubPoint from, SubPoint to, bool forwards) {
    if (!forwards) std::swap(from, to);
    if (pieces_ != nullptr)
        pieces_->add(from, to);
    else
        area_->add(from, to, part_);
}

template <class Add, class Own>
void Outliner::add_piece(const Add& add, const Own& own) {
    if (pieces_ == nullptr) return add();
    pieces_->begin();
    add();
    own();
    pieces_->end();
}

void Outliner::add_sides(const Line& line) {
    // As a piece it may be shorter than what a butt end lacks.
    const SubVector way = SubVector::between(line.from, line.to);
    if (pieces_ != nullptr && dot(way, line.direction) <= 0) return;
    const SubPoint right = line.from + pen_.right * line.direction.turned();
    const SubPoint left = line.from + -pen_.left * line.direction.turned();
    const SubPoint right_end = line.to + pen_.right * line.arriving.turned();
    const SubPoint left_end = line.to + -pen_.left * line.arriving.turned();
    // Normals cross on the inner side of a curve that bends more than the stroke is wide.
    const bool bends = !(line.direction == line.arriving);
    if (bends && dot(SubVector::between(right, right_end), way) < 0)
        return add_crossed(left, left_end, right, right_end, false);
    if (bends && dot(SubVector::between(left, left_end), way) < 0)
        return add_crossed(right, right_end, left, left_end, true);
    const auto add = [&] {
        add_edge(right, right_end, true);
        add_edge(left, left_end, false);
    };
    add_piece(add, [&] {
        add_edge(left, right, true);
        add_edge(right_end, left_end, true);
    });
}

namespace {

/// Where two lines cross, between the first one's ends.
SubPoint crossing_of(SubPoint a, SubPoint a_end, SubPoint b, SubPoint b_end) {
    const SubVector along_a = SubVector::between(a, a_end);
    const SubVector along_b = SubVector::between(b, b_end);
    const double turn = cross(along_a, along_b);
    const double share = turn == 0 ? 1 : cross(SubVector::between(a, b), along_b) / turn;
    return a + std::clamp(share, 0.0, 1.0) * along_a;
}

} // namespace

/// What lies between the normals of a curve that cross: two triangles.
void Outliner::add_crossed(SubPoint outer, SubPoint outer_end, SubPoint inner, SubPoint inner_end,
                           bool outer_is_right) {
    const SubPoint crossing = crossing_of(outer, inner, outer_end, inner_end);
    const auto add_triangle = [&](SubPoint a, SubPoint b) {
        add_edge(a, b, outer_is_right);
        add_edge(b, crossing, outer_is_right);
        add_edge(crossing, a, outer_is_right);
    };
    if (pieces_ == nullptr) {
        // The second triangle, of which the sides go around the wrong way, once for that and once for itself.
        add_edge(outer, outer_end, outer_is_right);
        add_edge(inner, inner_end, !outer_is_right);
        add_triangle(inner, inner_end);
        return add_triangle(inner, inner_end);
    }
    add_piece([&] { add_triangle(outer, outer_end); }, [] {});
    add_piece([&] { add_triangle(inner, inner_end); }, [] {});
}

/// Part of a circle, which one edge stands for where none of it can be seen.
void Outliner::add_arc(SubPoint centre, SubVector from, double turn, SubPoint begin, SubPoint end,
                       bool forwards) {
    const double radius = from.length();
    const double step = std::sqrt(8 * flatness / std::max(radius, flatness));
    const double lines = std::ceil(std::abs(turn) / step);
    const auto count = static_cast<std::int64_t>(std::max(lines, 1.0));
    const auto point = [&](std::int64_t i) {
        if (i == 0) return begin;
        if (i == count) return end;
        const double angle = turn * static_cast<double>(i) / static_cast<double>(count);
        const double cosine = std::cos(angle);
        const double sine = std::sin(angle);
        return centre + (cosine * from + sine * from.turned());
    };
    const auto halve = [&](const auto& self, std::int64_t first, std::int64_t last, SubPoint a, SubPoint b) {
        const double angle = turn * static_cast<double>(last - first) / static_cast<double>(count);
        if (last - first == 1 || visible_.hides(a, b, radius * angle * angle / 8))
            return add_edge(a, b, forwards);
        const std::int64_t middle = (first + last) / 2;
        const SubPoint between = point(middle);
        self(self, first, middle, a, between);
        self(self, middle, last, between, b);
    };
    halve(halve, 0, count, begin, end);
}

/// The tip where both sides meet, unless it is too far.
void Outliner::add_mitre(const Line& in, const Line& out, SubPoint begin, SubPoint end, SubVector aside,
                         bool on_right) {
    const double cosine = dot(in.arriving, out.direction);
    const double away = std::sqrt(2 / std::max(1 + cosine, 0x1p-100)); // in half widths
    if (!(away <= pen_.mitre_limit)) return add_edge(begin, end, on_right);
    constexpr double furthest = 0x1p52;
    // The tip lies so far along both sides: the width times the tangent of half the turn.
    const double beyond = aside.length() * std::abs(cross(in.arriving, out.direction)) / (1 + cosine);
    if (beyond < furthest) {
        const SubPoint tip = begin + beyond * in.arriving;
        add_edge(begin, tip, on_right);
        return add_edge(tip, end, on_right);
    }
    // Beyond all that can be seen it is cut off.
    const SubPoint first = begin + furthest * in.arriving;
    const SubPoint last = end + -furthest * out.direction;
    add_edge(begin, first, on_right);
    add_edge(first, last, on_right);
    add_edge(last, end, on_right);
}

void Outliner::add_outer_join(const Line& in, const Line& out, Join join, bool on_right) {
    const double width = on_right ? pen_.right : -pen_.left;
    const SubVector aside = width * in.arriving.turned();
    const SubPoint begin = in.to + aside;
    const SubPoint end = out.from + width * out.direction.turned();
    if (begin == end) return;
    const auto add = [&] {
        if (join == Join::bevel) return add_edge(begin, end, on_right);
        if (join == Join::mitre) return add_mitre(in, out, begin, end, aside, on_right);
        const double sine = cross(in.arriving, out.direction);
        const double cosine = dot(in.arriving, out.direction);
        // A line that turns back goes around the outer side, which is the left one.
        const double turn =
            on_right ? -std::abs(std::atan2(sine, cosine)) : std::abs(std::atan2(sine, cosine));
        add_arc(in.to, aside, turn, begin, end, on_right);
    };
    add_piece(add, [&] {
        add_edge(end, in.to, on_right);
        add_edge(in.to, begin, on_right);
    });
}

void Outliner::add_join(const Line& in, const Line& out, bool is_corner) {
    if (in.arriving == out.direction) return;
    const double sine = cross(in.arriving, out.direction);
    const double cosine = dot(in.arriving, out.direction);
    const bool outer_is_right = sine < 0;
    add_outer_join(in, out, is_corner ? pen_.join : Join::round, outer_is_right);
    if (pieces_ != nullptr) return;
    // The inner side goes by way of the corner itself, or straight where both rectangles cover what that cuts
    // off.
    const double width = outer_is_right ? -pen_.left : pen_.right;
    const SubPoint begin = in.to + width * in.arriving.turned();
    const SubPoint end = out.from + width * out.direction.turned();
    if (begin == end) return;
    const bool covered = cosine > 0 && std::abs(width * sine) < std::min(in.length, out.length);
    if (covered) return add_edge(begin, end, !outer_is_right);
    add_edge(begin, in.to, !outer_is_right);
    add_edge(in.to, end, !outer_is_right);
}

void Outliner::add_disc(SubPoint centre, SubVector radius) {
    const SubPoint one_side = centre + radius;
    const SubPoint other_side = centre + -radius;
    const auto add = [&] {
        add_arc(centre, radius, -std::numbers::pi, one_side, other_side, true);
        add_arc(centre, -radius, -std::numbers::pi, other_side, one_side, true);
    };
    add_piece(add, [] {});
}

void Outliner::add_cap(const End& end) {
    if (pieces_ != nullptr && end.cap == Cap::butt) return; // the line's own piece has it
    // Seen outwards, the stroke's sides change places at its beginning.
    const double right_width = end.is_begin ? pen_.left : pen_.right;
    const double left_width = end.is_begin ? pen_.right : pen_.left;
    const SubPoint right = end.at + right_width * end.outwards.turned();
    const SubPoint left = end.at + -left_width * end.outwards.turned();
    const double radius = (pen_.right + pen_.left) / 2;
    const SubPoint centre = end.at + (right_width - left_width) / 2 * end.outwards.turned();
    const SubVector aside = radius * end.outwards.turned();
    if (end.cap == Cap::round && end.is_whole) add_disc(centre, aside);
    const auto add = [&] {
        if (end.cap == Cap::round && !end.is_whole)
            return add_arc(centre, aside, -std::numbers::pi, right, left, true);
        const double further = end.cap == Cap::square ? radius : end.cap == Cap::butt ? end.lengthening : 0;
        if (further == 0) return add_edge(right, left, true);
        const SubPoint right_end = right + further * end.outwards;
        const SubPoint left_end = left + further * end.outwards;
        add_edge(right, right_end, true);
        add_edge(right_end, left_end, true);
        add_edge(left_end, left, true);
    };
    add_piece(add, [&] { add_edge(left, right, true); });
}

/// True if the stroke has the inward half of the disc about an end anyway: lines that meet in round joins do,
/// up to a corner of another kind or an end that is not round, if that is further away than the disc reaches.
bool Outliner::covers_disc(std::span<const OutlineNode> nodes, bool about_begin, Cap other_cap) const {
    const auto from_end = [&](std::size_t i) { return nodes[about_begin ? i : nodes.size() - 1 - i]; };
    for (std::size_t i = 1; i < nodes.size(); ++i) {
        const OutlineNode node = from_end(i);
        const bool is_last = i + 1 == nodes.size();
        if (is_last ? other_cap == Cap::round : !node.is_corner || pen_.join == Join::round) continue;
        return SubVector::between(from_end(0).at, node.at).length() >= pen_.right + pen_.left;
    }
    return true;
}

/// A round join is a whole disc, which may reach over ends that are near and not round.
void Outliner::complete_join(std::span<const OutlineNode> nodes, std::size_t node, const Caps& caps) {
    if (pen_.join != Join::round || pen_.right != pen_.left) return;
    const SubPoint at = nodes[node].at;
    const auto reaches = [&](SubPoint end, Cap cap, bool goes_on) {
        return cap != Cap::round && !goes_on && SubVector::between(at, end).length() < pen_.right + pen_.left;
    };
    if (reaches(nodes.front().at, caps.at_begin, caps.goes_on_before) ||
        reaches(nodes.back().at, caps.at_end, caps.goes_on_after))
        add_disc(at, {pen_.right, 0});
}

void Outliner::add_open(std::span<const OutlineNode> nodes, const Lengthening& lengthening,
                        const Caps& caps) {
    const auto is_whole = [&](bool about_begin) {
        const Cap cap = about_begin ? caps.at_begin : caps.at_end;
        return cap == Cap::round &&
               !covers_disc(nodes, about_begin, about_begin ? caps.at_end : caps.at_begin);
    };
    Line line = Line::between(nodes[0], nodes[1]);
    add_cap({caps.at_begin, line.from, -line.direction, true, lengthening.at_begin, is_whole(true)});
    if (pieces_ != nullptr && caps.at_begin == Cap::butt) line.lengthen_begin(lengthening.at_begin);
    const auto lengthen_end = [&](Line& last) {
        if (pieces_ != nullptr && caps.at_end == Cap::butt) last.lengthen_end(lengthening.at_end);
    };
    if (nodes.size() == 2) lengthen_end(line);
    add_sides(line);
    for (std::size_t i = 2; i < nodes.size(); ++i) {
        Line next = Line::between(nodes[i - 1], nodes[i]);
        if (i + 1 == nodes.size()) lengthen_end(next);
        add_join(line, next, nodes[i - 1].is_corner);
        if (nodes[i - 1].is_corner) complete_join(nodes, i - 1, caps);
        add_sides(next);
        line = next;
    }
    add_cap({caps.at_end, line.to, line.arriving, false, lengthening.at_end, is_whole(false)});
}

void Outliner::add_closed(std::span<const OutlineNode> nodes) {
    Line line = Line::between(nodes.back(), nodes.front());
    for (std::size_t i = 0; i < nodes.size(); ++i) {
        const Line next = Line::between(nodes[i], nodes[(i + 1) % nodes.size()]);
        add_join(line, next, nodes[i].is_corner);
        add_sides(next);
        line = next;
    }
}

void Outliner::add_dot(SubPoint at, SubVector direction, const Lengthening& lengthening) {
    if (pen_.cap == Cap::butt && lengthening.at_begin + lengthening.at_end <= 0) return;
    Line line{at, at, 0, direction, direction};
    line.lengthen_begin(lengthening.at_begin);
    line.lengthen_end(lengthening.at_end);
    if (pieces_ != nullptr && pen_.cap == Cap::butt) return add_sides(line);
    add_cap({pen_.cap, at, -direction, true, lengthening.at_begin});
    add_cap({pen_.cap, at, direction, false, lengthening.at_end});
}

} // namespace coldbrick::raster
