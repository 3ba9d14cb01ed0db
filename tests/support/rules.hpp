/// @file
/// The pixel rules, pixel by pixel: slow, obvious decisions written from docs/pixel-rules.md, which share no
/// code with the library.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/circle.hpp>
#include <coldbrick/fill_rule.hpp>
#include <coldbrick/line.hpp>
#include <coldbrick/line_style.hpp>
#include <coldbrick/polygon.hpp>
#include <coldbrick/stroke.hpp>

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <numbers>
#include <vector>

namespace coldbrick::test::rules {

__extension__ using Wide = __int128;

constexpr Wide absolute(Wide value) {
    return value < 0 ? -value : value;
}

/// Width-1 lines: on the longer axis from end to end, the nearest pixel on the other, halves to the larger.
inline bool on_line(const Line& line, std::int64_t x, std::int64_t y) {
    Wide along = Wide{line.to.x} - line.from.x;
    Wide across = Wide{line.to.y} - line.from.y;
    Wide along_pixel = Wide{x} - line.from.x;
    Wide across_pixel = Wide{y} - line.from.y;
    if (absolute(across) > absolute(along)) {
        std::swap(along, across);
        std::swap(along_pixel, across_pixel);
    }
    if (along < 0) { // look from the other end's side, so that inequalities can be multiplied by it
        along = -along;
        along_pixel = -along_pixel;
    }
    if (along == 0) return along_pixel == 0 && across_pixel == 0;
    if (along_pixel < 0 || along_pixel > along) return false;
    // across_pixel == floor(along_pixel * across / along + 1/2)
    const Wide doubled_ideal = 2 * along_pixel * across + along;
    return 2 * along * across_pixel <= doubled_ideal && doubled_ideal < 2 * along * (across_pixel + 1);
}

/// A box, filled: both ends included on each axis.
inline bool in_box(const Box& box, std::int64_t x, std::int64_t y) {
    return box.x <= x && x <= box.x + box.width - 1 && box.y <= y && y <= box.y + box.height - 1;
}

/// A box's stroke: grown by floor((w - 1) / 2) without shrunk by floor(w / 2) + 1.
inline bool on_box(const Box& box, std::int64_t width, std::int64_t x, std::int64_t y) {
    if (box.width == 0 || box.height == 0) return false;
    const auto grown = [&box](std::int64_t by) {
        return Box{box.x - by, box.y - by, box.width + 2 * by, box.height + 2 * by};
    };
    return in_box(grown((width - 1) / 2), x, y) && !in_box(grown(-(width / 2 + 1)), x, y);
}

/// A circle's outline: on each column and each row that the curve meets, the pixel nearest to each crossing.
inline bool on_circle(const Circle& circle, std::int64_t x, std::int64_t y) {
    const Wide across = absolute(Wide{x} - circle.centre.x);
    const Wide down = absolute(Wide{y} - circle.centre.y);
    const Wide radius = circle.radius;
    // `near` is nearest to sqrt(r^2 - far^2): (near - 1/2)^2 <= r^2 - far^2 < (near + 1/2)^2, halves
    // outwards.
    const auto nearest = [radius](Wide far, Wide near) {
        const Wide crossing = 4 * (radius * radius - far * far);
        if (crossing < 0) return false;
        return (near == 0 || (2 * near - 1) * (2 * near - 1) <= crossing) &&
               crossing < (2 * near + 1) * (2 * near + 1);
    };
    return nearest(across, down) || nearest(down, across);
}

/// A filled circle: the outline and what it encloses. A pixel that is enclosed lies within the ideal curve,
/// for the outline has a pixel on every row on either side.
inline bool in_circle(const Circle& circle, std::int64_t x, std::int64_t y) {
    const Wide across = Wide{x} - circle.centre.x;
    const Wide down = Wide{y} - circle.centre.y;
    return across * across + down * down <= Wide{circle.radius} * circle.radius || on_circle(circle, x, y);
}

/// A circle's stroke of width 2 and up: r - w/2 <= d < r + w/2.
inline bool on_circle(const Circle& circle, std::int64_t width, std::int64_t x, std::int64_t y) {
    if (width == 1) return on_circle(circle, x, y);
    const Wide across = Wide{x} - circle.centre.x;
    const Wide down = Wide{y} - circle.centre.y;
    const Wide distance = 4 * (across * across + down * down);
    const Wide inner = 2 * Wide{circle.radius} - width;
    const Wide outer = 2 * Wide{circle.radius} + width;
    return (inner <= 0 || inner * inner <= distance) && distance < outer * outer;
}

/// An ellipse's outline, in half pixels from the box's centre: on each column and row that the curve meets,
/// the pixel nearest to each crossing, halves away from the axis. For sides of up to 2^30 pixels.
inline bool on_ellipse(const Box& box, std::int64_t x, std::int64_t y) {
    if (!in_box(box, x, y)) return false;
    const Wide a = box.width - 1;
    const Wide b = box.height - 1;
    if (a == 0 || b == 0) return true;
    const Wide across = absolute(2 * Wide{x - box.x} - a);
    const Wide down = absolute(2 * Wide{y - box.y} - b);
    // (near - 1)^2 <= near_axis^2 (1 - far^2 / far_axis^2) < (near + 1)^2
    const auto nearest = [](Wide near, Wide near_axis, Wide far, Wide far_axis) {
        const Wide crossing = near_axis * near_axis * (far_axis * far_axis - far * far);
        const Wide scale = far_axis * far_axis;
        return (near == 0 || (near - 1) * (near - 1) * scale <= crossing) &&
               crossing < (near + 1) * (near + 1) * scale;
    };
    return nearest(across, a, down, b) || nearest(down, b, across, a);
}

/// A filled ellipse, for sides of up to 2^30 pixels.
inline bool in_ellipse(const Box& box, std::int64_t x, std::int64_t y) {
    if (!in_box(box, x, y)) return false;
    const Wide a = box.width - 1;
    const Wide b = box.height - 1;
    const Wide across = 2 * Wide{x - box.x} - a;
    const Wide down = 2 * Wide{y - box.y} - b;
    return across * across * b * b + down * down * a * a <= a * a * b * b || on_ellipse(box, x, y);
}

/// The place on an ellipse about (0, 0) that is nearest to a point: of many in the quarter that the point
/// lies in, refined.
struct Foot {
    long double distance;
    long double x;
    long double y;
};
inline Foot nearest_on_ellipse(long double a, long double b, long double x, long double y) {
    const auto at = [&](long double angle) {
        return std::hypot(std::abs(x) - a * std::cos(angle), std::abs(y) - b * std::sin(angle));
    };
    constexpr int steps = 128;
    constexpr long double step = std::numbers::pi_v<long double> / 2 / steps;
    long double best = 0;
    for (int i = 1; i <= steps; ++i)
        if (at(step * i) < at(best)) best = step * i;
    for (long double reach = step; reach > 1e-12L; reach /= 2) {
        if (at(best - reach) < at(best)) best -= reach;
        if (at(best + reach) < at(best)) best += reach;
    }
    return {at(best), std::copysign(a * std::cos(best), x), std::copysign(b * std::sin(best), y)};
}

inline long double distance(long double a, long double b, long double x, long double y) {
    return nearest_on_ellipse(a, b, x, y).distance;
}

/// What a rule says of a pixel, where floating point may err near a boundary.
enum class Verdict { out, in, either };

/// 113 bits, about twice as many as the library uses.
__extension__ using Precise = __float128;

/// The square of a point's distance to the curve x^2 / a^2 + y^2 / b^2 = 1: the nearest point is at
/// (a^2 x / (q + a^2 - b^2), b^2 y / q) for the q that puts it on the curve, which halving finds.
/// @param a,b 0 < b <= a
inline Precise square_distance(Precise a, Precise b, Precise x, Precise y) {
    x = x < 0 ? -x : x;
    y = y < 0 ? -y : y;
    const Precise more = (a - b) * (a + b);
    const auto beyond = [&](Precise q) {
        const Precise across = a * x / (q + more);
        const Precise down = b * y / q;
        return across * across + down * down - 1;
    };
    Precise foot_x = 0;
    Precise foot_y_square = 0;
    if (y == 0 && a * x < more) {
        foot_x = a * a * x / more;
        foot_y_square = b * b * (1 - foot_x / a * (foot_x / a));
        return (foot_x - x) * (foot_x - x) + foot_y_square;
    }
    Precise low = b * y > a * x - more ? b * y : a * x - more;
    Precise high = a * x + b * y;
    for (int i = 0; i < 250; ++i) {
        const Precise q = (low + high) / 2;
        (beyond(q) > 0 ? low : high) = q;
    }
    foot_x = a * a * x / (low + more);
    const Precise foot_y = y == 0 ? 0 : b * b * y / low;
    return (foot_x - x) * (foot_x - x) + (foot_y - y) * (foot_y - y);
}

/// A wide stroke of an upright ellipse that is wider than high.
inline Verdict on_wide_ellipse(const Box& box, std::int64_t width, std::int64_t x, std::int64_t y) {
    const Precise a = Precise(box.width - 1) / 2;
    const Precise b = Precise(box.height - 1) / 2;
    const Precise from_x = Precise(x - box.x) - a;
    const Precise from_y = Precise(y - box.y) - b;
    const Precise square = square_distance(a, b, from_x, from_y);
    const Precise half = Precise(width) / 2;
    const Precise extent_part = (a + half) * Precise(0x1p-40);
    const Precise error = extent_part > Precise(0x1p-20) ? extent_part : Precise(0x1p-20);
    const Precise inner = half - error;
    if (inner > 0 && square < inner * inner) return Verdict::in;
    return square > (half + error) * (half + error) ? Verdict::out : Verdict::either;
}

/// value <= width * sqrt(square), for values of up to 70 bits: the quotient decides unless it is the root
/// itself.
inline bool at_most_times_root(Wide value, Wide width, Wide square) {
    if (value <= 0) return true;
    Wide root = 0;
    for (int bit = 34; bit >= 0; --bit)
        if ((root + (Wide{1} << bit)) * (root + (Wide{1} << bit)) <= square) root += Wide{1} << bit;
    const Wide quotient = value / width;
    const Wide rest = value % width;
    if (quotient != root) return quotient < root;
    return rest * rest + 2 * root * width * rest <= width * width * (square - root * root);
}

/// A segment of width 2 and up, and the pixel that is asked for. Everything is doubled: Q = 2q, where q = p
/// for an odd width and p + (1/2, 1/2) for an even one.
struct WideSegment {
    Wide dx, dy, square, width;
    Wide px, py; ///< the pixel from the first end
    Wide qx, qy; ///< 2q from the first end
    Wide rx, ry; ///< 2q from the last end

