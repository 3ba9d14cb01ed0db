// Boxes and the other shapes as plain values: corners, anchors, moving, bounds and their ranges.

#include "support/errors.hpp"
#include "support/generators.hpp"

#include <coldbrick/regular_polygon.hpp>
#include <coldbrick/shape.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

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

TEST(Geometry, PathsTurnScaleAndMirrorAboutPoints) {
    const Polyline path{{{10, 5}, {13, 5}, {13, 6}}, true};
    const Point about{10, 5};
    using Points = std::vector<Point>;
    EXPECT_EQ(path.turned(degrees(90), about), (Polyline{{{10, 5}, {10, 8}, {9, 8}}, true}));
    EXPECT_EQ(path.turned(degrees(-180), about), (Polyline{{{10, 5}, {7, 5}, {7, 4}}, true}));
    EXPECT_EQ(path.turned(degrees(45), about).points, (Points{{10, 5}, {12, 7}, {11, 8}}));
    EXPECT_EQ(path.scaled(0.5, 2, about).points, (Points{{10, 5}, {12, 5}, {12, 7}})); // halves away
    EXPECT_EQ(path.scaled(-0.5, 1, about).points, (Points{{10, 5}, {8, 5}, {8, 6}}));
    EXPECT_EQ(path.mirrored(Mirror::left_right, about).points, (Points{{10, 5}, {7, 5}, {7, 6}}));
    const Polygon polygon({{{0, 0}, {9, 0}, {0, 9}}, {{1, 1}, {2, 2}, {1, 3}}});
    EXPECT_EQ(polygon.mirrored(Mirror::top_bottom, {0, 4}).rings[1], (Points{{1, 7}, {2, 6}, {1, 5}}));
    EXPECT_EQ(polygon.turned(degrees(90), {0, 0}).turned(degrees(270), {0, 0}), polygon);
    EXPECT_EQ(polygon.scaled(3, 3, {0, 0}).bounds(), (Box{0, 0, 28, 28}));
}

TEST(Geometry, RegularPolygonsAndStarsAreSymmetric) {
    EXPECT_EQ(regular_polygon({10, 20}, 5, 4), Polygon({{10, 15}, {15, 20}, {10, 25}, {5, 20}}));
    EXPECT_EQ(regular_polygon({0, 0}, 10, 4, degrees(45)), Polygon({{7, 7}, {-7, 7}, {-7, -7}, {7, -7}}));
    for (int corners = 1; corners <= 12; ++corners)
        for (const Polygon& shape : {regular_polygon({0, 0}, 37, corners), star({0, 0}, 37, 15, corners)}) {
            const auto& ring = shape.rings[0];
            EXPECT_EQ(ring.size() % static_cast<std::size_t>(corners), 0U);
            EXPECT_EQ(ring[0], (Point{0, -37}));
            for (std::size_t i = 1; i < ring.size(); ++i) // the one half mirrors the other
                EXPECT_EQ(ring[i], (Point{-ring[ring.size() - i].x, ring[ring.size() - i].y}));
        }
    EXPECT_EQ(star({0, 0}, 10, 4, 4).rings[0][1], (Point{3, -3}));
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
        {[] {
             (void)regular_polygon({0, 0}, -1, 3);
         },
         "polygon radius -1 is outside 0..2147483647"},
        {[] {
             (void)regular_polygon({0, 0}, 1, 0);
         },
         "number of corners 0 is outside 1..1000000"},
        {[] {
             (void)star({0, 0}, 1, 1, -2);
         },
         "number of tips -2 is outside 1..1000000"},
        {[] {
             (void)star({highest, 0}, 5, 1, 4);
         },
         "rounded x 2147483648 is outside -2147483648..2147483647"},
        {[] {
             (void)Polyline{{{5, 5}}}.scaled(1e300, 1, {0, 0});
         },
         "rounded x 8589934592 is outside -2147483648..2147483647"},
        {[] {
             (void)Polyline{{{5, 5}}}.scaled(1, std::nan(""), {0, 0});
         },
         "factor nan is not a finite number"},
    });
}

} // namespace coldbrick::test
