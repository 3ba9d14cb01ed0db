// Images and bitmaps laid onto images, pixel by pixel against what the options say.

#include "support/errors.hpp"
#include "support/formats.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/convert.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/overlay.hpp>

#include <gtest/gtest.h>

#include <initializer_list>
#include <string>
#include <tuple>
#include <vector>

namespace coldbrick::test {

namespace {

/// No two pixels are alike.
Image sample(Size size, PixelFormat format) {
    Image image(size, format);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x)
            image.set_pixel({x, y}, Colour(20 * x + 3, 20 * y + 5, 9 * x + 11 * y, 255 - 13 * x - 7 * y));
    return image;
}

/// The image as it is laid, made by single steps: mirrored, then a quarter turn at a time.
Image laid(const Image& image, const Orientation& orientation) {
    Image result = image;
    if (orientation.mirrored)
        for (int y = 0; y < image.height(); ++y)
            for (int x = 0; x < image.width(); ++x)
                result.set_pixel({image.width() - 1 - x, y}, image.pixel({x, y}));
    for (int i = 0; i < (orientation.quarters % 4 + 4) % 4; ++i) {
        Image turned({result.height(), result.width()}, image.format());
        for (int y = 0; y < result.height(); ++y)
            for (int x = 0; x < result.width(); ++x)
                turned.set_pixel({result.height() - 1 - y, x}, result.pixel({x, y})); // the top goes right
        result = turned;
    }
    return result;
}

void expect_same(const Image& a, const Image& b, const std::string& what) {
    ASSERT_EQ(a.size(), b.size()) << what;
    for (int y = 0; y < a.height(); ++y)
        for (int x = 0; x < a.width(); ++x)
            ASSERT_EQ(a.pixel({x, y}), b.pixel({x, y})) << what << " at " << x << ", " << y;
}

} // namespace

TEST(Overlay, EveryOrientationOptionAndClipPixelByPixel) {
    const Bitmap mask("#.##\n####\n.#.#");
    const Blending blendings[] = {
        {BlendMode::multiply, 200}, {}, {BlendMode::source_over, 200}, {BlendMode::copy}};
    struct Case {
        PixelFormat format;
        Blending blending;
        bool masked;
        bool keyed;
        Point at;
        int alpha; ///< of what is there
    };
    std::vector<Case> cases;
    for (const PixelFormat format :
         {PixelFormat::rgb8, PixelFormat::bgra8, PixelFormat::gray8, PixelFormat::rgba16})
        for (const Blending& blending : blendings)
            for (const bool masked : {false, true})
                for (const bool keyed : {false, true})
                    for (const Point at : {Point{4, 5}, Point{0, 0}, Point{11, 9}})
                        cases.push_back({format, blending, masked, keyed, at, at.x == 0 ? 0 : 220});
    for (const auto& [format, blending, masked, keyed, at, alpha] : cases)
        for (int way = 0; way < 8; ++way) {
            const Image source = sample({9, 7}, PixelFormat::rgba8);
            Overlay options;
            options.source = Box{2, 1, 4, 3};
            options.orientation = {way % 2 == 1, way / 2 - 2};
            options.hot_spot = {1, 2};
            options.blending = blending;
            if (masked) options.mask = &mask;
            if (keyed) options.key = source.pixel({3, 2});
            Image image({12, 10}, format, {180, 90, 200, alpha});
            Image wanted = image;
            overlay(image.view().clipped({1, 1, 10, 8}), source, at, options);
            // Once more, a pixel at a time by the same blending of single boxes.
            Image part({4, 3}, PixelFormat::rgba8);
            for (int i = 0; i < 12; ++i) {
                const Point from{i % 4, i / 4};
                Colour colour = source.pixel({from.x + 2, from.y + 1});
                const bool out = (masked && !mask.at(from)) || (options.key && colour == *options.key);
                part.set_pixel(from, out ? Colour(0, 0, 0, 0) : colour);
            }
            const Image turned = laid(part, options.orientation);
            for (int y = 0; y < turned.height(); ++y)
                for (int x = 0; x < turned.width(); ++x)
                    if (turned.pixel({x, y}).alpha > 0)
                        draw(wanted.view().clipped({1, 1, 10, 8}), Box{at.x - 1 + x, at.y - 2 + y, 1, 1},
                             Fill{turned.pixel({x, y}), {}, {}, options.blending});
            expect_same(image, wanted, std::to_string(way));
        }
}

