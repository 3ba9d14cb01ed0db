// Polygons against the rules: both fill rules, whole and tiling edges, holes, crossings and tilings.

#include "support/generators.hpp"
#include "support/pixel_set.hpp"
#include "support/rules.hpp"

#include <coldbrick/draw.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace coldbrick::test {

namespace {

void expect_by_rule(Size window, const Polygon& polygon) {
    for (const FillRule rule : {FillRule::even_odd, FillRule::non_zero})
        for (const FillExtent extent : {FillExtent::whole, FillExtent::tiling})
            ASSERT_EQ(
                filled(window, polygon, {{}, rule, extent}),
                PixelSet::where(
                    window, [&](auto x, auto y) { return rules::in_polygon(polygon, rule, extent, x, y); }))
                << polygon << (rule == FillRule::even_odd ? " even-odd" : " non-zero")
                << (extent == FillExtent::whole ? " whole" : " tiling");
}

const Fill tiling{{}, FillRule::even_odd, FillExtent::tiling};

} // namespace

TEST(Polygon, EveryTriangleOfASmallGrid) {
    for (int a = 0; a < 25; ++a)
        for (int b = 0; b < 25; ++b)
            for (int c = 0; c <= b; ++c)
                expect_by_rule({5, 5}, Polygon({{a % 5, a / 5}, {b % 5, b / 5}, {c % 5, c / 5}}));
}

RC_GTEST_PROP(Polygon, AnyPolygonOfTheWholeDomain, ()) {
    constexpr Size window{23, 21};
    expect_by_rule(window, *any_polygon(window));
    RC_ASSERT(!::testing::Test::HasFailure());
}

RC_GTEST_PROP(Polygon, FillAndOutlineShareOneSilhouette, ()) {
    constexpr Size window{23, 21};
    const Polygon polygon = *any_polygon(window);
    const PixelSet fill = filled(window, polygon);
    const PixelSet outline = stroked(window, polygon);
    for (int y = 0; y < window.height; ++y)
        for (int x = 0; x < window.width; ++x) {
            RC_ASSERT(!outline.contains(x, y) || fill.contains(x, y));
            RC_ASSERT(polygon.contains({x, y}) == fill.contains(x, y));
            RC_ASSERT(!fill.contains(x, y) || polygon.bounds().contains({x, y}));
        }
}

TEST(Polygon, OfABoxsCornersIsTheBox) {
    const PixelSet box = filled({20, 20}, Polygon({{3, 4}, {15, 4}, {15, 11}, {3, 11}}));
    EXPECT_EQ(box, filled({20, 20}, Box{3, 4, 13, 8}));
}

RC_GTEST_PROP(Polygon, TilingCoversEveryPixelOnce, ()) {
    // A grid of jittered vertices, so little that cells stay convex, each cut along either diagonal.
    constexpr Size window{52, 52};
    constexpr int cells = 4;
    std::vector<Point> vertices;
    for (int i = 0; i < (cells + 1) * (cells + 1); ++i)
        vertices.push_back({5 + 10 * (i % (cells + 1)) + *rc::gen::inRange(-2, 3),
                            5 + 10 * (i / (cells + 1)) + *rc::gen::inRange(-2, 3)});
    std::vector<int> covered(window.width * window.height, 0);
    const auto cover = [&](Point a, Point b, Point c) {
        const PixelSet triangle = filled(window, Polygon({a, b, c}), tiling);
        for (int i = 0; i < window.width * window.height; ++i)
            covered[static_cast<std::size_t>(i)] += triangle.contains(i % window.width, i / window.width);
    };
    std::vector<Point> border;
    for (int y = 0; y < cells; ++y)
        for (int x = 0; x < cells; ++x) {
            const auto at = [&](int dx, int dy) {
                return vertices[static_cast<std::size_t>((y + dy) * (cells + 1) + x + dx)];
            };
            if (*rc::gen::arbitrary<bool>()) {
                cover(at(0, 0), at(1, 0), at(1, 1));
                cover(at(0, 0), at(1, 1), at(0, 1));
            } else {
                cover(at(0, 0), at(1, 0), at(0, 1));
                cover(at(1, 0), at(1, 1), at(0, 1));
            }
        }
    const auto vertex = [&](int x, int y) { return vertices[static_cast<std::size_t>(y * (cells + 1) + x)]; };
    for (int i = 0; i < cells; ++i) border.push_back(vertex(i, 0));
    for (int i = 0; i < cells; ++i) border.push_back(vertex(cells, i));
    for (int i = cells; i > 0; --i) border.push_back(vertex(i, cells));
    for (int i = cells; i > 0; --i) border.push_back(vertex(0, i));
    const PixelSet all = filled(window, Polygon(border), tiling);
    for (int i = 0; i < window.width * window.height; ++i)
        RC_ASSERT(covered[static_cast<std::size_t>(i)] ==
                  (all.contains(i % window.width, i / window.width) ? 1 : 0));
}

} // namespace coldbrick::test
