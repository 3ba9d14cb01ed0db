#include "raster/ellipse/elliptic_arc.hpp"

#include "raster/ellipse/ellipse_distance.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace coldbrick::raster {

namespace {

constexpr long double quarter = std::numbers::pi_v<long double> / 2;

long double semi_axis(std::uint64_t axis) {
    return static_cast<long double>(axis);
}

} // namespace

CurvePlace CurvePlace::seen(const EllipseAxes& axes, Angle direction) {
    const long double c = direction.cosine();
    const long double s = direction.sine();
    const long double x = semi_axis(axes.b) * c;
    const long double y = semi_axis(axes.a) * s;
    const long double size = std::hypot(x, y);
    // The parameter lies in the direction's own quarter, whole turns included.
    const double quarters = std::floor(direction.in_degrees() / 90);
    const bool even = std::fmod(quarters, 2.0) == 0;
    const long double within =
        even ? std::atan2(std::abs(y), std::abs(x)) : std::atan2(std::abs(x), std::abs(y));
    const long double t = static_cast<long double>(quarters) * quarter + within;
    return size == 0 ? CurvePlace{t, c, s} : CurvePlace{t, x / size, y / size};
}

CurvePlace CurvePlace::at(long double t) {
    return {t, std::cos(t), std::sin(t)};
}

HalfPixelVector EllipticArc::turned(HalfPixelVector v) const {
    const long double c = axes_.cosine;
    const long double s = axes_.sine;
    return {v.x * c - v.y * s, v.x * s + v.y * c};
}

HalfPixelVector EllipticArc::turned_back(HalfPixelVector v) const {
    const long double c = axes_.cosine;
    const long double s = axes_.sine;
    return {v.x * c + v.y * s, v.y * c - v.x * s};
}

HalfPixelVector EllipticArc::point(const CurvePlace& place) const {
    return centre_ + turned({semi_axis(axes_.a) * place.cosine, semi_axis(axes_.b) * place.sine});
}

HalfPixelVector EllipticArc::direction(const CurvePlace& place) const {
    const HalfPixelVector along{-semi_axis(axes_.a) * place.sine, semi_axis(axes_.b) * place.cosine};
    return turned(along.length().count == 0 ? HalfPixelVector{-place.sine, place.cosine} : along.unit());
}

/// From t = 0. With k^2 = 1 - shorter^2 / longer^2 the curve is longer * E(k, t) long as counted from the end
/// of the shorter axis.
RealHalfPixels EllipticArc::length_to(long double t) const {
    const long double a = semi_axis(axes_.a);
    const long double b = semi_axis(axes_.b);
    if (axes_.circular()) return {a * t};
    const long double longer = std::max(a, b);
    const auto k = static_cast<double>(std::sqrt(std::abs(a - b) * (a + b)) / longer);
    if (b > a) return {longer * std::ellint_2(k, static_cast<double>(t))};
    return {longer * (std::comp_ellint_2(k) - std::ellint_2(k, static_cast<double>(quarter - t)))};
}

RealHalfPixels EllipticArc::length() const {
    return length_to(end_.t) - length_to(begin_.t);
}

CurvePlace EllipticArc::along(RealHalfPixels distance) const {
    const long double a = semi_axis(axes_.a);
    const long double b = semi_axis(axes_.b);
    const RealHalfPixels wanted = length_to(begin_.t) + distance;
    long double low = begin_.t;
    long double high = end_.t;
    long double t = low;
    for (int i = 0; i < 60; ++i) {
        const long double error = (length_to(t) - wanted).count;
        if (error > 0)
            high = t;
        else
            low = t;
        const long double speed = std::hypot(a * std::sin(t), b * std::cos(t));
        long double next = t - error / speed;
        if (!(next > low && next < high)) next = (low + high) / 2;
        if (std::abs(next - t) <= 1e-15L) break;
        t = next;
    }
    return CurvePlace::at(t);
}

bool EllipticArc::passes(long double t) const {
    const long double turns = std::ceil((begin_.t - t) / (4 * quarter));
    return t + turns * 4 * quarter <= end_.t;
}

EllipticArc::Foot EllipticArc::nearest(HalfPixelVector p) const {
    const HalfPixelVector q = turned_back(p - centre_);
    const auto depth = EllipseDistance<long double>(semi_axis(axes_.a), semi_axis(axes_.b)).at(q.x, q.y);
    const HalfPixelVector foot{q.x - depth.depth * depth.x, q.y - depth.depth * depth.y};
    const long double t = std::atan2(semi_axis(axes_.a) * foot.y, semi_axis(axes_.b) * foot.x);
    if (passes(t)) {
        const long double turns = std::ceil((begin_.t - t) / (4 * quarter));
        return {length_to(t + turns * 4 * quarter) - length_to(begin_.t), {std::abs(depth.depth)}};
    }
    const RealHalfPixels to_begin = (point(begin_) - p).length();
    const RealHalfPixels to_end = (point(end_) - p).length();
    return to_begin <= to_end ? Foot{{0}, to_begin} : Foot{length(), to_end};
}

