// Circles against the rule: outline, filled and stroked with any width.

#include "support/generators.hpp"
#include "support/pixel_set.hpp"
#include "support/rules.hpp"

#include <coldbrick/draw.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace coldbrick::test {

namespace {

void expect_by_rule(Size window, const Circle& circle, std::int32_t width) {
    ASSERT_EQ(filled(window, circle),
              PixelSet::where(window, [&](auto x, auto y) { return rules::in_circle(circle, x, y); }))
        << circle;
    ASSERT_EQ(stroked(window, circle, {{}, width}),
              PixelSet::where(window, [&](auto x, auto y) { return rules::on_circle(circle, width, x, y); }))
        << circle << " width " << width;
}

/// True if all pixels can be reached from each other in steps to the eight neighbours.
bool is_8_connected(const PixelSet& set, Point start) {
    PixelSet reached(set.size());
    std::vector<Point> open{start};
    while (!open.empty()) {
        const Point at = open.back();
        open.pop_back();
        if (!set.contains(at.x, at.y) || reached.contains(at.x, at.y)) continue;
        reached.insert(at.x, at.y);
        for (int i = 0; i < 9; ++i) open.push_back({at.x + i % 3 - 1, at.y + i / 3 - 1});
    }
    return reached == set;
}

} // namespace

TEST(Circle, EverySmallRadiusAndWidth) {
    for (int radius = 0; radius <= 40; ++radius)
        for (int width = 1; width <= 12; ++width) {
            expect_by_rule({100, 100}, {{50, 49}, radius}, width);
            expect_by_rule({24, 20}, {{20, 9}, radius}, width); // cut
        }
}

TEST(Circle, OutlinesOfManyRadiiFollowTheRuleAndAreConnected) {
    for (int radius = 0; radius <= 300; ++radius) {
        const std::int32_t side = 2 * radius + 1;
        const Circle circle{{radius, radius}, radius};
        const PixelSet outline = stroked({side, side}, circle);
        ASSERT_EQ(outline, PixelSet::where({side, side},
                                           [&](auto x, auto y) { return rules::on_circle(circle, x, y); }))
            << circle;
        ASSERT_TRUE(is_8_connected(outline, {0, radius})) << circle;
        ASSERT_EQ(outline, PixelSet::where({side, side},
                                           [&](auto x, auto y) { // in eight ways: these make all
                                               return outline.contains(y, x) &&
                                                      outline.contains(side - 1 - x, y);
                                           }))
            << circle;
    }
}

TEST(Circle, FillIsTheOutlineAndAllBetweenOnEveryRow) {
    for (int radius = 0; radius <= 120; ++radius) {
        const Size window{2 * radius + 1, 2 * radius + 1};
        const Circle circle{{radius, radius}, radius};
        const PixelSet outline = stroked(window, circle);
        PixelSet between(window);
        for (int y = 0; y < window.height; ++y) {
            int left = 0;
            while (!outline.contains(left, y)) ++left;
            for (int x = left; x < window.width - left; ++x) between.insert(x, y);
        }
        ASSERT_EQ(filled(window, circle), between) << circle;
    }
}

TEST(Circle, StrokesOfNeighbouringRadiiLeaveHolesButOneWideStrokeDoesNot) {
    const Size window{201, 201};
    int radii_with_holes = 0;
    for (int radius = 2; radius < 99; ++radius) {
        const Circle circle{{100, 100}, radius};
        const PixelSet inner = stroked(window, circle);
        const PixelSet outer = stroked(window, Circle{{100, 100}, radius + 1});
        const PixelSet band = stroked(window, circle, {{}, 3});
        const PixelSet disc = filled(window, Circle{{100, 100}, radius + 1});
        radii_with_holes += disc.count() != filled(window, Circle{{100, 100}, radius - 1}).count() +
                                                inner.count() + outer.count();
        const PixelSet hole = PixelSet::where(
            window, [&](auto x, auto y) { return disc.contains(x, y) && !band.contains(x, y); });
        ASSERT_TRUE(is_8_connected(hole, {100, 100})) << circle;
    }
    EXPECT_GT(radii_with_holes, 90);
}

RC_GTEST_PROP(Circle, AnyCircleOfTheWholeDomain, ()) {
    constexpr Size window{33, 26};
    const std::int32_t width = *any_width();
    expect_by_rule(window, *any_circle(window, width), width);
    RC_ASSERT(!::testing::Test::HasFailure());
}

RC_GTEST_PROP(Circle, ContainsAgreesWithTheRule, ()) {
    const Circle circle = *any_circle({40, 40});
    const Point pixel = *any_point_near({40, 40});
    RC_ASSERT(circle.contains(pixel) == rules::in_circle(circle, pixel.x, pixel.y));
}

} // namespace coldbrick::test