TEST(Overlay, CopiesWithinOneBufferAsFromACopy) {
    for (const PixelFormat format : {PixelFormat::rgb8, PixelFormat::rgba16})
        for (const Point at : {Point{0, 0}, Point{1, 1}, Point{3, 0}, Point{-2, 1}, Point{2, -1}}) {
            Image image = sample({9, 7}, format);
            Image wanted = image;
            const Image before = image;
            Overlay options;
            options.blending.mode = BlendMode::copy;
            overlay(image, image, at, options);
            overlay(wanted, before, at, options);
            expect_same(image, wanted, "moved");
        }
}

TEST(Overlay, OfDeepImagesLosesNothing) {
    Image source({1, 1}, PixelFormat::rgba16);
    source.view().set_pixel({0, 0}, Colour16{1, 2, 3, 65535});
    Image target({1, 1}, PixelFormat::rgb16);
    overlay(target, source, {0, 0});
    EXPECT_EQ(target.view().pixel16({0, 0}), (Colour16{1, 2, 3, 65535}));
}

TEST(Overlay, WhatIsLeftOutKeepsItsEntryOfAPalette) {
    const Palette twice({{Colour(9, 9, 9), {}}, {Colour(9, 9, 9), {}}, {Colour(200, 0, 0), {}}});
    Image image({2, 1}, twice, Colour(9, 9, 9));
    for (std::byte& number : image.view().row(0)) number = std::byte{1}; // not the first of its colour
    const Bitmap mask(".#");
    Overlay options;
    options.mask = &mask;
    overlay(image, Image({2, 1}, PixelFormat::rgb8, Colour(200, 0, 0)), {0, 0}, options);
    EXPECT_EQ(image.view().row(0)[0], std::byte{1});
    EXPECT_EQ(image.view().row(0)[1], std::byte{2});
}

TEST(Overlay, BitmapsHaveTwoPaints) {
    const Bitmap marker(".#.\n###");
    Image image({8, 8}, PixelFormat::rgb8, colour("navy"));
    overlay(image, marker, {4, 4},
            {.foreground = colour("gold"), .blending = {BlendMode::copy}, .hot_spot = {1, 1}});
    overlay(image, marker, {8, 0},
            {.foreground = colour("red"),
             .background = colour("white"),
             .hot_spot = {},
             .orientation = {false, 1}});
    const std::string wanted[] = {"........", "........", "........", "....#...",
                                  "...###..", "........", "........", "........"};
    for (int y = 0; y < 8; ++y)
        for (int x = 0; x < 8; ++x)
            ASSERT_EQ(image.pixel({x, y}),
                      wanted[y][static_cast<std::size_t>(x)] == '#' ? colour("gold") : colour("navy"));
    overlay(image, marker, {0, 0},
            {.foreground = colour("red"),
             .background = colour("white"),
             .hot_spot = {},
             .orientation = {false, 1}});
    EXPECT_EQ(image.pixel({0, 0}), colour("red"));
    EXPECT_EQ(image.pixel({1, 0}), colour("white"));
    EXPECT_EQ(image.pixel({1, 1}), colour("red"));
}

