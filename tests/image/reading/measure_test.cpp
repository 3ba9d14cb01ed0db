// Floods, differences, extents and histograms.

#include "support/errors.hpp"
#include "support/sample_image.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/convert.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/flood.hpp>
#include <coldbrick/measure.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdlib>
#include <numeric>
#include <set>

namespace coldbrick::test {

TEST(Measure, FloodsReachWhatASlowSearchReaches) {
    rc::check([](std::uint32_t seed, bool diagonally) {
        constexpr int side = 13;
        Image image({side, side}, PixelFormat::gray8);
        for (int i = 0; i < side * side; ++i) {
            seed = seed * 1664525U + 1013904223U;
            const int gray = static_cast<int>(seed >> 30U) * 10;
            image.set_pixel({i % side, i / side}, Colour(gray, gray, gray));
        }
        const int tolerance = 10;
        std::set<std::pair<int, int>> reached{{6, 6}};
        const auto like = [&](int x, int y) {
            return std::abs(image.pixel({x, y}).red - image.pixel({6, 6}).red) <= tolerance;
        };
        for (std::size_t before = 0; before != reached.size();) {
            before = reached.size();
            for (int y = 0; y < side; ++y)
                for (int x = 0; x < side; ++x)
                    for (const auto& [dx, dy] :
                         {std::pair{1, 0}, {-1, 0}, {0, 1}, {0, -1}, {1, 1}, {1, -1}, {-1, 1}, {-1, -1}})
                        if ((diagonally || dx == 0 || dy == 0) && reached.contains({x + dx, y + dy}) &&
                            like(x, y))
                            reached.insert({x, y});
        }
        const Region region = flooded(image, {6, 6}, {tolerance, diagonally});
        RC_ASSERT(region.area() == static_cast<std::int64_t>(reached.size()));
        for (const auto& [x, y] : reached) RC_ASSERT(region.contains({x, y}));
    });
}

TEST(Measure, DifferencesExtentsAndHistograms) {
    const Image a = sample({6, 4}, PixelFormat::rgba8);
    Image b = converted(a, PixelFormat::bgra8);
    EXPECT_EQ(difference(a, b).pixels, 0);
    EXPECT_TRUE(difference(a, b).bounds.empty());
    const Colour old = b.pixel({4, 1});
    b.set_pixel({4, 1}, Colour(old.red, old.green ^ 64, old.blue, old.alpha));
    b.set_pixel({2, 3}, Colour(0, 0, 0, 0));
    const Difference found = difference(a, b);
    EXPECT_EQ(found.pixels, 2);
    EXPECT_EQ(found.bounds, (Box{2, 1, 3, 3}));
    EXPECT_EQ(found.picture.pixel({4, 1}), Colour(0, 64, 0, 255));
    EXPECT_EQ(found.largest, std::max({int{a.pixel({2, 3}).red}, int{a.pixel({2, 3}).green},
                                       int{a.pixel({2, 3}).blue}, int{a.pixel({2, 3}).alpha}}));

    Image picture({20, 20}, PixelFormat::rgb8, colour("navy"));
    EXPECT_TRUE(extent_of_content(picture, colour("navy")).empty());
    draw(picture, Circle{{7, 9}, 4}, Fill{colour("gold")});
    EXPECT_EQ(extent_of_content(picture, colour("navy")), (Circle{{7, 9}, 4}.bounds()));
    const auto counts = histogram(picture, Channel::red);
    const std::int64_t gold = region(Circle{{7, 9}, 4}).area();
    EXPECT_EQ(counts[255], gold);
    EXPECT_EQ(counts[0], 400 - gold);
    EXPECT_EQ(std::accumulate(counts.begin(), counts.end(), std::int64_t{0}), 400);
    EXPECT_EQ(histogram(picture, Channel::gray)[9], 400 - gold); // 128 * 0.0722
}

TEST(Measure, AFloodsToleranceIncludesItsBound) {
    Image image({6, 1}, PixelFormat::gray8);
    for (int x = 0; x < 6; ++x) image.set_pixel({x, 0}, Colour(10 * x, 10 * x, 10 * x));
    EXPECT_EQ(flooded(image, {0, 0}, {30}).spans(), (std::vector<Span>{{0, 0, 4}}));
    EXPECT_EQ(flooded(image, {0, 0}, {29}).spans(), (std::vector<Span>{{0, 0, 3}}));
}

RC_GTEST_PROP(Measure, DifferencesAreCountedPixelByPixel, ()) {
    static constexpr Size size{13, 9};
    const auto noisy = [] {
        Image image(size, PixelFormat::rgba8, Colour(100, 100, 100));
        for (int n = *rc::gen::inRange(0, 12); n > 0; --n)
            draw(image, Box{*rc::gen::inRange(0, 13), *rc::gen::inRange(0, 9), 3, 2},
                 Fill{Colour(*rc::gen::inRange(90, 110), 100, *rc::gen::inRange(95, 105),
                             *rc::gen::inRange(250, 256)),
                      {},
                      {},
                      {BlendMode::copy}});
        return image;
    };
    const Image a = noisy();
    const Image b = noisy();
    const int tolerance = *rc::gen::inRange(0, 6);
    const std::vector<Box> ignored{{*rc::gen::inRange(-3, 13), 2, 4, 3}, {0, 8, 5, 9}};
    const Difference told = difference(a, b, {.tolerance = tolerance, .ignored = ignored});

    std::int64_t compared = 0;
    std::int64_t differing = 0;
    std::array<int, 4> largest{};
    std::array<double, 4> sums{};
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            if (ignored[0].contains({x, y}) || ignored[1].contains({x, y})) {
                RC_ASSERT(!told.region.contains({x, y}));
                continue;
            }
            const Colour one = a.pixel({x, y});
            const Colour other = b.pixel({x, y});
            const std::array<int, 4> gaps{std::abs(one.red - other.red), std::abs(one.green - other.green),
                                          std::abs(one.blue - other.blue), std::abs(one.alpha - other.alpha)};
            const bool differs = std::ranges::any_of(gaps, [&](int gap) { return gap > tolerance; });
            ++compared;
            differing += differs ? 1 : 0;
            RC_ASSERT(told.region.contains({x, y}) == differs);
            for (std::size_t i = 0; i < 4; ++i) {
                largest[i] = std::max(largest[i], gaps[i]);
                sums[i] += gaps[i];
            }
        }
    RC_ASSERT(told.compared == compared);
    RC_ASSERT(told.pixels == differing);
    RC_ASSERT(told.largest_of == largest);
    for (std::size_t i = 0; i < 4; ++i)
        RC_ASSERT(std::abs(told.mean_of[i] - sums[i] / static_cast<double>(compared)) < 1e-9);
}