    WideSegment(Point from, Point to, std::int64_t line_width, std::int64_t x, std::int64_t y)
        : dx(Wide{to.x} - from.x), dy(Wide{to.y} - from.y), square(dx * dx + dy * dy), width(line_width),
          px(Wide{x} - from.x), py(Wide{y} - from.y), qx(2 * px + (line_width % 2 == 0)),
          qy(2 * py + (line_width % 2 == 0)), rx(qx - 2 * dx), ry(qy - 2 * dy) {}

    /// |s(q)| <= w/2
    [[nodiscard]] bool beside() const {
        return at_most_times_root(absolute(dx * qy - dy * qx), width, square);
    }
    /// t(p) >= 0, t(p) <= length
    [[nodiscard]] bool after_first_pixel() const { return dx * px + dy * py >= 0; }
    [[nodiscard]] bool before_last_pixel() const { return dx * px + dy * py <= square; }
    /// t(q) >= 0, t(q) <= length
    [[nodiscard]] bool after_first() const { return dx * qx + dy * qy >= 0; }
    [[nodiscard]] bool before_last() const { return dx * rx + dy * ry <= 0; }
    /// t(q) >= -w/2, t(q) <= length + w/2
    [[nodiscard]] bool after_first_square() const {
        return at_most_times_root(-(dx * qx + dy * qy), width, square);
    }
    [[nodiscard]] bool before_last_square() const {
        return at_most_times_root(dx * rx + dy * ry, width, square);
    }
    /// |q - end| <= w/2
    [[nodiscard]] bool about_first() const { return qx * qx + qy * qy <= width * width; }
    [[nodiscard]] bool about_last() const { return rx * rx + ry * ry <= width * width; }
};

/// A line of width 2 and up.
inline bool on_wide_line(const Line& line, std::int64_t width, Cap cap, std::int64_t x, std::int64_t y) {
    const WideSegment s(line.from, line.to, width, x, y);
    if (line.from == line.to) {
        if (cap == Cap::round) return s.about_first();
        const Wide low = -(width / 2);
        return s.px >= low && s.px < low + width && s.py >= low && s.py < low + width;
    }
    const bool band = s.beside() && s.after_first_pixel() && s.before_last_pixel();
    if (cap == Cap::round) return band || s.about_first() || s.about_last();
    if (cap == Cap::square) return s.beside() && s.after_first_square() && s.before_last_square();
    return band;
}

/// A real vector, for the corners of joins.
struct Vector {
    long double x, y;
};

inline Vector vector(Point point) {
    return {static_cast<long double>(point.x), static_cast<long double>(point.y)};
}

/// How far a point lies within a convex area, in pixels, negative outside; corners in either direction.
inline long double depth(const std::vector<Vector>& corners, Vector p) {
    long double area = 0;
    for (std::size_t i = 0; i < corners.size(); ++i) {
        const Vector a = corners[i];
        const Vector b = corners[(i + 1) % corners.size()];
        area += a.x * b.y - b.x * a.y;
    }
    long double least = 1e9L;
    for (std::size_t i = 0; i < corners.size(); ++i) {
        const Vector a = corners[i];
        const Vector b = corners[(i + 1) % corners.size()];
        const long double cross = (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);
        least = std::min(least, (area < 0 ? -cross : cross) / std::hypot(b.x - a.x, b.y - a.y));
    }
    return least;
}

/// How far q lies within the join at a vertex between two segments.
inline long double join_depth(Vector before, Vector v, Vector after, const Stroke& stroke, Vector q) {
    const long double half = stroke.width / 2.0L;
    if (stroke.join == Join::round) return half - std::hypot(q.x - v.x, q.y - v.y);
    Vector in{v.x - before.x, v.y - before.y};
    Vector out{after.x - v.x, after.y - v.y};
    const long double in_length = std::hypot(in.x, in.y);
    const long double out_length = std::hypot(out.x, out.y);
    in = {in.x / in_length, in.y / in_length};
    out = {out.x / out_length, out.y / out_length};
    const long double turn = in.x * out.y - in.y * out.x;
    if (std::abs(turn) < 1e-15L) return -1e9L;
    const long double side = turn > 0 ? half : -half; // the outer side is on the left of a turn to the right
    const Vector first{v.x + side * in.y, v.y - side * in.x};
    const Vector second{v.x + side * out.y, v.y - side * out.x};
    const long double cosine = in.x * out.x + in.y * out.y;
    const Vector tip{v.x + side * (in.y + out.y) / (1 + cosine), v.y - side * (in.x + out.x) / (1 + cosine)};
    const bool mitred =
        stroke.join == Join::mitre && std::hypot(tip.x - v.x, tip.y - v.y) <= stroke.mitre_limit * half;
    return mitred ? depth({v, first, tip, second}, q) : depth({v, first, second}, q);
}

/// A filled polygon.
inline bool in_polygon(const Polygon& polygon, FillRule rule, FillExtent extent, std::int64_t x,
                       std::int64_t y) {
    Wide winding = 0;
    Wide crossings = 0;
    bool outlined = false;
    for (const auto& ring : polygon.rings)
        for (std::size_t i = 0; i < ring.size(); ++i) {
            const Point from = ring[i];
            const Point to = ring[(i + 1) % ring.size()];
            outlined = outlined || on_line({from, to}, x, y);
            const bool down = from.y < to.y;
            const Point upper = down ? from : to;
            const Point lower = down ? to : from;
            if (y < upper.y || y >= lower.y) continue; // half-open; level edges never count
            // The crossing with the row lies at the pixel's centre or left of it.
            const bool left = (Wide{x} - upper.x) * (Wide{lower.y} - upper.y) >=
                              (Wide{y} - upper.y) * (Wide{lower.x} - upper.x);
            if (left) winding += down ? 1 : -1;
            if (left) ++crossings;
        }
    const bool inside = rule == FillRule::even_odd ? crossings % 2 != 0 : winding != 0;
    return inside || (extent == FillExtent::whole && outlined);
}

} // namespace coldbrick::test::rules
