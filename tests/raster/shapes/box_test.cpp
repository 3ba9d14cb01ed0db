// Boxes against the rule, filled and stroked with any width.

#include "support/generators.hpp"
#include "support/pixel_set.hpp"
#include "support/rules.hpp"

#include <coldbrick/draw.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace coldbrick::test {

namespace {

void expect_by_rule(Size window, const Box& box, std::int32_t width) {
    const PixelSet filled =
        painted(window, [&](const ImageView& view, const Colour& colour) { draw(view, box, Fill{colour}); });
    ASSERT_EQ(filled, PixelSet::where(window, [&](auto x, auto y) { return rules::in_box(box, x, y); }))
        << box;
    const PixelSet stroked = painted(window, [&](const ImageView& view, const Colour& colour) {
        draw(view, box, Stroke{colour, width});
    });
    ASSERT_EQ(stroked,
              PixelSet::where(window, [&](auto x, auto y) { return rules::on_box(box, width, x, y); }))
        << box << " width " << width;
}

} // namespace

TEST(Box, EverySmallBoxAndWidth) {
    for (int width = 0; width <= 12; ++width)
        for (int height = 0; height <= 7; ++height)
            for (int stroke = 1; stroke <= 9; ++stroke) {
                expect_by_rule({24, 20}, {6, 6, width, height}, stroke);
                expect_by_rule({5, 4}, {-3, -2, width, height}, stroke); // cut on every side
            }
}

RC_GTEST_PROP(Box, AnyBoxOfTheWholeDomain, ()) {
    constexpr Size window{31, 27};
    expect_by_rule(window, *any_box(window), *any_width());
    RC_ASSERT(!::testing::Test::HasFailure());
}

TEST(Box, ReachesToTheEndsOfItsOwnDomain) {
    constexpr std::int64_t end = std::int64_t{1} << 61;
    expect_by_rule({6, 6}, {-end, -end, end, end - 9}, 3);
    expect_by_rule({6, 6}, {-end + 4, 2, end, end}, highest);
}

} // namespace coldbrick::test
