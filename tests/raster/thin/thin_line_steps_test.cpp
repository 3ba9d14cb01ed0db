// Width-1 lines against the rule: the nearest pixel on the longer axis, halves to the larger coordinate.

#include "support/generators.hpp"
#include "support/pixel_set.hpp"
#include "support/rules.hpp"

#include <coldbrick/draw.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace coldbrick::test {

namespace {

PixelSet by_rule(Size size, const Line& line) {
    return PixelSet::where(size, [&](auto x, auto y) { return rules::on_line(line, x, y); });
}

} // namespace

TEST(Line, EveryLineWithinASmallWindow) {
    constexpr Size window{11, 9};
    for (int from = 0; from < window.width * window.height; ++from)
        for (int to = 0; to < window.width * window.height; ++to) {
            const Line line{{from % window.width, from / window.width},
                            {to % window.width, to / window.width}};
            ASSERT_EQ(stroked(window, line), by_rule(window, line)) << line;
        }
}

TEST(Line, EveryLineThatCrossesATinyWindow) {
    constexpr Size window{3, 2};
    for (int from = 0; from < 11 * 10; ++from)
        for (int to = 0; to < 11 * 10; ++to) {
            const Line line{{from % 11 - 4, from / 11 - 4}, {to % 11 - 4, to / 11 - 4}};
            ASSERT_EQ(stroked(window, line), by_rule(window, line)) << line;
        }
}

TEST(Line, HalvesGoToTheLargerCoordinateFromEitherEnd) {
    for (const Line& line : {Line{{0, 0}, {2, 1}}, Line{{2, 1}, {0, 0}}})
        EXPECT_TRUE(line.contains({1, 1})) << line;
    for (const Line& line : {Line{{0, 1}, {2, 0}}, Line{{2, 0}, {0, 1}}})
        EXPECT_TRUE(line.contains({1, 1})) << line;
    for (const Line& line : {Line{{0, 0}, {1, 2}}, Line{{1, 2}, {0, 0}}})
        EXPECT_TRUE(line.contains({1, 1})) << line;
}

RC_GTEST_PROP(Line, AnyLineOfTheWholeDomain, ()) {
    constexpr Size window{37, 29};
    const Line line = *any_line(window);
    RC_ASSERT(stroked(window, line) == by_rule(window, line));
}

RC_GTEST_PROP(Line, ContainsAndBoundsAgreeWithTheRule, ()) {
    const Line line = *any_line({40, 40});
    const Point pixel = *any_point_near({40, 40});
    RC_ASSERT(line.contains(pixel) == rules::on_line(line, pixel.x, pixel.y));
    RC_ASSERT(!line.contains(pixel) || line.bounds().contains(pixel));
    RC_ASSERT(line.contains(line.from) && line.contains(line.to));
}

} // namespace coldbrick::test