TEST(Measure, FindsAndCountsColours) {
    Image image({12, 10}, PixelFormat::rgb8, colour("#102030"));
    draw(image, Box{2, 3, 4, 2}, Fill{colour("#112131")});
    draw(image, Box{8, 8, 2, 2}, Fill{colour("gold")});
    EXPECT_EQ(pixels_like(image, colour("gold")).bounds(), (Box{8, 8, 2, 2}));
    EXPECT_EQ(pixels_like(image, colour("#112131")).area(), 8);
    EXPECT_EQ(pixels_like(image, colour("#112131"), 1).area(), 116);
    const ColourCounts counts = count_colours(image, 2);
    EXPECT_EQ(counts.colours, 3);
    ASSERT_EQ(counts.commonest.size(), 2U);
    EXPECT_EQ(counts.commonest[0].colour, colour("#102030"));
    EXPECT_EQ(counts.commonest[1].pixels, 8);
    EXPECT_EQ(amplified(image, 3).pixel({2, 3}), Colour(51, 99, 147));
    EXPECT_EQ(amplified(image, 3).pixel({8, 8}), Colour(255, 255, 0));
    const Image lit = highlighted(image, pixels_like(image, colour("gold")));
    EXPECT_EQ(lit.pixel({9, 9}), colour("gold"));
    EXPECT_EQ(lit.pixel({2, 3}), Colour(30, 30, 30)); // a gray of 32, dimmed
    expect_errors<ArgumentError>({
        {[&] { (void)pixels_like(image, colour("gold"), 256); }, "tolerance 256 is outside 0..255"},
        {[&] { (void)difference(image, image, {.tolerance = -1}); }, "tolerance -1 is outside 0..255"},
        {[&] { (void)amplified(image, 0); }, "factor 0 is outside 1..255"},
    });
}

} // namespace coldbrick::test
