// Copies: turned, padded, of other formats and of single channels; what they, floods and sizes refuse.

#include "support/errors.hpp"
#include "support/formats.hpp"
#include "support/sample_image.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/convert.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/flood.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/measure.hpp>
#include <coldbrick/resize.hpp>

#include <gtest/gtest.h>

#include <algorithm>

namespace coldbrick::test {

namespace {

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

} // namespace coldbrick::test
