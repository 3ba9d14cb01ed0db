// Lines of width 2 and up and the paths made of them against the rules: bands, caps and joins.

#include "support/generators.hpp"
#include "support/pixel_set.hpp"
#include "support/rules.hpp"

#include <coldbrick/draw.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace coldbrick::test {

namespace {

constexpr Cap all_caps[] = {Cap::butt, Cap::square, Cap::round};

rc::Gen<Cap> any_cap() {
    return rc::gen::element(Cap::butt, Cap::square, Cap::round);
}

PixelSet by_rule(Size size, const Line& line, std::int32_t width, Cap cap) {
    return PixelSet::where(size, [&](auto x, auto y) { return rules::on_wide_line(line, width, cap, x, y); });
}

/// Every pixel is as the rules say, unless it lies nearer to a join's boundary than floating point decides.
void expect_by_rule(Size window, const Polyline& path, const Stroke& stroke) {
    std::vector<Point> points;
    for (const Point& point : path.points)
        if (points.empty() || points.back() != point) points.push_back(point);
    while (path.closed && points.size() > 1 && points.back() == points.front()) points.pop_back();
    const PixelSet result = stroked(window, path, stroke);
    const auto width = static_cast<std::int32_t>(stroke.width);
    if (points.size() == 1) {
        ASSERT_EQ(result, by_rule(window, {points[0], points[0]}, width, stroke.cap)) << path;
        return;
    }
    const std::size_t count = path.closed ? points.size() : points.size() - 1;
    const auto at = [&points](std::size_t i) { return points[i % points.size()]; };
    for (int y = 0; y < window.height; ++y)
        for (int x = 0; x < window.width; ++x) {
            const long double shift = width % 2 == 0 ? 0.5L : 0;
            long double deepest_join = -1e9L;
            bool inside = false;
            for (std::size_t i = 0; i < count; ++i) {
                const rules::WideSegment s(at(i), at(i + 1), width, x, y);
                const bool opens = !path.closed && i == 0;
                const bool ends = !path.closed && i + 1 == count;
                const bool begun = !opens                      ? s.after_first()
                                   : stroke.cap == Cap::square ? s.after_first_square()
                                                               : s.after_first_pixel();
                const bool still = !ends                       ? s.before_last()
                                   : stroke.cap == Cap::square ? s.before_last_square()
                                                               : s.before_last_pixel();
                const bool capped =
                    stroke.cap == Cap::round && ((opens && s.about_first()) || (ends && s.about_last()));
                inside = inside || (s.beside() && begun && still) || capped;
                if (!ends)
                    deepest_join =
                        std::max(deepest_join,
                                 rules::join_depth(rules::vector(at(i)), rules::vector(at(i + 1)),
                                                   rules::vector(at(i + 2)), stroke, {x + shift, y + shift}));
            }
            if (!inside && std::abs(deepest_join) < 1e-6L) continue;
            ASSERT_EQ(result.contains(x, y), inside || deepest_join > 0)
                << path << " width " << width << " cap " << static_cast<int>(stroke.cap) << " join "
                << static_cast<int>(stroke.join) << " at (" << x << ", " << y << ")" << result;
        }
}

} // namespace

TEST(WideLine, EveryLineWithin24By24WithEveryWidthAndCap) {
    // A line may be moved and has no direction, so that one end can be the upper one and the other one
    // beside.
    for (int to = 0; to < 24 * 24; ++to)
        for (const int side : {-1, 1})
            for (int width = 2; width <= 9; ++width)
                for (const Cap cap : all_caps) {
                    const int dx = side * (to % 24);
                    const Line line{{6 + (dx < 0 ? -dx : 0), 6}, {6 + (dx < 0 ? 0 : dx), 6 + to / 24}};
                    const Size window{13 + to % 24, 13 + to / 24};
                    ASSERT_EQ(stroked(window, line, {{}, width, cap}), by_rule(window, line, width, cap))
                        << line << " width " << width << " cap " << static_cast<int>(cap);
                }
}

TEST(WideLine, LevelAndUprightLinesCoverAsManyRowsAsTheyAreWide) {
    for (int width = 2; width <= 9; ++width) {
        EXPECT_EQ(stroked({30, 30}, Line{{5, 15}, {24, 15}}, {{}, width}).count(), 20 * width);
        EXPECT_EQ(stroked({30, 30}, Line{{15, 24}, {15, 5}}, {{}, width}).count(), 20 * width);
    }
}

RC_GTEST_PROP(WideLine, AnyLineOfTheWholeDomain, ()) {
    constexpr Size window{33, 29};
    const Line line = *any_line(window);
    const std::int32_t width = std::max(2, *any_width());
    const Cap cap = *any_cap();
    RC_ASSERT(stroked(window, line, {{}, width, cap}) == by_rule(window, line, width, cap));
}

RC_GTEST_PROP(Path, SmallPathsWithEveryJoin, ()) {
    constexpr Size window{38, 38};
    Polyline path = *any_polyline({20, 20});
    for (Point& point : path.points)
        point = {10 + std::clamp(point.x, 0, 19), 10 + std::clamp(point.y, 0, 19)};
    if (path.points.size() > 5) path.points.resize(5);
    const std::int32_t width = *rc::gen::inRange(2, 13);
    const double limit = *rc::gen::element(1.0, 1.5, 4.0, 30.0);
    const Cap cap = *any_cap();
    const Join join = *rc::gen::element(Join::mitre, Join::bevel, Join::round);
    expect_by_rule(window, path, {{}, width, cap, join, limit});
    RC_ASSERT(!::testing::Test::HasFailure());
}

RC_GTEST_PROP(Path, WidthOneIsTheUnionOfItsLines, ()) {
    constexpr Size window{33, 29};
    const Polyline path = *any_polyline(window);
    const PixelSet wanted = PixelSet::where(window, [&](auto x, auto y) {
        const auto n = path.points.size();
        bool on = n == 1 && rules::on_line({path.points[0], path.points[0]}, x, y);
        for (std::size_t i = 0; i + 1 < n + (path.closed ? 1 : 0); ++i)
            on = on || rules::on_line({path.points[i], path.points[(i + 1) % n]}, x, y);
        return on;
    });
    RC_ASSERT(stroked(window, path, {}) == wanted);
    const Point pixel = *any_point_near(window);
    RC_ASSERT(!wanted.contains(pixel.x, pixel.y) || path.contains(pixel));
    RC_ASSERT(!path.contains(pixel) || path.bounds().contains(pixel));
}

} // namespace coldbrick::test
