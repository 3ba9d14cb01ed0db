// Curves: their points, directions, bounds and lengths, beside sums over many small steps.

#include "raster/path/curve.hpp"
#include "raster/path/flattening.hpp"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>
#include <vector>

namespace coldbrick::raster {

namespace {

SubPoint any_point() {
    return {*rc::gen::inRange<std::int64_t>(-40 * sub_pixels, 40 * sub_pixels),
            *rc::gen::inRange<std::int64_t>(-40 * sub_pixels, 40 * sub_pixels)};
}

SubVector any_step(double most) {
    const auto number = [most] { return *rc::gen::inRange(-1000, 1001) / 1000.0 * most * real_sub_pixels; };
    return {number(), number()};
}

/// A line, a cubic, or part of an ellipse.
Curve any_curve() {
    const SubPoint from = any_point();
    switch (*rc::gen::inRange(0, 3)) {
    case 0: return Curve(from, any_point());
    case 1: {
        const SubPoint to = any_point();
        return Curve(from, CubicForm{{any_step(60), any_step(60), SubVector::between(from, to)}}, to);
    }
    default: {
        const SubVector across = any_step(30);
        const SubVector down = any_step(30);
        const Angle start = degrees(*rc::gen::inRange(-360, 361));
        const Angle sweep = degrees(*rc::gen::inRange(-720, 721));
        const SubVector begin = start.cosine() * across + start.sine() * down;
        const Angle end = degrees(start.in_degrees() + sweep.in_degrees());
        const SubVector last = end.cosine() * across + end.sine() * down;
        return Curve(from, ArcForm{-begin, across, down, start, sweep}, from + (last - begin));
    }
    }
}

double distance(SubPoint a, SubPoint b) {
    return SubVector::between(a, b).length();
}

double distance_to_line(SubPoint p, SubPoint a, SubPoint b) {
    const SubVector way = SubVector::between(a, b);
    const SubVector at = SubVector::between(a, p);
    const double square = dot(way, way);
    const double share = square == 0 ? 0 : std::clamp(dot(at, way) / square, 0.0, 1.0);
    return (at - share * way).length();
}

constexpr int steps = 4000;
constexpr double rounding = 2; ///< of points to sub-pixels, at both ends

} // namespace

RC_GTEST_PROP(Curve, GoesFromItsFirstPointToItsLastAsItsVelocitySays, ()) {
    const Curve curve = any_curve();
    RC_ASSERT(distance(curve.point(0), curve.from()) <= rounding);
    RC_ASSERT(distance(curve.point(1), curve.to()) <= rounding);
    const double t = *rc::gen::inRange(10, 990) / 1000.0;
    constexpr double little = 1e-4;
    const SubVector way = SubVector::between(curve.point(t - little), curve.point(t + little));
    const SubVector expected = 2 * little * curve.velocity(t);
    RC_ASSERT((way - expected).length() <= rounding + 1e-4 * curve.longest());
}

RC_GTEST_PROP(Curve, StaysWithinItsBoundOfTheChord, ()) {
    const Curve curve = any_curve();
    double begin = *rc::gen::inRange(0, 1001) / 1000.0;
    double end = *rc::gen::inRange(0, 1001) / 1000.0;
    if (begin > end) std::swap(begin, end);
    const double bound = curve.furthest_from_chord(begin, end);
    for (int i = 0; i <= 64; ++i) {
        const SubPoint at = curve.point(begin + (end - begin) * i / 64);
        RC_ASSERT(distance_to_line(at, curve.point(begin), curve.point(end)) <= bound + rounding);
    }
}

RC_GTEST_PROP(CurveLength, IsTheSumOfManySmallSteps, ()) {
    const Curve curve = any_curve();
    const CurveLength length(curve);
    const double half = *rc::gen::inRange(0, 1001) / 1000.0;
    double sum = 0;
    double sum_to_half = 0;
    // Points are rounded, velocities are not.
    for (int i = 0; i < steps; ++i) {
        const double step = curve.velocity((i + 0.5) / steps).length() / steps;
        sum += step;
        if (i + 0.5 < half * steps) sum_to_half += step;
    }
    const double most = std::max(1.0, curve.longest());
    RC_ASSERT(std::abs(length.whole() - sum) < 1e-3 * most);
    RC_ASSERT(std::abs(length.up_to(half) - sum_to_half) < 2e-3 * most);
    RC_ASSERT(length.whole() <= curve.longest() * (1 + 1e-9) + 1);
    // The parameter of a length has that length.
    const double wanted = half * length.whole();
    RC_ASSERT(std::abs(length.up_to(length.parameter_at(wanted)) - wanted) < 1e-3 * most);
}

RC_GTEST_PROP(Flattening, LinesLieWithinTheFlatnessOfTheCurve, ()) {
    const Curve curve = any_curve();
    const Flattening flattening(VisibleArea({-1000, -1000, 1000, 1000}, 0), Flattening::Purpose::inside);
    SubPoint at = curve.from();
    double from = 0;
    flattening.flatten(curve, 0, 1, [&](SubPoint to, double t) {
        RC_ASSERT(t > from);
        for (int i = 0; i <= 8; ++i)
            RC_ASSERT(distance_to_line(curve.point(from + (t - from) * i / 8), at, to) <=
                      flatness + rounding);
        at = to;
        from = t;
    });
    RC_ASSERT(at == curve.to());
}

RC_GTEST_PROP(Flattening, WhatIsHiddenDoesNotMoveWhatIsSeen, ()) {
    const Curve curve = any_curve();
    const auto points_within = [&](const base::Clip& clip) {
        std::vector<SubPoint> result;
        Flattening(VisibleArea(clip, 0), Flattening::Purpose::inside)
            .flatten(curve, 0, 1, [&](SubPoint to, double) { result.push_back(to); });
        return result;
    };
    const auto all = points_within({-1000, -1000, 1000, 1000});
    const std::int64_t x = *rc::gen::inRange(-40, 40);
    const std::int64_t y = *rc::gen::inRange(-40, 40);
    const base::Clip clip{x, y, x + 9, y + 9};
    const auto shown = points_within(clip);
    RC_ASSERT(shown.size() <= all.size());
    const auto lies_within = [&](SubPoint p) {
        return p.x >= clip.left * sub_pixels && p.x < clip.right * sub_pixels &&
               p.y >= clip.top * sub_pixels && p.y < clip.bottom * sub_pixels;
    };
    for (const SubPoint& point : all)
        if (lies_within(point)) RC_ASSERT(std::ranges::find(shown, point) != shown.end());
}

} // namespace coldbrick::raster
