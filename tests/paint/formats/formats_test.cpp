// Every pixel format: its bytes, and the way from each to each.

#include "support/errors.hpp"
#include "support/formats.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/convert.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>

#include <gtest/gtest.h>

#include <cmath>
#include <cstring>
#include <limits>

namespace coldbrick::test {

namespace {

/// A real number of 0..1 in steps of `most`, halves up.
long double rounded(long double value, int most) {
    return std::floor(value * most + 0.5L + 1e-9L) / most;
}

/// What a format makes of a colour, in real numbers, from what its name says of it.
RealColour stored(PixelFormat format, const RealColour& colour) {
    const std::string name(layout(format).name);
    const bool floats = name.back() == 'f';
    const int most = name.ends_with("16") ? 65535 : 255;
    const auto keep = [&](long double value, int steps) {
        return floats ? static_cast<double>(static_cast<float>(value))
                      : static_cast<double>(rounded(value, steps));
    };
    const double alpha =
        name.find('a', 1) != std::string::npos && name != "gray8" && name != "gray16" && name != "gray32f"
            ? keep(colour.alpha, most)
        : name.front() == 'a' ? keep(colour.alpha, most)
                              : 1;
    if (name.starts_with("gray")) {
        const double gray = keep(0.2126L * colour.red + 0.7152L * colour.green + 0.0722L * colour.blue, most);
        return {gray, gray, gray, alpha};
    }
    if (name == "rgb565") return {keep(colour.red, 31), keep(colour.green, 63), keep(colour.blue, 31), 1};
    return {keep(colour.red, most), keep(colour.green, most), keep(colour.blue, most), alpha};
}

void expect_near(const RealColour& read, const RealColour& wanted, const std::string& what) {
    EXPECT_NEAR(read.red, wanted.red, 1e-7) << what;
    EXPECT_NEAR(read.green, wanted.green, 1e-7) << what;
    EXPECT_NEAR(read.blue, wanted.blue, 1e-7) << what;
    EXPECT_NEAR(read.alpha, wanted.alpha, 1e-7) << what;
}

} // namespace

TEST(Formats, LieInMemoryAsTheirNamesSay) {
    const struct {
        PixelFormat format;
        std::vector<int> bytes;
    } rows[] = {
        {PixelFormat::gray8, {0x35}},
        {PixelFormat::gray16, {0x4A, 0x35}}, // 53.083 of 255
        {PixelFormat::graya8, {0x35, 0x44}},
        {PixelFormat::rgb8, {0x11, 0x3E, 0x47}},
        {PixelFormat::bgr8, {0x47, 0x3E, 0x11}},
        {PixelFormat::rgba8, {0x11, 0x3E, 0x47, 0x44}},
        {PixelFormat::bgra8, {0x47, 0x3E, 0x11, 0x44}},
        {PixelFormat::argb8, {0x44, 0x11, 0x3E, 0x47}},
        {PixelFormat::abgr8, {0x44, 0x47, 0x3E, 0x11}},
        {PixelFormat::rgb16, {0x11, 0x11, 0x3E, 0x3E, 0x47, 0x47}},
        {PixelFormat::rgba16, {0x11, 0x11, 0x3E, 0x3E, 0x47, 0x47, 0x44, 0x44}},
        {PixelFormat::rgb565, {0xE9, 0x11}}, // 2, 15 and 9 of 31, 63 and 31
    };
    for (const auto& [format, bytes] : rows) {
        Image image({1, 1}, format);
        image.set_pixel({0, 0}, Colour(0x11, 0x3E, 0x47, 0x44));
        const auto row = image.view().row(0);
        ASSERT_EQ(row.size(), bytes.size()) << layout(format).name;
        for (std::size_t i = 0; i < bytes.size(); ++i)
            EXPECT_EQ(std::to_integer<int>(row[i]), bytes[i]) << layout(format).name << " byte " << i;
    }
}

TEST(Formats, KeepColoursOfEveryDepthRoundedOnce) {
    for (const PixelFormat format : all_formats) {
        if (format == PixelFormat::indexed8) continue;
        Image image({1, 1}, format);
        for (int i = 0; i <= 1000; ++i) {
            const RealColour colour{i / 1000.0, std::fmod(i * 0.37, 1.0), 1 - i / 1000.0,
                                    std::fmod(i * 0.71, 1.0)};
            image.view().set_pixel({0, 0}, colour);
            expect_near(image.view().real_pixel({0, 0}), stored(format, colour),
                        std::string(layout(format).name) + " " + std::to_string(i));
        }
    }
}

TEST(Formats, ConvertEachToEach) {
    for (const PixelFormat from : all_formats)
        for (const PixelFormat to : all_formats) {
            Image source({65, 3}, from);
            for (int i = 0; i < 195; ++i)
                source.set_pixel({i % 65, i / 65}, Colour(i, 255 - i, 7 * i % 256, 255 - i / 2));
            const Image result = converted(source, to);
            ASSERT_EQ(result.format(), to);
            for (int i = 0; i < 195; ++i) {
                const Point at{i % 65, i / 65};
                const RealColour colour = source.view().real_pixel(at);
                const std::string what =
                    std::string(layout(from).name) + " to " + std::string(layout(to).name);
                if (to == PixelFormat::indexed8)
                    ASSERT_EQ(result.pixel(at),
                              default_palette().at(default_palette().nearest(source.pixel(at))))
                        << what;
                else
                    expect_near(result.view().real_pixel(at), stored(to, colour), what);
            }
        }
}

TEST(Formats, LinearGrayIsTheLuminanceMadeSrgbAgain) {
    Image image({1, 1}, PixelFormat::rgb8);
    const std::pair<Colour, int> rows[] = {{{255, 0, 0}, 127},
                                           {{0, 255, 0}, 220},
                                           {{0, 0, 255}, 76},
                                           {{255, 255, 255}, 255},
                                           {{90, 90, 90}, 90}};
    for (const auto& [colour, gray] : rows) {
        image.set_pixel({0, 0}, colour);
        EXPECT_EQ(converted(image, PixelFormat::gray8, GrayRule::linear).pixel({0, 0}).red, gray)
            << hex(colour);
    }
}

TEST(Formats, EveryOneIsDrawnInto) {
    for (const PixelFormat format : all_formats) {
        const Palette palette({{{200, 100, 50}}, {{10, 20, 30}}, {{0, 0, 0}}});
        Image image = format == PixelFormat::indexed8 ? Image({40, 30}, palette, {200, 100, 50})
                                                      : Image({40, 30}, format, {200, 100, 50});
        const RealColour ground = image.view().real_pixel({0, 0});
        draw(image, Box{3, 4, 20, 7}, Fill{Colour(10, 20, 30)});
        draw(image, Circle{{30, 15}, 6}, Stroke{Colour(10, 20, 30)});
        draw(image, Line{{0, 29}, {39, 20}}, Stroke{Colour(10, 20, 30)});
        Image one = image;
        one.set_pixel({0, 0}, Colour(10, 20, 30));
        const RealColour painted = one.view().real_pixel({0, 0});
        for (const Point at : {Point{3, 4}, Point{22, 10}, Point{36, 15}, Point{0, 29}, Point{39, 20}})
            EXPECT_EQ(image.view().real_pixel(at), painted) << layout(format).name << ' ' << at.x;
        for (const Point at : {Point{2, 4}, Point{23, 10}, Point{30, 15}, Point{0, 28}})
            EXPECT_EQ(image.view().real_pixel(at), ground) << layout(format).name << ' ' << at.x;
    }
}

TEST(Formats, FloatsOutsideTheirRangeAreCutAndNoNumbersAreNone) {
    const float memory[] = {-3, 7, std::numeric_limits<float>::quiet_NaN(), 0.5F};
    const ConstImageView view(memory, {1, 1}, PixelFormat::rgba32f);
    EXPECT_EQ(view.real_pixel({0, 0}), (RealColour{0, 1, 0, 0.5}));
}

TEST(Formats, WhatDoesNotFitIsRefused) {
    Image rgb({2, 2}, PixelFormat::rgb8);
    Image packed({2, 2}, PixelFormat::rgb565);
    const Palette palette({{{1, 2, 3}}});
    const std::uint8_t numbers[] = {0, 1};
    const ConstImageView indexed(numbers, {2, 1}, PixelFormat::indexed8, 2, &palette);
    std::byte bytes[16]{};
    expect_errors<ArgumentError>({
        {[&] {
             (void)indexed.pixel({1, 0});
         },
         "palette entry 1 is outside 0..0"},
        {[&] { (void)converted(indexed, PixelFormat::rgb8); }, "palette entry 1 is outside 0..0"},
        {[&] { (void)converted(rgb, PixelFormat::bgr8, GrayRule::encoded, &palette); },
         "the format bgr8 has no palette"},
        {[&] {
             (void)ImageView(bytes, {1, 1}, PixelFormat::rgb8, 3, &palette);
         },
         "the format rgb8 has no palette"},
        {[&] { (void)rgb.view().channel(Channel::alpha); }, "the format rgb8 has no channel alpha"},
        {[&] { (void)packed.view().channel(Channel::red); }, "the channels of rgb565 share bytes"},
        {[&] {
             rgb.view().set_pixel({0, 0}, RealColour{0, 1.5, 0, 1});
         },
         "colour channel green 1.5 is outside 0..1"},
        {[&] {
             (void)colour(RealColour{0, 0, std::nan(""), 1});
         },
         "colour channel blue nan is outside 0..1"},
        {[&] {
             (void)rgb.view().cropped({1, 1, 2, 1});
         },
         "the crop at (1, 1) of 2 x 1 pixels is empty or not inside an image of 2 x 2"},
        {[&] {
             Image({100, 100}, PixelFormat::rgba16, {}, 79999);
         },
         "an image of 100 x 100 rgba16 pixels takes 80000 bytes, more than the limit of 79999"},
    });
}

TEST(PixelFormat, NamesTellTheOrderOfTheBytes) {
    for (const PixelFormat format :
         {PixelFormat::rgb8, PixelFormat::bgr8, PixelFormat::rgba8, PixelFormat::bgra8}) {
        const PixelLayout& row = layout(format);
        const std::string_view order = row.name.substr(0, row.name.size() - 1);
        EXPECT_EQ(static_cast<std::size_t>(row.bytes), order.size()) << row.name;
        EXPECT_EQ(static_cast<std::size_t>(row.red), order.find('r')) << row.name;
        EXPECT_EQ(static_cast<std::size_t>(row.green), order.find('g')) << row.name;
        EXPECT_EQ(static_cast<std::size_t>(row.blue), order.find('b')) << row.name;
        EXPECT_EQ(row.has_alpha(), order.find('a') != std::string_view::npos) << row.name;
        EXPECT_FALSE(row.is_gray());
    }
    EXPECT_TRUE(layout(PixelFormat::gray8).is_gray());
}

} // namespace coldbrick::test
