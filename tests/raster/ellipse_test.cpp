// Ellipses against the rules: outlines, fills, and bands of constant width.

#include "support/errors.hpp"
#include "support/generators.hpp"
#include "support/pixel_set.hpp"
#include "support/rules.hpp"

#include <coldbrick/draw.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <numbers>

namespace coldbrick::test {

namespace {

PixelSet filled(Size window, const Ellipse& ellipse) {
    return painted(window,
                   [&](const ImageView& view, const Colour& colour) { draw(view, ellipse, Fill{colour}); });
}

PixelSet stroked(Size window, const Ellipse& ellipse, std::int32_t width) {
    return painted(window, [&](const ImageView& view, const Colour& colour) {
        draw(view, ellipse, Stroke{colour, width});
    });
}

void expect_thin_by_rule(Size window, const Box& box) {
    ASSERT_EQ(stroked(window, {box}, 1),
              PixelSet::where(window, [&](auto x, auto y) { return rules::on_ellipse(box, x, y); }))
        << box;
    ASSERT_EQ(filled(window, {box}),
              PixelSet::where(window, [&](auto x, auto y) { return rules::in_ellipse(box, x, y); }))
        << box;
}

/// The distance from a point to an ellipse about (0, 0): the nearest of many points on the quarter that the
/// point lies in, refined.
long double distance(long double a, long double b, long double x, long double y) {
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
    return at(best);
}

} // namespace

TEST(Ellipse, EveryBoxUpTo40By40) {
    for (int width = 0; width <= 40; ++width)
        for (int height = 0; height <= 40; ++height) {
            expect_thin_by_rule({42, 42}, {1, 1, width, height});
            expect_thin_by_rule({9, 7}, {4 - width, 3 - height / 2, width, height}); // cut
        }
}

RC_GTEST_PROP(Ellipse, AnyThinEllipseUpTo2To30, ()) {
    constexpr Size window{23, 19};
    const Point corner = *any_point_near(window);
    const std::int32_t width = *any_extent() / 2;
    const std::int32_t height = *any_extent() / 2;
    // The window sees one of the box's sides, or its corner.
    const std::int64_t x = corner.x - *rc::gen::element<std::int64_t>(0, width / 2, width);
    const std::int64_t y = corner.y - *rc::gen::element<std::int64_t>(0, height / 2, height);
    expect_thin_by_rule(window, {x, y, width, height});
    RC_ASSERT(!::testing::Test::HasFailure());
}

TEST(Ellipse, OfEqualRadiiIsTheCircle) {
    for (int radius = 0; radius <= 30; ++radius)
        for (int width = 1; width <= 9; ++width) {
            const Circle circle{{36, 37}, radius};
            const Ellipse ellipse = Ellipse::about(circle.centre, radius, radius);
            const auto draw_circle = [&](const ImageView& view, const Colour& colour) {
                draw(view, circle, Stroke{colour, width});
            };
            ASSERT_EQ(stroked({72, 72}, ellipse, width), painted({72, 72}, draw_circle))
                << circle << " width " << width;
        }
}

TEST(Ellipse, WideStrokesHaveConstantWidth) {
    constexpr Size window{44, 40};
    for (const auto& [columns, rows] :
         {std::pair{30, 9}, {9, 26}, {24, 17}, {25, 24}, {1, 12}, {14, 1}, {2, 2}, {30, 3}})
        for (const int width : {2, 3, 4, 7, 12}) {
            const Box box{7, 7, columns, rows};
            const PixelSet result = stroked(window, {box}, width);
            const long double a = (columns - 1) / 2.0L;
            const long double b = (rows - 1) / 2.0L;
            for (int y = 0; y < window.height; ++y)
                for (int x = 0; x < window.width; ++x) {
                    const long double beyond = distance(a, b, x - 7 - a, y - 7 - b) - width / 2.0L;
                    if (std::abs(beyond) < 1e-6L) continue; // where floating point may decide
                    ASSERT_EQ(result.contains(x, y), beyond < 0)
                        << box << " width " << width << " at " << x << ", " << y << result;
                }
        }
}

RC_GTEST_PROP(Ellipse, HugeWideOnesOfEqualRadiiFollowTheCircle, ()) {
    // Pixel centres this near to the edge of so large a band are where floating point may decide, so a few
    // may differ.
    constexpr Size window{16, 12};
    const std::int32_t width = std::max(2, *any_width());
    const Circle circle = *any_circle(window, width);
    const PixelSet by_circle = painted(window, [&](const ImageView& view, const Colour& colour) {
        draw(view, circle, Stroke{colour, width});
    });
    const PixelSet by_ellipse =
        stroked(window, Ellipse::about(circle.centre, circle.radius, circle.radius), width);
    int different = 0;
    for (int y = 0; y < window.height; ++y)
        for (int x = 0; x < window.width; ++x)
            different += by_circle.contains(x, y) != by_ellipse.contains(x, y);
    RC_ASSERT(different <= 2);
}

RC_GTEST_PROP(Ellipse, ContainsAgreesWithTheFill, ()) {
    constexpr Size window{30, 30};
    const Box box{*rc::gen::inRange(-20, 20), *rc::gen::inRange(-20, 20), *rc::gen::inRange(0, 60),
                  *rc::gen::inRange(0, 60)};
    const PixelSet fill = filled(window, {box});
    const Point pixel{*rc::gen::inRange(0, 30), *rc::gen::inRange(0, 30)};
    RC_ASSERT(Ellipse{box}.contains(pixel) == fill.contains(pixel.x, pixel.y));
}

TEST(Ellipse, ValuesOutsideTheirRangesAreNamed) {
    expect_errors<ArgumentError>({
        {[] {
             (void)Ellipse::about({0, 0}, -1, 3);
         },
         "ellipse radius -1 is outside 0..2147483647"},
        {[] {
             (void)Ellipse{{0, 0, 5000000000, 3}}.bounds();
         },
         "ellipse width 5000000000 is outside 0..4294967295"},
        {[] {
             (void)Ellipse{{0, 0, 3, 5000000000}}.contains({0, 0});
         },
         "ellipse height 5000000000 is outside 0..4294967295"},
    });
}

} // namespace coldbrick::test
