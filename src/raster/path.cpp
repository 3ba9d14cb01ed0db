#include "raster/path.hpp"

#include "geometry/checks.hpp"
#include "raster/box.hpp"
#include "raster/convex.hpp"
#include "raster/line.hpp"
#include "raster/span_union.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <iterator>
#include <vector>

namespace coldbrick::raster {

namespace {

// A pixel p of a wide stroke is judged by q, which is p for an odd width and p + (1/2, 1/2) for an even one.
// All conditions are in half pixels, 2q = 2p + shift, and thus in integers.

/// What lies beyond the end of a band.
enum class End : std::uint8_t {
    pixel,   ///< an open end: the end pixel itself is in, judged by p
    vertex,  ///< where another segment meets, judged by q
    further, ///< half a width beyond, judged by q
};

/// A segment of a wide path.
class Segment {
  public:
    Segment(Point from, Point to, std::int32_t width)
        : from_(from), to_(to), dx_(std::int64_t{to.x} - from.x), dy_(std::int64_t{to.y} - from.y),
          shift_(width % 2 == 0 ? 1 : 0),
          reach_(static_cast<Int128>(floor_sqrt(square(width) * (square(dx_) + square(dy_))))) {}

    [[nodiscard]] std::int64_t dx() const { return dx_; }
    [[nodiscard]] std::int64_t dy() const { return dy_; }

    /// |s(q)| <= width / 2, as two half-planes: 2 |s| length <= floor(width * length).
    [[nodiscard]] std::array<HalfPlane, 2> sides() const {
        const Int128 k = Int128{dx_} * (shift_ - 2 * std::int64_t{from_.y}) -
                         Int128{dy_} * (shift_ - 2 * std::int64_t{from_.x});
        return {HalfPlane{-2 * dy_, 2 * dx_, reach_ - k}, HalfPlane{2 * dy_, -2 * dx_, reach_ + k}};
    }

    /// What of the plane lies on the segment's side of its first end.
    [[nodiscard]] HalfPlane from_side(End end) const { return end_side(from_, -dx_, -dy_, end); }

    /// What of the plane lies on the segment's side of its last end.
    [[nodiscard]] HalfPlane to_side(End end) const { return end_side(to_, dx_, dy_, end); }

    /// What lies beyond its last end, judged by q.
    [[nodiscard]] HalfPlane beyond_to() const { return end_side(to_, -dx_, -dy_, End::vertex); }

    /// What lies before its first end, judged by q.
    [[nodiscard]] HalfPlane before_from() const { return end_side(from_, dx_, dy_, End::vertex); }

  private:
    static Uint128 square(std::int64_t value) { return static_cast<Uint128>(Int128{value} * value); }

    /// The half-plane up to the end, seen in the direction (x, y).
    [[nodiscard]] HalfPlane end_side(Point end_point, std::int64_t x, std::int64_t y, End end) const {
        if (end == End::pixel) return {x, y, Int128{x} * end_point.x + Int128{y} * end_point.y};
        const Int128 at_end = Int128{x} * (2 * std::int64_t{end_point.x} - shift_) +
                              Int128{y} * (2 * std::int64_t{end_point.y} - shift_);
        return {2 * x, 2 * y, at_end + (end == End::further ? reach_ : 0)};
    }