TEST(Bitmap, BitsAreReadInAnyDirection) {
    Bitmap bitmap({70, 5});
    for (int i = 0; i < 350; ++i) bitmap.set({i % 70, i / 70}, i * i % 7 < 3);
    for (const auto& [first, step, count] :
         std::initializer_list<std::tuple<Point, Point, int>>{{{0, 0}, {1, 0}, 70},
                                                              {{69, 4}, {-1, 0}, 70},
                                                              {{66, 0}, {0, 1}, 5},
                                                              {{3, 4}, {0, -1}, 5},
                                                              {{9, 0}, {3, 1}, 4}}) {
        std::vector<std::uint8_t> bits(static_cast<std::size_t>(count));
        bitmap.read(first, step, bits);
        for (int i = 0; i < count; ++i)
            ASSERT_EQ(bits[static_cast<std::size_t>(i)] != 0,
                      bitmap.at({first.x + i * step.x, first.y + i * step.y}));
    }
    std::vector<std::uint8_t> bits(3);
    expect_errors<ArgumentError>({
        {[&] {
             bitmap.read({70, 0}, {-1, 0}, bits);
         },
         "bitmap x 70 is outside 0..69"},
        {[&] {
             bitmap.read({0, 3}, {0, 1}, bits);
         },
         "last bitmap y 5 is outside 0..4"},
    });
}

TEST(Bitmap, IsReadFromPackedBitsAndDrawings) {
    const std::uint8_t packed[] = {0b10100000, 0b01000000, 0, 0b11111111, 0b11000000};
    const Bitmap bitmap({10, 2}, packed, 3);
    EXPECT_EQ(bitmap, Bitmap("#.#......#\n##########\n"));
    expect_errors<ArgumentError>({
        {[&] {
             (void)Bitmap({10, 2}, packed, 1);
         },
         "a bitmap's row of 1 bytes is shorter than 10 pixels, 2 bytes"},
        {[&] {
             (void)Bitmap({10, 3}, packed, 3);
         },
         "5 bytes are fewer than a bitmap's 3 rows of 3 bytes"},
        {[&] {
             (void)Bitmap({2147483647, 2147483647}, packed, 268435456); // told before it is allocated
         },
         "5 bytes are fewer than a bitmap's 2147483647 rows of 268435456 bytes"},
        {[] { (void)Bitmap("##\n#\x1b"); }, "\"\\x1b\" in line 2 of a bitmap is neither # nor ."},
        {[] { (void)Bitmap("##\n#"); }, "line 2 of a bitmap has 1 pixels, the first one 2"},
        {[] { (void)Bitmap("##\n#x"); }, "\"x\" in line 2 of a bitmap is neither # nor ."},
        {[] { (void)Bitmap(""); }, "a bitmap's drawing has no pixels"},
        {[&] {
             (void)bitmap.at({10, 0});
         },
         "bitmap x 10 is outside 0..9"},
        {[] {
             (void)Bitmap(Size{0, 1});
         },
         "image width 0 is outside 1..2147483647"},
    });
}

TEST(Overlay, WhatDoesNotFitIsRefusedAndNothingIsPainted) {
    Image image({4, 4}, PixelFormat::gray32f, colour("gray"));
    const Image before = image;
    const Image source = sample({3, 3}, PixelFormat::rgb8);
    const Bitmap mask(Size{2, 3});
    Overlay wrong_mask;
    wrong_mask.mask = &mask;
    Overlay outside;
    outside.source = Box{1, 1, 3, 1};
    Overlay bits;
    bits.blending.mode = BlendMode::bits_xor;
    expect_errors<ArgumentError>({
        {[&] {
             overlay(image, source, {0, 0}, wrong_mask);
         },
         "a mask of 2 x 3 does not fit an image of 3 x 3"},
        {[&] {
             overlay(image, source, {0, 0}, outside);
         },
         "the crop at (1, 1) of 3 x 1 pixels is empty or not inside an image of 3 x 3"},
        {[&] {
             overlay(image, source, {0, 0}, bits);
         },
         "a blend mode for bits cannot paint the floats of gray32f"},
    });
    expect_same(image, before, "refused");
}

} // namespace coldbrick::test
