// Copies: turned, padded, resized, of single channels; and what is measured.

#include "support/errors.hpp"
#include "support/formats.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/convert.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/measure.hpp>
#include <coldbrick/resize.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>
#include <numeric>
#include <set>

namespace coldbrick::test {

namespace {

Image sample(Size size, PixelFormat format, int seed = 0) {
    Image image(size, format);
    for (int i = 0; i < size.width * size.height; ++i)
        image.set_pixel(
            {i % size.width, i / size.width},
            Colour((i * 37 + seed) % 256, i * 91 % 256, (i * 151 + seed * 7) % 256, 255 - i * 29 % 200));
    return image;
}

bool same_bytes(const ConstImageView& a, const ConstImageView& b, Point at_a, Point at_b) {
    return a.real_pixel(at_a) == b.real_pixel(at_b);
}

} // namespace

TEST(Convert, OrientedCopiesComeBackAndPaddedOnesKeepTheImage) {
    for (const PixelFormat format : all_formats) {
        const Image image = sample({5, 3}, format);
        for (int way = 0; way < 8; ++way) {
            const Orientation there{way % 2 == 1, way / 2};
            const Orientation back{there.mirrored, there.mirrored ? there.quarters : -there.quarters};
            const Image turned = oriented(image, there);
            EXPECT_EQ(turned.size(), there.laid(image.size()));
            const Image again = oriented(turned, back);
            for (int i = 0; i < 15; ++i)
                ASSERT_TRUE(same_bytes(again, image, {i % 5, i / 5}, {i % 5, i / 5})) << layout(format).name;
        }
        const Image wide = padded(image, {1, 2, 3, 4}, colour("red"));
        ASSERT_EQ(wide.size(), (Size{9, 9}));
        Image red({1, 1}, format, colour("red"));
        for (int y = 0; y < 9; ++y)
            for (int x = 0; x < 9; ++x) {
                const bool inside = Box{1, 2, 5, 3}.contains(Point{x, y});
                ASSERT_TRUE(inside ? same_bytes(wide, image, {x, y}, {x - 1, y - 2})
                                   : same_bytes(wide, red, {x, y}, {0, 0}))
                    << layout(format).name;
            }
    }
    const Image quarter = oriented(sample({5, 3}, PixelFormat::rgb8), {false, 1});
    EXPECT_EQ(quarter.pixel({2, 0}), sample({5, 3}, PixelFormat::rgb8).pixel({0, 0})); // the top goes right
}

TEST(Convert, ChannelsAreSplitMergedAndSwapped) {
    for (const PixelFormat format : all_formats) {
        const PixelLayout& pixel = layout(format);
        const Image image = sample({4, 3}, format);
        if (pixel.channel_bytes() == 0) continue;
        const std::vector<Image> channels = split(image);
        ASSERT_EQ(channels.size(), static_cast<std::size_t>(pixel.bytes / pixel.channel_bytes()));
        const std::vector<ConstImageView> views(channels.begin(), channels.end());
        const Image again = merged(views, format);
        for (int i = 0; i < 12; ++i)
            ASSERT_TRUE(same_bytes(again, image, {i % 4, i / 4}, {i % 4, i / 4})) << pixel.name;
        if (pixel.is_gray()) continue;
        Image swapped = image;
        swap_channels(swapped, Channel::red, Channel::blue);
        EXPECT_EQ(swapped.pixel({1, 2}).red, image.pixel({1, 2}).blue);
        EXPECT_EQ(swapped.pixel({1, 2}).blue, image.pixel({1, 2}).red);
        EXPECT_EQ(swapped.pixel({1, 2}).green, image.pixel({1, 2}).green);
    }
}

TEST(Convert, CropsAreViewsWithClipsOfTheirOwn) {
    Image image({10, 10}, PixelFormat::rgb8);
    const ImageView crop = image.view().clipped({0, 0, 6, 10}).cropped({4, 3, 5, 5});
    EXPECT_EQ(crop.size(), (Size{5, 5}));
    EXPECT_EQ(crop.clip(), (Box{0, 0, 2, 5}));
    draw(crop, Box{-9, 1, 99, 1}, Fill{colour("red")});
    for (int i = 0; i < 100; ++i)
        EXPECT_EQ(image.pixel({i % 10, i / 10}) == colour("red"),
                  i / 10 == 4 && (i % 10 == 4 || i % 10 == 5));
}

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
        EXPECT_EQ(resized(image, wanted, {.fit = Fit::inside}).size(), inside);
        EXPECT_EQ(resized(image, wanted, {.fit = Fit::cover}).size(), wanted);
    }
    Image halves({4, 2}, PixelFormat::gray8, colour("white"));
    draw(halves, Box{1, 0, 2, 2}, Fill{colour("black")});
    const Image cover = resized(halves, {2, 2}, {.fit = Fit::cover}); // the middle half
    for (int i = 0; i < 4; ++i) EXPECT_EQ(cover.pixel({i % 2, i / 2}), colour("black"));
}

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

TEST(Convert, ValuesOutsideTheirRangesAreNamed) {
    const Image image({3, 2}, PixelFormat::rgb8);
    const Image other({2, 3}, PixelFormat::rgb8);
    const std::vector<ConstImageView> two{image, image};
    const std::vector<ConstImageView> unlike{image, other, image};
    expect_errors<ArgumentError>({
        {[&] {
             (void)padded(image, {0, -1, 0, 0}, {});
         },
         "margin -1 is outside 0..2147483647"},
        {[&] {
             (void)padded(image, {2147483647, 0, 0, 0}, {});
         },
         "padded width 2147483650 is outside 1..2147483647"},
        {[&] { (void)merged(two, PixelFormat::rgb8); }, "2 images are not the 3 channels of rgb8"},
        {[&] { (void)merged(unlike, PixelFormat::rgb8); },
         "channels of 3 x 2 and 2 x 3 do not fit each other"},
        {[&] {
             (void)resized(image, {0, 2});
         },
         "image width 0 is outside 1..2147483647"},
        {[&] {
             (void)resized(image, {10, 10}, {.most_bytes = 299});
         },
         "an image of 10 x 10 rgb8 pixels takes 300 bytes, more than the limit of 299"},
        {[&] {
             (void)flooded(image, {3, 0});
         },
         "pixel x 3 is outside 0..2"},
        {[&] {
             (void)flooded(image, {0, 0}, {256});
         },
         "tolerance 256 is outside 0..255"},
        {[&] { (void)difference(image, other); }, "images of 3 x 2 and 2 x 3 cannot be compared"},
    });
}

TEST(Measure, AFloodsToleranceIncludesItsBound) {
    Image image({6, 1}, PixelFormat::gray8);
    for (int x = 0; x < 6; ++x) image.set_pixel({x, 0}, Colour(10 * x, 10 * x, 10 * x));
    EXPECT_EQ(flooded(image, {0, 0}, {30}).spans(), (std::vector<Span>{{0, 0, 4}}));
    EXPECT_EQ(flooded(image, {0, 0}, {29}).spans(), (std::vector<Span>{{0, 0, 3}}));
}

} // namespace coldbrick::test
