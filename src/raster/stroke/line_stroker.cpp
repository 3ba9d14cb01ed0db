#include "raster/stroke/line_stroker.hpp"

#include "raster/areas/exact_half_planes.hpp"
#include "raster/shapes/box.hpp"
#include "raster/spans/span_union.hpp"
#include "raster/stroke/curve_stroker.hpp"
#include "raster/stroke/line_segment.hpp"
#include "raster/thin/thin_paths.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdlib>
#include <iterator>
#include <vector>

namespace coldbrick::raster {

namespace {

// A pixel p of a wide stroke is judged by q, which is p for an odd width and p + (1/2, 1/2) for an even one.
// All conditions are in half pixels, 2q = 2p + shift, and thus in integers.

/// A mitre limit beyond what any two sides can reach says no more than this.
constexpr auto beyond_all_tips = static_cast<double>(base::beyond_all_pixels);

/// What lies beyond the end of a band.
enum class End : std::uint8_t {
    pixel,   ///< an open end: the end pixel itself is in, judged by p
    vertex,  ///< where another segment meets, judged by q
    further, ///< half a width beyond, judged by q
};

/// A segment of a wide path.
class WideLine {
  public:
    WideLine(Point from, Point to, std::int64_t width)
        : from_(from), to_(to), dx_(std::int64_t{to.x} - from.x), dy_(std::int64_t{to.y} - from.y),
          width_(width), shift_(width % 2 == 0 ? 1 : 0), reach_(reach(width, square(dx_) + square(dy_))) {}

    [[nodiscard]] std::int64_t dx() const { return dx_; }
    [[nodiscard]] std::int64_t dy() const { return dy_; }

