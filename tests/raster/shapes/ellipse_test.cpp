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

void expect_thin_by_rule(Size window, const Box& box) {
    ASSERT_EQ(stroked(window, Ellipse{box}),
              PixelSet::where(window, [&](auto x, auto y) { return rules::on_ellipse(box, x, y); }))
        << box;
    ASSERT_EQ(filled(window, Ellipse{box}),
              PixelSet::where(window, [&](auto x, auto y) { return rules::in_ellipse(box, x, y); }))
        << box;
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
            ASSERT_EQ(stroked({72, 72}, ellipse, {{}, width}), stroked({72, 72}, circle, {{}, width}))
                << circle << " width " << width;
        }
}

TEST(Ellipse, WideStrokesHaveConstantWidth) {
    constexpr Size window{44, 40};
    for (const auto& [columns, rows] :
         {std::pair{30, 9}, {9, 26}, {24, 17}, {25, 24}, {1, 12}, {14, 1}, {2, 2}, {30, 3}})
        for (const int width : {2, 3, 4, 7, 12}) {
            const Box box{7, 7, columns, rows};
            const PixelSet result = stroked(window, Ellipse{box}, {{}, width});
            const long double a = (columns - 1) / 2.0L;
            const long double b = (rows - 1) / 2.0L;
            for (int y = 0; y < window.height; ++y)
                for (int x = 0; x < window.width; ++x) {
                    const long double beyond = rules::distance(a, b, x - 7 - a, y - 7 - b) - width / 2.0L;
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
    const PixelSet by_circle = stroked(window, circle, {{}, width});
    const PixelSet by_ellipse =
        stroked(window, Ellipse::about(circle.centre, circle.radius, circle.radius), {{}, width});
    int different = 0;
    for (int y = 0; y < window.height; ++y)
        for (int x = 0; x < window.width; ++x)
            different += by_circle.contains(x, y) != by_ellipse.contains(x, y);
    RC_ASSERT(different <= 2);
}

/// Whether a pixel, from the centre, is nearest to a crossing of the turned curve with its column or row.
rules::Verdict on_turned(long double a, long double b, long double turn, long double x, long double y) {
    const long double c = std::cos(turn);
    const long double s = std::sin(turn);
    const long double xx = b * b * c * c + a * a * s * s; // xx X^2 + 2 xy X Y + yy Y^2 = a^2 b^2
    const long double yy = b * b * s * s + a * a * c * c;
    const long double xy = (b * b - a * a) * c * s;
    rules::Verdict verdict = rules::Verdict::out;
    const auto ask = [&](long double far, long double near, long double far_square, long double near_square) {
        const long double root = xy * far * xy * far - near_square * (far_square * far * far - a * a * b * b);
        if (root < 0) return;
        for (const int side : {-1, 1}) {
            const long double crossing = (-xy * far + side * std::sqrt(root)) / near_square;
            const long double off = std::abs(near - crossing) - 0.5L;
            if (off < -1e-9L) verdict = rules::Verdict::in;
            if (std::abs(off) <= 1e-9L && verdict == rules::Verdict::out) verdict = rules::Verdict::either;
        }
    };
    ask(x, y, xx, yy);
    ask(y, x, yy, xx);
    return verdict;
}

TEST(Ellipse, TurnedOutlinesAreNearestToTheCrossings) {
    constexpr Size window{44, 44};
    const Size boxes[] = {{31, 12}, {12, 31}, {30, 30}, {40, 3}, {3, 2}, {7, 5}};
    for (const Size& size : boxes)
        for (int turn = 5; turn < 360; turn += 5) {
            if (turn % 90 == 0) continue;
            const Ellipse ellipse{{(44 - size.width) / 2, (44 - size.height) / 2, size.width, size.height},
                                  degrees(turn)};
            const PixelSet outline = stroked(window, ellipse);
            const PixelSet fill = filled(window, ellipse);
            const long double centre_x = static_cast<long double>(2 * ellipse.box.x + size.width - 1) / 2;
            const long double centre_y = static_cast<long double>(2 * ellipse.box.y + size.height - 1) / 2;
            Box seen;
            for (int y = 0; y < window.height; ++y) {
                int left = window.width;
                int right = -1;
                for (int x = 0; x < window.width; ++x) {
                    const rules::Verdict verdict =
                        on_turned((size.width - 1) / 2.0L, (size.height - 1) / 2.0L,
                                  turn * std::numbers::pi_v<long double> / 180, x - centre_x, y - centre_y);
                    ASSERT_TRUE(verdict == rules::Verdict::either ||
                                outline.contains(x, y) == (verdict == rules::Verdict::in))
                        << ellipse << " at (" << x << ", " << y << ")" << outline;
                    if (outline.contains(x, y)) left = std::min(left, x);
                    if (outline.contains(x, y)) right = x;
                }
                for (int x = 0; x < window.width; ++x)
                    ASSERT_EQ(fill.contains(x, y), left <= x && x <= right) << ellipse << fill;
                if (right < 0) continue;
                const Box row = Box::between({left, y}, {right, y});
                seen = seen.empty() ? row
                                    : Box{std::min(seen.x, row.x), seen.y,
                                          std::max(seen.end_x(), row.end_x()) - std::min(seen.x, row.x),
                                          row.end_y() - seen.y};
            }
            ASSERT_EQ(ellipse.bounds(), seen) << ellipse;
        }
}

TEST(Ellipse, QuarterTurnsAreExact) {
    constexpr Size window{40, 40};
    for (int width = 1; width <= 12; ++width)
        for (int height = width % 2 == 0 ? 2 : 1; height <= 25; height += 2) {
            const Box level{20 - width / 2, 20 - height / 2, width, height};
            const Box upright{20 - height / 2, 20 - width / 2, height, width};
            for (const int stroke : {1, 2, 5}) {
                ASSERT_EQ(stroked(window, Ellipse{level, degrees(90)}, {{}, stroke}),
                          stroked(window, Ellipse{upright}, {{}, stroke}));
                ASSERT_EQ(stroked(window, Ellipse{level, degrees(-180)}, {{}, stroke}),
                          stroked(window, Ellipse{level}, {{}, stroke}));
            }
            ASSERT_EQ(filled(window, Ellipse{level, degrees(450)}), filled(window, Ellipse{upright}));
        }
    // A turn that puts the box's sides between the pixels: ties go outwards.
    EXPECT_EQ(filled(window, Ellipse{{10, 10, 4, 1}, degrees(90)}).count(), 2 * 3);
    EXPECT_EQ((Ellipse{{10, 10, 4, 1}, degrees(90)}.bounds()), (Box{11, 9, 2, 3}));
}

TEST(Ellipse, TurnedWideStrokesHaveConstantWidth) {
    constexpr Size window{48, 48};
    for (const auto& [columns, rows, turn, width] :
         {std::tuple{29, 13, 30, 3}, {28, 9, 75, 4}, {31, 5, -20, 7}, {24, 1, 45, 3}, {20, 16, 10, 12}}) {
        const Ellipse ellipse{{(48 - columns) / 2, (48 - rows) / 2, columns, rows}, degrees(turn)};
        const PixelSet result = stroked(window, ellipse, {{}, width});
        const long double angle = turn * std::numbers::pi_v<long double> / 180;
        const long double a = (columns - 1) / 2.0L;
        const long double b = (rows - 1) / 2.0L;
        for (int y = 0; y < window.height; ++y)
            for (int x = 0; x < window.width; ++x) {
                const long double across = x - (static_cast<long double>(ellipse.box.x) + a);
                const long double down = y - (static_cast<long double>(ellipse.box.y) + b);
                const long double far =
                    rules::distance(a, b, across * std::cos(angle) + down * std::sin(angle),
                                    down * std::cos(angle) - across * std::sin(angle));
                if (std::abs(far - width / 2.0L) < 1e-6L) continue;
                ASSERT_EQ(result.contains(x, y), far < width / 2.0L)
                    << ellipse << " width " << width << " at (" << x << ", " << y << ")" << result;
            }
    }
}

RC_GTEST_PROP(Ellipse, ContainsAgreesWithTheFill, ()) {
    constexpr Size window{30, 30};
    const Box box{*rc::gen::inRange(-20, 20), *rc::gen::inRange(-20, 20), *rc::gen::inRange(0, 60),
                  *rc::gen::inRange(0, 60)};
    const PixelSet fill = filled(window, Ellipse{box});
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

/// Compares a stroke with the rule where a window shows it.
void expect_wide_by_rule(Size window, const Box& box, std::int32_t width, Point corner) {
    const Box moved = box.moved(-std::int64_t{corner.x}, -std::int64_t{corner.y});
    const PixelSet result = stroked(window, Ellipse{moved}, {{}, width});
    for (int y = 0; y < window.height; ++y)
        for (int x = 0; x < window.width; ++x) {
            const rules::Verdict wanted = rules::on_wide_ellipse(moved, width, x, y);
            ASSERT_TRUE(wanted == rules::Verdict::either ||
                        result.contains(x, y) == (wanted == rules::Verdict::in))
                << moved << " width " << width << " at (" << x << ", " << y << ")" << result;
        }
}

TEST(Ellipse, FlatWideOnesKeepTheirWidth) {
    // On a flat side the direction to the nearest point differs from upright by less than a double's digits.
    expect_wide_by_rule({30, 20}, {-358440668, -8284, 716881362, 185}, 1476, {-358379070, -8940});
}

RC_GTEST_PROP(Ellipse, FlatWideOnesFollowTheRule, ()) {
    if (*rc::gen::inRange(0, 20) > 0) RC_SUCCEED("so many bits take their time");
    constexpr Size window{14, 10};
    const auto columns = static_cast<std::int64_t>(std::exp2(*rc::gen::inRange(1000, 3199) / 100.0));
    const std::int64_t rows = *rc::gen::inRange<std::int64_t>(2, 60);
    const std::int32_t width = *rc::gen::oneOf(rc::gen::inRange(2, 90), rc::gen::inRange(2, 3000));
    const Box box{-columns / 2, 0, columns, rows};
    // A place of either edge, near the tips and near the middle alike.
    const double a = static_cast<double>(columns - 1) / 2;
    const double b = static_cast<double>(rows - 1) / 2;
    const double angle = std::exp2(-*rc::gen::inRange(0, 4000) / 100.0);
    const double c = *rc::gen::arbitrary<bool>() ? std::cos(angle) : std::sin(angle);
    const double s = std::sqrt(1 - c * c);
    const double slope = std::hypot(b * c, a * s);
    const double out = *rc::gen::element(-0.5, 0.5) * width;
    const Point place{clamped(a * c + out * b * c / slope), clamped(b + b * s + out * a * s / slope)};
    expect_wide_by_rule(window, box, width, {place.x - 7, place.y - 5});
    RC_ASSERT(!::testing::Test::HasFailure());
}

} // namespace coldbrick::test
