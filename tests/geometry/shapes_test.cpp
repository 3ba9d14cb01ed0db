// Boxes and the other shapes as plain values: corners, anchors, moving, bounds and their ranges.

#include "support/errors.hpp"
#include "support/generators.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/circle.hpp>
#include <coldbrick/line.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace coldbrick::test {

static_assert(Box::between({3, 9}, {-2, 4}) == Box{-2, 4, 6, 6});
static_assert(Box::between({lowest, lowest}, {highest, highest}).width == std::int64_t{1} << 32);
static_assert(Box{2, 3, 4, 5}.contains({5, 7}) && !Box{2, 3, 4, 5}.contains({6, 7}));

TEST(Geometry, BoxesShrinkGrowAndOverlap) {
    const Box box{10, 20, 7, 4};
    EXPECT_EQ(box.inset(1), (Box{11, 21, 5, 2}));
    EXPECT_EQ(box.inset(-3), (Box{7, 17, 13, 10}));
    EXPECT_EQ(box.inset(2), (Box{12, 22, 3, 0}));
    EXPECT_TRUE(box.inset(100).empty());
    EXPECT_EQ(box.intersection({12, 0, 100, 22}), (Box{12, 20, 5, 2}));
    EXPECT_TRUE(box.intersection({17, 20, 5, 5}).empty());
    EXPECT_EQ(Box::of({640, 400}), (Box{0, 0, 640, 400}));
}

TEST(Geometry, AnchorsNamePixels) {
    const Box box{10, 20, 5, 4};
    const std::pair<Anchor, Point> expected[] = {
        {Anchor::top_left, {10, 20}},    {Anchor::top, {12, 20}},    {Anchor::top_right, {14, 20}},
        {Anchor::left, {10, 21}},        {Anchor::centre, {12, 21}}, {Anchor::right, {14, 21}},
        {Anchor::bottom_left, {10, 23}}, {Anchor::bottom, {12, 23}}, {Anchor::bottom_right, {14, 23}},
    };
    for (const auto& [anchor, point] : expected) {
        EXPECT_EQ(box.at(anchor), point);
        EXPECT_EQ(box.placed(anchor, {100, -50}).at(anchor), (Point{100, -50}));
        const Circle circle{{3, 4}, 6};
        EXPECT_EQ(circle.placed(anchor, {100, -50}).bounds().at(anchor), (Point{100, -50}));
        const Line line{{3, 4}, {9, -2}};
        EXPECT_EQ(line.placed(anchor, {100, -50}).bounds().at(anchor), (Point{100, -50}));
    }
    EXPECT_EQ(box.centre(), (Point{12, 21}));
    EXPECT_EQ((Box{3, 4, 0, 0}.at(Anchor::bottom_right)), (Point{3, 4}));
}

TEST(Geometry, BoundsReachBeyondThe32BitCoordinates) {
    EXPECT_EQ((Circle{{highest, lowest}, highest}.bounds()), (Box{0, -4294967295, 4294967295, 4294967295}));
    EXPECT_EQ((Line{{highest, 5}, {lowest, -5}}.bounds()), (Box{lowest, -5, std::int64_t{1} << 32, 11}));
}

RC_GTEST_PROP(Geometry, MovingThereAndBackChangesNothing, ()) {
    const auto dx = *rc::gen::inRange<std::int64_t>(-2000, 2000);
    const auto dy = *rc::gen::inRange<std::int64_t>(-2000, 2000);
    const Line line{{1, 2}, *rc::gen::map(any_point_near({900, 900}), [](Point p) { return p; })};
    RC_ASSERT(line.moved(dx, dy).moved(-dx, -dy) == line);
    const Circle circle{line.to, 7};
    RC_ASSERT(circle.moved(dx, dy).bounds() == circle.bounds().moved(dx, dy));
}

TEST(Geometry, ValuesOutsideTheirRangesAreNamed) {
    expect_errors<ArgumentError>({
        {[] {
             (void)Circle{{0, 0}, -3}.bounds();
         },
         "circle radius -3 is outside 0..2147483647"},
        {[] {
             (void)Circle{{0, 0}, -1}.contains({0, 0});
         },
         "circle radius -1 is outside 0..2147483647"},
        {[] {
             (void)Box{0, 0, -1, 5}.inset(1);
         },
         "box width -1 is outside 0..2305843009213693952"},
        {[] {
             (void)Box{0, 0, 1, -5}.bounds();
         },
         "box height -5 is outside 0..2305843009213693952"},
        {[] {
             (void)Box{-(std::int64_t{1} << 62), 0, 1, 1}.bounds();
         },
         "box x -4611686018427387904 is outside -2305843009213693952..2305843009213693952"},
        {[] {
             (void)Box{0, std::int64_t{1} << 62, 1, 1}.bounds();
         },
         "box y 4611686018427387904 is outside -2305843009213693952..2305843009213693952"},
        {[] {
             (void)Box{0, 0, 1, 1}.inset(std::int64_t{1} << 61);
         },
         "inset 2305843009213693952 is outside -1152921504606846976..1152921504606846976"},
        {[] {
             (void)Box{0, 0, 1, 1}.moved(0, std::int64_t{1} << 62);
         },
         "offset 4611686018427387904 is outside -2305843009213693952..2305843009213693952"},
        {[] {
             (void)Box{std::int64_t{1} << 40, 0, 1, 1}.centre();
         },
         "anchor x 1099511627776 is outside -2147483648..2147483647"},
        {[] {
             (void)Line{{highest, 0}, {0, 0}}.moved(1, 0);
         },
         "moved x 2147483648 is outside -2147483648..2147483647"},
        {[] {
             (void)Circle{{0, lowest}, 1}.moved(0, -1);
         },
         "moved y -2147483649 is outside -2147483648..2147483647"},
        {[] {
             (void)Circle{{0, 0}, 1}.moved(std::int64_t{1} << 40, 0);
         },
         "offset 1099511627776 is outside -4294967296..4294967296"},
    });
}

} // namespace coldbrick::test