    /// |s(q)| <= width / 2, as two half-planes: 2 |s| length <= floor(width * length).
    [[nodiscard]] std::array<HalfPlane, 2> sides() const {
        const base::Int128 k = base::Int128{dx_} * (shift_ - 2 * std::int64_t{from_.y}) -
                               base::Int128{dy_} * (shift_ - 2 * std::int64_t{from_.x});
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

    /// What of the plane lies on the further side of a dash's first end, so far along the segment.
    [[nodiscard]] HalfPlane after(long double along, bool squared) const {
        return before_or_after(along - squared_by(squared), -1, squared);
    }

    /// What of the plane lies on the near side of a dash's last end.
    [[nodiscard]] HalfPlane before(long double along, bool squared) const {
        return before_or_after(along + squared_by(squared), 1, squared);
    }

    [[nodiscard]] long double length() const {
        return std::hypot(static_cast<long double>(dx_), static_cast<long double>(dy_));
    }

  private:
    /// floor(width * sqrt(square)), also where width^2 * square needs more than 128 bits.
    static base::Int128 reach(std::int64_t width, base::Uint128 length_square) {
        if (width < base::end_coordinate)
            return static_cast<base::Int128>(base::floor_sqrt(square(width) * length_square));
        // With the root's whole part r, it is width * r + rest for the largest rest with
        // rest^2 + 2 r width rest <= width^2 (square - r^2).
        const base::Int128 root = base::floor_sqrt(length_square);
        const base::Int128 whole = root * width;
        const base::Int128 limit = static_cast<base::Int128>(
            square(width) * (length_square - static_cast<base::Uint128>(root * root)));
        const auto fits = [&](base::Int128 rest) { return rest * rest + 2 * whole * rest <= limit; };
        base::Int128 rest = 0;
        for (base::Int128 bit = base::Int128{1} << 32; bit > 0; bit /= 2)
            if (fits(rest + bit)) rest += bit;
        return whole + rest;
    }

    [[nodiscard]] long double squared_by(bool squared) const {
        return squared ? static_cast<long double>(width_) / 2 : 0;
    }

    /// direction * t <= direction * along: of p, or of q where a square cap is cut.
    [[nodiscard]] HalfPlane before_or_after(long double along, std::int64_t direction,
                                            bool judged_by_q) const {
        const std::int64_t x = direction * dx_;
        const std::int64_t y = direction * dy_;
        const long double limit = std::floor(2 * static_cast<long double>(direction) * along * length());
        const std::int64_t shift = judged_by_q ? shift_ : 0;
        return {2 * x, 2 * y,
                static_cast<base::Int128>(limit) + base::Int128{x} * (2 * std::int64_t{from_.x} - shift) +
                    base::Int128{y} * (2 * std::int64_t{from_.y} - shift)};
    }

    static base::Uint128 square(std::int64_t value) {
        return static_cast<base::Uint128>(base::Int128{value} * value);
    }

    /// The half-plane up to the end, seen in the direction (x, y).
    [[nodiscard]] HalfPlane end_side(Point end_point, std::int64_t x, std::int64_t y, End end) const {
        if (end == End::pixel) return {x, y, base::Int128{x} * end_point.x + base::Int128{y} * end_point.y};
        const base::Int128 at_end = base::Int128{x} * (2 * std::int64_t{end_point.x} - shift_) +
                                    base::Int128{y} * (2 * std::int64_t{end_point.y} - shift_);
        return {2 * x, 2 * y, at_end + (end == End::further ? reach_ : 0)};
    }

    Point from_;
    Point to_;
    std::int64_t dx_;
    std::int64_t dy_;
    std::int64_t width_;
    std::int64_t shift_;
    base::Int128 reach_; ///< floor(width * length)
};

/// False if a clip shows nothing that lies within `distance` of both points or between them.
bool may_show(const base::Clip& clip, Point a, Point b, double distance) {
    const double reach = distance + 2;
    const auto meets = [reach](std::int32_t one, std::int32_t other, std::int64_t begin, std::int64_t end) {
        return std::min(one, other) - reach < static_cast<double>(end) &&
               std::max(one, other) + reach > static_cast<double>(begin);
    };
    return meets(a.y, b.y, clip.top, clip.bottom) && meets(a.x, b.x, clip.left, clip.right);
}

/// The rows that anything within `distance` of both points can reach.
struct RowsReached {
    base::Int128 top;
    base::Int128 bottom;
};

RowsReached rows_about(Point a, Point b, double distance) {
    const auto reach = static_cast<base::Int128>(std::ceil(distance)) + 2;
    return {std::min(a.y, b.y) - reach, std::max(a.y, b.y) + reach};
}

/// The cosine of the angle by which a path turns between two segments.
double turn_cosine(const WideLine& in, const WideLine& out) {
    const auto length = [](const WideLine& s) {
        return std::hypot(static_cast<double>(s.dx()), static_cast<double>(s.dy()));
    };
    const base::Int128 dot = base::Int128{in.dx()} * out.dx() + base::Int128{in.dy()} * out.dy();
    return static_cast<double>(dot) / (length(in) * length(out));
}

/// The half-plane of the vertex on the near side of the two outer corners. Their positions are irrational:
/// (2q - 2 vertex) . (n + m) <= width (1 + n . m) for the outward unit normals n and m, in units of 2^-44.
HalfPlane chord(const WideLine& in, const WideLine& out, Point vertex, std::int64_t width, bool clockwise) {
    constexpr double unit = 0x1p44;
    static_assert(4 * unit < static_cast<double>(base::steepest_slope)); // two unit normals, doubled
    const double side = clockwise ? unit : -unit;
    const double in_length = std::hypot(static_cast<double>(in.dx()), static_cast<double>(in.dy()));
    const double out_length = std::hypot(static_cast<double>(out.dx()), static_cast<double>(out.dy()));
    const auto x = static_cast<std::int64_t>(std::llround(
        side * (static_cast<double>(in.dy()) / in_length + static_cast<double>(out.dy()) / out_length)));
    const auto y = static_cast<std::int64_t>(std::llround(
        -side * (static_cast<double>(in.dx()) / in_length + static_cast<double>(out.dx()) / out_length)));
    const std::int64_t shift = width % 2 == 0 ? 1 : 0;
    const auto limit =
        static_cast<base::Int128>(std::floor(unit * static_cast<double>(width) * (1 + turn_cosine(in, out))));
    return {2 * x, 2 * y,
            limit + base::Int128{x} * (2 * std::int64_t{vertex.x} - shift) +
                base::Int128{y} * (2 * std::int64_t{vertex.y} - shift)};
}

/// Adds the mitre or bevel on the outer side of a corner: what lies beyond one segment and before the other,
/// up to both sides' continuations or to the chord between their corners.
void add_corner(const WideLine& in, const WideLine& out, Point vertex, const Pen& pen, SpanSink& parts) {
    const base::Int128 cross = base::Int128{in.dx()} * out.dy() - base::Int128{in.dy()} * out.dx();
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
    const double reach =
        static_cast<double>(pen.width) / 2 * (mitred ? std::min(pen.mitre_limit, beyond_all_tips) : 1.0);
    const RowsReached rows = rows_about(vertex, vertex, reach);
    // The sides hold within the chord anyway, so that a bevel is the mitre cut off.
    add_convex(std::span(corner).first(mitred ? 6 : 7), rows.top, rows.bottom, parts);
}

void add_band(const WideLine& segment, Point from, Point to, End first, End last, const Pen& pen,
              SpanSink& parts) {
    const std::array sides = segment.sides();
    const std::array band{sides[0], sides[1], segment.from_side(first), segment.to_side(last)};
    const RowsReached rows = rows_about(from, to, static_cast<double>(pen.width));
    add_convex(band, rows.top, rows.bottom, parts);
}

/// A path whose points are all the same.
void add_dot(Point point, const Pen& pen, SpanSink& parts) {
    if (pen.cap == Cap::round) return add_disc(point, pen.width, parts);
    const std::int64_t half = pen.width / 2;
    fill(Box{point.x - half, point.y - half, pen.width, pen.width}, parts);
}

void add_thin(std::span<const Point> points, bool closed, const Pen& pen, SpanSink& parts) {
    const auto add = [&](const ThinLineSteps& steps, const auto&... some) {
        add_steps(steps, some..., parts);
    };
    if (!pen.dashed()) return for_each_solid_line(points, closed, parts.clip(), add);
    const DashPattern dashes(pen.dashes, pen.dash_offset);
    for_each_dashed_line(
        points, closed, dashes, parts.clip(), add, [&](const Line& line, long double begins) {
            const std::int64_t dx = std::int64_t{line.to.x} - line.from.x;
            const std::int64_t dy = std::int64_t{line.to.y} - line.from.y;
            const long double length = std::hypot(static_cast<long double>(dx), static_cast<long double>(dy));
            const auto position = [&](std::int64_t x, std::int64_t y) {
                const base::Int128 along =
                    base::Int128{x - line.from.x} * dx + base::Int128{y - line.from.y} * dy;
                return begins + static_cast<long double>(along) / length;
            };
            add_thin_dashes(dashes, parts, position, [&](SpanSink& solid) { add_line(line, solid); });
        });
}

void add_join(const WideLine& in, const WideLine& out, Point vertex, const Pen& pen, SpanSink& parts) {
    if (pen.join == Join::round)
        add_disc(vertex, pen.width, parts);
    else
        add_corner(in, out, vertex, pen, parts);
}

void add_wide(const std::vector<Point>& points, bool closed, const Pen& pen, SpanSink& parts) {
    const std::size_t count = closed ? points.size() : points.size() - 1;
    const auto point = [&](std::size_t i) { return points[i % points.size()]; };
    const auto segment = [&](std::size_t i) { return WideLine(point(i), point(i + 1), pen.width); };
    const End open_end = pen.cap == Cap::square ? End::further : End::pixel;
    // A join's tip lies so far from its vertex at most; a square cap's corners are nearer.
    const double reach =
        static_cast<double>(pen.width) / 2 *
        std::max(2.0, pen.join == Join::mitre ? std::min(pen.mitre_limit, beyond_all_tips) : 1.0);
    for (std::size_t i = 0; i < count; ++i) {
        if (!may_show(parts.clip(), point(i), point(i + 1), reach)) continue;
        const bool opens = !closed && i == 0;
        const bool ends = !closed && i + 1 == count;
        const WideLine here = segment(i);
        add_band(here, point(i), point(i + 1), opens ? open_end : End::vertex, ends ? open_end : End::vertex,
                 pen, parts);
        if (opens && pen.cap == Cap::round) add_disc(point(i), pen.width, parts);
        if (ends && pen.cap == Cap::round) add_disc(point(i + 1), pen.width, parts);
        if (!ends) add_join(here, segment((i + 1) % count), point(i + 1), pen, parts);
    }
}

/// A vertex as seen from pixel (0, 0).
HalfPixelVector place_of(Point vertex) {
    return Origin{}.to_pixel(vertex.x, vertex.y);
}

void add_dash(const WideLine& segment, Point first, Point last, const Dash& dash, const Pen& pen,
              SpanSink& parts) {
    const bool squared = pen.cap == Cap::square;
    const std::array sides = segment.sides();
    const std::array band{sides[0], sides[1],
                          dash.begins ? segment.after(dash.from, squared) : segment.from_side(End::vertex),
                          dash.ends ? segment.before(dash.to, squared) : segment.to_side(End::vertex)};
    const RowsReached rows = rows_about(first, last, static_cast<double>(pen.width));
    const HalfPixelVector along =
        HalfPixelVector{static_cast<long double>(segment.dx()), static_cast<long double>(segment.dy())}
            .unit();
    const auto row_at = [&](long double distance) {
        return static_cast<base::Int128>(std::floor(along.y * distance)) + first.y;
    };
    const base::Int128 reach = base::Int128{pen.width} + 2;
    add_convex(band, std::max(rows.top, std::min(row_at(dash.from), row_at(dash.to)) - reach),
               std::min(rows.bottom, std::max(row_at(dash.from), row_at(dash.to)) + reach), parts);
    if (pen.cap != Cap::round) return;
    const HalfPixels shift{pen.width % 2 == 0 ? 1 : 0};
    const Origin origin{HalfPixels::of_pixels(first.x) - shift, HalfPixels::of_pixels(first.y) - shift};
    const RealHalfPixels radius = half_width_of(pen);
    if (dash.begins) add_disc_about(RealHalfPixels::of_pixels(dash.from) * along, radius, origin, parts);
    if (dash.ends) add_disc_about(RealHalfPixels::of_pixels(dash.to) * along, radius, origin, parts);
}

void add_wide_dashed(const std::vector<Point>& points, bool closed, const Pen& pen, SpanSink& parts) {
    const DashPattern dashes(pen.dashes, pen.dash_offset);
    const std::size_t count = closed ? points.size() : points.size() - 1;
    long double begins = 0;
    for (std::size_t i = 0; i < count; ++i) {
        const Point first = points[i];
        const Point last = points[(i + 1) % points.size()];
        const WideLine here(first, last, pen.width);
        const bool end_of_path = i + 1 == count;
        const PieceOfPath piece{begins, here.length(), i == 0, end_of_path};
        const Interval shown = beside({{0, 0}, place_of(last) - place_of(first)}, parts.clip(),
                                      {HalfPixels::of_pixels(first.x), HalfPixels::of_pixels(first.y)});
        // A cap reaches the pixels next to it, however wide it is, so that the dashes before and after those
        // beside the pixels are enough.
        dashes.for_each_on(begins + shown.from.in_pixels() - dashes.period(),
                           begins + shown.to.in_pixels() + dashes.period(),
                           [&](long double on, long double off) {
                               const Dash dash = Dash::on_piece(piece, on, off);
                               if (dash.from <= dash.to) add_dash(here, first, last, dash, pen, parts);
                           });
        begins += here.length();
        if (!end_of_path && dashes.runs_over(begins))
            add_join(here, WideLine(last, points[(i + 2) % points.size()], pen.width), last, pen, parts);
    }
}

} // namespace

OutermostPlaces outermost(std::span<const Point> points, bool closed, const Pen& pen) {
    const std::vector<Point> path = distinct(points, closed);
    // Judged by q = p + (1/2, 1/2) for an even width, all lies half a pixel up and to the left.
    const HalfPixels shift{pen.width % 2 == 0 ? 1 : 0};
    const Origin origin{-shift, -shift};
    if (path.size() == 1) {
        OutermostPlaces dot;
        dot.add_disc(PixelVector::at(origin, place_of(path[0])), half_width_of(pen).in_pixels());
        return dot;
    }
    CurveStroker stroker(origin, closed);
    for_each_line(path, closed, [&](Point from, Point to) {
        stroker.add(LineSegment{place_of(from), place_of(to)});
    });
    return stroker.outermost(pen);
}

std::int64_t expected_spans(std::span<const Point> points, bool closed, const Pen& pen,
                            const base::Clip& clip) {
    std::int64_t result = 0;
    for_each_line(points, closed, [&](Point from, Point to) {
        const std::int64_t top = std::max(std::min(from.y, to.y) - pen.width, clip.top);
        const std::int64_t end = std::min(std::max(from.y, to.y) + pen.width + 1, clip.bottom);
        if (top < end && may_show(clip, from, to, static_cast<double>(pen.width))) result += end - top;
    });
    return result;
}

void add_path(std::span<const Point> points, bool closed, const Pen& pen, SpanSink& parts) {
    const std::vector<Point> path = distinct(points, closed);
    if (pen.width == 1)
        add_thin(path, closed, pen, parts);
    else if (path.size() == 1)
        add_dot(path[0], pen, parts);
    else if (pen.dashed())
        add_wide_dashed(path, closed, pen, parts);
    else
        add_wide(path, closed, pen, parts);
}

void stroke(const Line& line, const Pen& pen, SpanSink& sink) {
    if (pen.width == 1 && !pen.dashed()) return add_line(line, sink);
    const bool single_part = !pen.dashed() && (pen.cap != Cap::round || line.from == line.to);
    const std::array points{line.from, line.to};
    if (single_part) return add_path(points, false, pen, sink);
    SpanUnion all(sink.clip());
    add_path(points, false, pen, all.parts());
    all.give(sink);
}

void stroke(const Dots& dots, const Pen& pen, SpanSink& sink) {
    const std::int64_t rows = std::min(pen.width, sink.clip().bottom - sink.clip().top);
    const std::int64_t expected = static_cast<std::int64_t>(dots.points.size()) * rows;
    add_union(expected, sink, [&](SpanSink& parts) {
        for (const Point& point : dots.points) {
            if (pen.width > 1)
                add_disc(point, pen.width, parts);
            else if (parts.clip().contains(point))
                parts.add_visible({point.y, point.x, std::int64_t{point.x} + 1});
        }
    });
}

void stroke(const Polyline& polyline, const Pen& pen, SpanSink& sink) {
    add_union(expected_spans(polyline.points, polyline.closed, pen, sink.clip()), sink,
              [&](SpanSink& parts) { add_path(polyline.points, polyline.closed, pen, parts); });
}

} // namespace coldbrick::raster