AreaUnion EllipticArc::nearest_area() const {
    constexpr long double exact_enough = 1e-15L;
    AreaUnion result;
    const auto first = static_cast<std::int64_t>(std::floor(begin_.t / quarter + exact_enough));
    const auto end = static_cast<std::int64_t>(std::ceil(end_.t / quarter - exact_enough));
    const std::int64_t last = std::max(first, end - 1);
    for (std::int64_t q = first; q <= last; ++q) {
        constexpr std::array axes{HalfPixelVector{1, 0}, HalfPixelVector{0, 1}, HalfPixelVector{-1, 0},
                                  HalfPixelVector{0, -1}};
        const auto at = static_cast<std::size_t>(q & 3);
        RealHalfPlanes area;
        area.keep_right_of(centre_, turned(axes.at(at)));
        area.keep_right_of(centre_, -turned(axes.at((at + 1) % 4)));
        if (q == first) area.keep_right_of(point(begin_), -direction(begin_).right());
        if (q == last) area.keep_right_of(point(end_), direction(end_).right());
        result.add(area);
    }
    return result;
}

/// Those of a place and its opposite that the curve passes, counted from its beginning.
std::vector<CurvePlace> EllipticArc::passed(long double t) const {
    std::vector<CurvePlace> result;
    for (const long double place : {t, t + 2 * quarter}) {
        if (!passes(place)) continue;
        CurvePlace found = CurvePlace::at(place);
        found.t += std::ceil((begin_.t - place) / (4 * quarter)) * 4 * quarter;
        result.push_back(found);
    }
    return result;
}

std::vector<CurvePlace> EllipticArc::upright_places() const {
    return passed(std::atan2(-semi_axis(axes_.b) * axes_.sine, semi_axis(axes_.a) * axes_.cosine));
}

std::vector<CurvePlace> EllipticArc::level_places() const {
    return passed(std::atan2(semi_axis(axes_.b) * axes_.cosine, semi_axis(axes_.a) * axes_.sine));
}

EllipticArc::Heights EllipticArc::rows() const {
    const RealHalfPixels a{point(begin_).y};
    const RealHalfPixels b{point(end_).y};
    Heights extent{std::min(a, b), std::max(a, b)};
    for (const CurvePlace& place : level_places()) {
        const RealHalfPixels y{point(place).y};
        extent = {std::min(extent.top, y), std::max(extent.bottom, y)};
    }
    return extent;
}

/// Along the curve (a cos t, b sin t), axes longer by r move it outwards by
/// r (b cos^2 t + a sin^2 t) / sqrt(b^2 cos^2 t + a^2 sin^2 t), which is 2 r sqrt(a b) / (a + b) at least.
EllipticArc::Heights EllipticArc::rows_beyond(const EllipseAxes& axes, const AngleRange& directions) {
    const auto [shorter, longer] = std::minmax(axes.a, axes.b);
    const double stretch = std::sqrt(static_cast<double>(longer) / static_cast<double>(shorter));
    EllipseAxes larger = axes;
    const auto more = static_cast<decltype(axes.a)>(std::ceil(stretch)) + 2;
    larger.a += more;
    larger.b += more;
    return EllipticArc(larger, {0, 0}, CurvePlace::seen(larger, directions.start),
                       CurvePlace::seen(larger, directions.end))
        .rows();
}

/// The parameters at which the curve meets the box's sides, between those of its ends, in order.
std::vector<long double> EllipticArc::crossings(HalfPixelVector top_left,
                                                HalfPixelVector bottom_right) const {
    std::vector<long double> result{begin_.t, end_.t};
    // x = p cos t + q sin t = r cos(t - phase), and y likewise.
    const auto add = [&](long double p, long double q, long double wanted) {
        const long double r = std::hypot(p, q);
        if (std::abs(wanted) >= r) return;
        for (const int side : {-1, 1}) {
            const long double t = std::atan2(q, p) + side * std::acos(wanted / r);
            if (passes(t)) result.push_back(t + std::ceil((begin_.t - t) / (4 * quarter)) * 4 * quarter);
        }
    };
    const long double a = semi_axis(axes_.a);
    const long double b = semi_axis(axes_.b);
    for (const HalfPixelVector& corner : {top_left, bottom_right}) {
        add(a * axes_.cosine, -b * axes_.sine, corner.x - centre_.x);
        add(a * axes_.sine, b * axes_.cosine, corner.y - centre_.y);
    }
    std::ranges::sort(result);
    return result;
}

std::vector<Interval> EllipticArc::within(HalfPixelVector top_left, HalfPixelVector bottom_right) const {
    std::vector<Interval> result;
    const std::vector<long double> marks = crossings(top_left, bottom_right);
    const RealHalfPixels start = length_to(begin_.t);
    for (std::size_t i = 1; i < marks.size(); ++i) {
        const HalfPixelVector middle = point(CurvePlace::at((marks[i - 1] + marks[i]) / 2));
        if (middle.x >= top_left.x && middle.x <= bottom_right.x && middle.y >= top_left.y &&
            middle.y <= bottom_right.y)
            result.push_back({length_to(marks[i - 1]) - start, length_to(marks[i]) - start});
    }
    return result;
}

} // namespace coldbrick::raster
