// Resized images against the means and reproductions that define them.

#include "support/errors.hpp"
#include "support/sample_image.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/convert.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/resize.hpp>

#include <gtest/gtest.h>

#include <cmath>

namespace coldbrick::test {

TEST(Resize, NearestTakesThePixelUnderTheCentre) {
    const Image image = sample({7, 5}, PixelFormat::rgba8);
    for (const Size size : {Size{7, 5}, Size{14, 10}, Size{3, 2}, Size{1, 1}, Size{20, 3}}) {
        const Image result = resized(image, size, {.resampling = Resampling::nearest});
        for (int y = 0; y < size.height; ++y)
            for (int x = 0; x < size.width; ++x)
                ASSERT_EQ(result.pixel({x, y}), image.pixel({(2 * x + 1) * 7 / (2 * size.width),
                                                             (2 * y + 1) * 5 / (2 * size.height)}));
    }
}

TEST(Resize, AreaIsTheMeanOfWhatAPixelCovers) {
    const Image image = sample({6, 6}, PixelFormat::rgba16);
    for (const Size size : {Size{2, 3}, Size{4, 5}, Size{1, 1}, Size{9, 7}}) {
        const Image result = resized(image, size);
        for (int y = 0; y < size.height; ++y)
            for (int x = 0; x < size.width; ++x) {
                // Each source pixel is cut into size.width * size.height parts, which lie whole in one pixel.
                double sum[4] = {};
                for (int v = y * 6; v < (y + 1) * 6; ++v)
                    for (int u = x * 6; u < (x + 1) * 6; ++u) {
                        const RealColour part = image.view().real_pixel({u / size.width, v / size.height});
                        sum[0] += part.red * part.alpha;
                        sum[1] += part.green * part.alpha;
                        sum[2] += part.blue * part.alpha;
                        sum[3] += part.alpha;
                    }
                const RealColour wanted{sum[0] / sum[3], sum[1] / sum[3], sum[2] / sum[3], sum[3] / 36};
                ASSERT_EQ(result.view().pixel16({x, y}), colour16(wanted)) << x << ' ' << y;
            }
    }
}

TEST(Resize, InterpolationKeepsWhatItCanReproduce) {
    Image slope({9, 9}, PixelFormat::gray16);
    for (int i = 0; i < 81; ++i) {
        const auto gray = static_cast<std::uint16_t>(1000 + 400 * (i % 9) + 240 * (i / 9));
        slope.view().set_pixel({i % 9, i / 9}, Colour16{gray, gray, gray, 65535});
    }
    for (const Resampling way : {Resampling::bilinear, Resampling::bicubic}) {
        const Image same = resized(slope, {9, 9}, {.resampling = way});
        const Image large = resized(slope, {36, 18}, {.resampling = way});
        for (int i = 0; i < 81; ++i)
            EXPECT_EQ(same.view().pixel16({i % 9, i / 9}), slope.view().pixel16({i % 9, i / 9}));
        for (int y = 4; y < 14;
             ++y) // away from the edges, where the outermost pixels stand for what is missing
            for (int x = 8; x < 28; ++x) {
                const double wanted = 1000 + 400 * ((x + 0.5) / 4 - 0.5) + 240 * ((y + 0.5) / 2 - 0.5);
                EXPECT_NEAR(large.view().pixel16({x, y}).red, wanted, 0.5001) << x << ' ' << y;
            }
        EXPECT_EQ(large.view().pixel16({0, 0}).red >= 900, true);
    }
    // A see-through pixel's colour does not show.
    Image edge({2, 1}, PixelFormat::rgba8);
    edge.set_pixel({0, 0}, Colour(0, 255, 0, 0));
    edge.set_pixel({1, 0}, Colour(255, 0, 0, 255));
    EXPECT_EQ(resized(edge, {1, 1}).pixel({0, 0}), Colour(255, 0, 0, 128));
}

TEST(Resize, FitsInItsOwnProportions) {
    const Image image({200, 100}, PixelFormat::gray8);
    const struct {
        Size wanted;
        Size inside;
    } rows[] = {{{50, 50}, {50, 25}}, {{300, 30}, {60, 30}}, {{1, 9}, {1, 1}}, {{400, 200}, {400, 200}}};
    for (const auto& [wanted, inside] : rows) {
        EXPECT_EQ(resized(image, wanted, {.fit = Fit::contain}).size(), inside);
        EXPECT_EQ(resized(image, wanted, {.fit = Fit::cover}).size(), wanted);
    }
    Image halves({4, 2}, PixelFormat::gray8, colour("white"));
    draw(halves, Box{1, 0, 2, 2}, Fill{colour("black")});
    const Image cover = resized(halves, {2, 2}, {.fit = Fit::cover}); // the middle half
    for (int i = 0; i < 4; ++i) EXPECT_EQ(cover.pixel({i % 2, i / 2}), colour("black"));
}

} // namespace coldbrick::test
