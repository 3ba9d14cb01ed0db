// Rounded boxes against the rules.

#include "support/errors.hpp"
#include "support/generators.hpp"
#include "support/pixel_set.hpp"
#include "support/rules.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>

namespace coldbrick::test {

namespace {

/// Asks the circle at the corner that the pixel lies beyond, or else the box.
template <class OfCircle, class OfBox>
bool at_corner_or_side(const RoundedBox& shape, std::int64_t x, std::int64_t y, OfCircle of_circle,
                       OfBox of_box) {
    const Box& box = shape.box;
    if (box.width == 0 || box.height == 0) return false;
    const std::int64_t r = std::min<std::int64_t>(shape.radius, (std::min(box.width, box.height) - 1) / 2);
    const std::int64_t left = box.x + r;
    const std::int64_t top = box.y + r;
    const std::int64_t right = box.x + box.width - 1 - r;
    const std::int64_t bottom = box.y + box.height - 1 - r;
    if (r == 0 || (x >= left && x <= right) || (y >= top && y <= bottom)) return of_box(box);
    const Point corner{static_cast<std::int32_t>(x < left ? left : right),
                       static_cast<std::int32_t>(y < top ? top : bottom)};
    return of_circle(Circle{corner, static_cast<std::int32_t>(r)});
}

void expect_by_rule(Size window, const RoundedBox& shape, std::int32_t width) {
    ASSERT_EQ(filled(window, shape),
              PixelSet::where(window,
                              [&](auto x, auto y) {
                                  return at_corner_or_side(
                                      shape, x, y,
                                      [&](const Circle& circle) { return rules::in_circle(circle, x, y); },
                                      [&](const Box& box) { return rules::in_box(box, x, y); });
                              }))
        << shape;
    ASSERT_EQ(
        stroked(window, shape, {{}, width}),
        PixelSet::where(window,
                        [&](auto x, auto y) {
                            return at_corner_or_side(
                                shape, x, y,
                                [&](const Circle& circle) { return rules::on_circle(circle, width, x, y); },
                                [&](const Box& box) { return rules::on_box(box, width, x, y); });
                        }))
        << shape << " width " << width;
}

} // namespace

TEST(RoundedBox, EverySmallOne) {
    for (int width = 0; width <= 16; ++width)
        for (int height = 0; height <= 16; height += 3)
            for (const int radius : {0, 1, 2, 3, 5, 8, 100})
                for (const int stroke : {1, 2, 3, 4, 7, 12})
                    expect_by_rule({30, 30}, {{7, 7, width, height}, radius}, stroke);
}

RC_GTEST_PROP(RoundedBox, AnyOneOfTheWholeDomain, ()) {
    constexpr Size window{23, 21};
    const Box box = *any_box(window);
    RC_PRE(box.x >= lowest && box.x + box.width <= highest && box.y >= lowest &&
           box.y + box.height <= highest);
    expect_by_rule(window, {box, *any_extent()}, *any_width());
    RC_ASSERT(!::testing::Test::HasFailure());
}

TEST(RoundedBox, ReachesToTheEndsOfItsOwnDomain) {
    constexpr std::int64_t end = std::int64_t{1} << 61;
    for (const std::int64_t x : {-end, -end / 4, end})
        for (const int width : {1, 2, 5, highest}) {
            const RoundedBox shape{{x, -end / 4, end / 2, end / 2}, highest};
            EXPECT_EQ(filled({9, 9}, shape).count(), x == -end / 4 ? 81 : 0);
            EXPECT_EQ(stroked({9, 9}, shape, {{}, width}).count(), 0);
        }
    expect_errors<ArgumentError>(
        {{[] {
              (void)RoundedBox{{0, 0, end, 3}, 1}.bounds();
          },
          "rounded box width 2305843009213693952 is outside 0..1152921504606846976"}});
}

TEST(RoundedBox, OfFullRadiusIsTheCircle) {
    for (int radius = 1; radius <= 12; ++radius) {
        const Circle circle{{15, 15}, radius};
        EXPECT_EQ(filled({31, 31}, RoundedBox{circle.bounds(), highest}), filled({31, 31}, circle));
        EXPECT_TRUE((RoundedBox{circle.bounds(), radius}.contains({15, 15 - radius})));
        EXPECT_FALSE((RoundedBox{circle.bounds(), radius}.contains({15 - radius, 15 - radius})));
    }
    expect_errors<ArgumentError>({{[] {
                                       (void)RoundedBox{{0, 0, 3, 3}, -1}.bounds();
                                   },
                                   "corner radius -1 is outside 0..2147483647"}});
}

} // namespace coldbrick::test