    Point from_;
    Point to_;
    std::int64_t dx_;
    std::int64_t dy_;
    std::int64_t shift_;
    Int128 reach_; ///< floor(width * length)
};

/// The rows that anything within `distance` of both points can reach.
struct Rows {
    Int128 top;
    Int128 bottom;
};

Rows rows_about(Point a, Point b, double distance) {
    const auto reach = static_cast<Int128>(std::ceil(distance)) + 2;
    return {std::min(a.y, b.y) - reach, std::max(a.y, b.y) + reach};
}

/// The cosine of the angle by which a path turns between two segments.
double turn_cosine(const Segment& in, const Segment& out) {
    const auto length = [](const Segment& s) {
        return std::hypot(static_cast<double>(s.dx()), static_cast<double>(s.dy()));
    };
    const Int128 dot = Int128{in.dx()} * out.dx() + Int128{in.dy()} * out.dy();
    return static_cast<double>(dot) / (length(in) * length(out));
}

/// The half-plane of the vertex on the near side of the two outer corners. Their positions are irrational:
/// (2q - 2 vertex) . (n + m) <= width (1 + n . m) for the outward unit normals n and m, in units of 2^-44.
HalfPlane chord(const Segment& in, const Segment& out, Point vertex, std::int32_t width, bool clockwise) {
    constexpr double unit = 0x1p44;
    const double side = clockwise ? unit : -unit;
    const double in_length = std::hypot(static_cast<double>(in.dx()), static_cast<double>(in.dy()));
    const double out_length = std::hypot(static_cast<double>(out.dx()), static_cast<double>(out.dy()));
    const auto x = static_cast<std::int64_t>(std::llround(
        side * (static_cast<double>(in.dy()) / in_length + static_cast<double>(out.dy()) / out_length)));
    const auto y = static_cast<std::int64_t>(std::llround(
        -side * (static_cast<double>(in.dx()) / in_length + static_cast<double>(out.dx()) / out_length)));
    const std::int64_t shift = width % 2 == 0 ? 1 : 0;
    const auto limit = static_cast<Int128>(std::floor(unit * width * (1 + turn_cosine(in, out))));
    return {2 * x, 2 * y,
            limit + Int128{x} * (2 * std::int64_t{vertex.x} - shift) +
                Int128{y} * (2 * std::int64_t{vertex.y} - shift)};
}

/// Adds the mitre or bevel on the outer side of a corner: what lies beyond one segment and before the other,
/// up to both sides' continuations or to the chord between their corners.
void add_corner(const Segment& in, const Segment& out, Point vertex, const Pen& pen, SpanSink& parts) {
    const Int128 cross = Int128{in.dx()} * out.dy() - Int128{in.dy()} * out.dx();
    if (cross == 0) return; // straight on, or straight back, where there is no area between the corners
    const double half_angle_cosine = std::sqrt(std::max(0.0, (1 + turn_cosine(in, out)) / 2));
    const bool mitred = pen.join == Join::mitre && half_angle_cosine * pen.mitre_limit >= 1;
    const std::array in_sides = in.sides();
    const std::array out_sides = out.sides();
    const std::array corner{in.beyond_to(),
                            out.before_from(),
                            in_sides[0],
                            in_sides[1],
                            out_sides[0],
                            out_sides[1],
                            chord(in, out, vertex, pen.width, cross > 0)};
    // A limit beyond what any two sides can reach says no more than that.
    const double reach = pen.width / 2.0 * (mitred ? std::min(pen.mitre_limit, 0x1p40) : 1.0);
    const Rows rows = rows_about(vertex, vertex, reach);
    // The sides hold within the chord anyway, so that a bevel is the mitre cut off.
    add_convex(std::span(corner).first(mitred ? 6 : 7), rows.top, rows.bottom, parts);
}

void add_band(const Segment& segment, Point from, Point to, End first, End last, const Pen& pen,
              SpanSink& parts) {
    const std::array sides = segment.sides();
    const std::array band{sides[0], sides[1], segment.from_side(first), segment.to_side(last)};
    const Rows rows = rows_about(from, to, pen.width);
    add_convex(band, rows.top, rows.bottom, parts);
}

/// A path whose points are all the same.
void add_dot(Point point, const Pen& pen, SpanSink& parts) {
    if (pen.cap == Cap::round) return add_disc(point, pen.width, parts);
    const std::int64_t half = pen.width / 2;
    fill(Box{point.x - half, point.y - half, pen.width, pen.width}, parts);
}

void add_thin(std::span<const Point> points, bool closed, SpanSink& parts) {
    if (points.size() == 1) add_line({points[0], points[0]}, parts);
    for (std::size_t i = 1; i < points.size(); ++i) add_line({points[i - 1], points[i]}, parts);
    if (closed && points.size() > 2) add_line({points.back(), points.front()}, parts);
}

/// The points without those that repeat their neighbour.
std::vector<Point> distinct(std::span<const Point> points, bool closed) {
    std::vector<Point> result;
    result.reserve(points.size());
    std::ranges::unique_copy(points, std::back_inserter(result));
    while (closed && result.size() > 1 && result.back() == result.front()) result.pop_back();
    return result;
}

void add_wide(const std::vector<Point>& points, bool closed, const Pen& pen, SpanSink& parts) {
    const std::size_t count = closed ? points.size() : points.size() - 1;
    const auto point = [&](std::size_t i) { return points[i % points.size()]; };
    const auto segment = [&](std::size_t i) { return Segment(point(i), point(i + 1), pen.width); };
    const End open_end = pen.cap == Cap::square ? End::further : End::pixel;
    for (std::size_t i = 0; i < count; ++i) {
        const bool opens = !closed && i == 0;
        const bool ends = !closed && i + 1 == count;
        const Segment here = segment(i);
        add_band(here, point(i), point(i + 1), opens ? open_end : End::vertex, ends ? open_end : End::vertex,
                 pen, parts);
        if (opens && pen.cap == Cap::round) add_disc(point(i), pen.width, parts);
        if (ends && pen.cap == Cap::round) add_disc(point(i + 1), pen.width, parts);
        if (ends) continue;
        if (pen.join == Join::round)
            add_disc(point(i + 1), pen.width, parts);
        else
            add_corner(here, segment((i + 1) % count), point(i + 1), pen, parts);
    }
}

} // namespace

void add_path(std::span<const Point> points, bool closed, const Pen& pen, SpanSink& parts) {
    const std::vector<Point> path = distinct(points, closed);
    if (pen.width == 1)
        add_thin(path, closed, parts);
    else if (path.size() == 1)
        add_dot(path[0], pen, parts);
    else
        add_wide(path, closed, pen, parts);
}

void stroke(const Line& line, const Pen& pen, SpanSink& sink) {
    if (pen.width == 1) return add_line(line, sink);
    const bool single_part = pen.cap != Cap::round || line.from == line.to;
    const std::array points{line.from, line.to};
    if (single_part) return add_path(points, false, pen, sink);
    SpanUnion all(sink.clip());
    add_path(points, false, pen, all.parts());
    all.give(sink);
}

void stroke(const Polyline& polyline, const Pen& pen, SpanSink& sink) {
    SpanUnion all(sink.clip());
    add_path(polyline.points, polyline.closed, pen, all.parts());
    all.give(sink);
}

} // namespace coldbrick::raster

namespace coldbrick {

bool Polyline::contains(Point pixel) const {
    check(*this);
    for (std::size_t i = 0; i < points.size(); ++i) {
        const bool last = i + 1 == points.size();
        const Point next = last ? (closed ? points.front() : points[i]) : points[i + 1];
        if (Line{points[i], next}.contains(pixel)) return true;
    }
    return false;
}

} // namespace coldbrick
