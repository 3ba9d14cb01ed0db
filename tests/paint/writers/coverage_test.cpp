// Pixels that are covered in part, in every format and mode, and colours mixed in linear light.

#include "support/formats.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/path.hpp>

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <vector>

namespace coldbrick::test {

namespace {

constexpr std::int32_t columns = 90;

/// Covers the columns of one row from not at all to wholly.
Path ramp() {
    return Path().move_to({-0.5, 0.5}).line_to({columns - 0.5, 0.5}).line_to({columns - 0.5, -0.5}).close();
}

Fill smooth(const Paint& paint, const Blending& blending = {}) {
    return Fill{paint, FillRule::even_odd, FillExtent::tiling, blending, Edges::smooth};
}

std::vector<int> coverages() {
    Image image({columns, 1}, PixelFormat::gray8, Colour(0, 0, 0));
    draw(image, ramp(), smooth(Colour(255, 255, 255)));
    std::vector<int> result;
    for (std::int32_t x = 0; x < columns; ++x) result.push_back(image.pixel({x, 0}).red);
    return result;
}

Colour scaled(Colour colour, int coverage) {
    colour.alpha = static_cast<std::uint8_t>((2 * colour.alpha * coverage + 255) / 510);
    return colour;
}

bool erases(BlendMode mode) {
    const BlendMode modes[] = {BlendMode::copy,           BlendMode::clear,      BlendMode::source_in,
                               BlendMode::destination_in, BlendMode::source_out, BlendMode::destination_atop};
    return std::ranges::find(modes, mode) != std::end(modes);
}

/// A view's pixel painted crisp.
Image crisp(const Image& before, const Colour& colour, const Blending& blending) {
    Image image = before;
    draw(image, Box{0, 0, columns, 1}, Fill{colour, {}, {}, blending});
    return image;
}

} // namespace

TEST(Coverage, ScalesAlphaOrMixesInEveryFormatAndMode) {
    const std::vector<int> known = coverages();
    ASSERT_EQ(known.front(), 1);
    ASSERT_EQ(known.back(), 254);
    const Colour colour(210, 90, 33, 200);
    for (const PixelFormat format : all_formats) {
        const Palette palette({{Colour(0, 0, 0), ""},
                               {Colour(255, 255, 255), ""},
                               {Colour(200, 100, 40), ""},
                               {Colour(90, 60, 50), ""}});
        for (int number = 0; number <= static_cast<int>(BlendMode::bits_xor); ++number) {
            const Blending blending{static_cast<BlendMode>(number)};
            if (layout(format).kind == PixelLayout::Kind::floats && blending.mode >= BlendMode::bits_and)
                continue;
            const bool indexed = layout(format).kind == PixelLayout::Kind::index;
            Image before = indexed ? Image({columns, 1}, palette, Colour(90, 60, 50))
                                   : Image({columns, 1}, format, Colour(90, 60, 50, 170));
            Image image = before;
            draw(image, ramp(), smooth(colour, blending));
            const Image whole = crisp(before, colour, blending);
            for (std::int32_t x = 0; x < columns; x += 7) {
                const int coverage = known[static_cast<std::size_t>(x)];
                const RealColour got = image.view().real_pixel({x, 0});
                RealColour want = crisp(before, scaled(colour, coverage), blending).view().real_pixel({x, 0});
                double slack = layout(format).kind == PixelLayout::Kind::bytes || indexed ? 0 : 1.0 / 255;
                if (blending.mode >= BlendMode::invert)
                    want = (coverage >= 128 ? whole : before).view().real_pixel({x, 0});
                if (erases(blending.mode)) {
                    const RealColour a = before.view().real_pixel({x, 0});
                    const RealColour b = whole.view().real_pixel({x, 0});
                    const double share = coverage / 255.0;
                    const double alpha = a.alpha * (1 - share) + b.alpha * share;
                    const auto mix = [&](double under, double over) {
                        return (under * a.alpha * (1 - share) + over * b.alpha * share) / alpha;
                    };
                    want = {mix(a.red, b.red), mix(a.green, b.green), mix(a.blue, b.blue), alpha};
                    slack = indexed || layout(format).kind == PixelLayout::Kind::packed ? 1 : 3.0 / 255;
                    if (layout(format).alpha == PixelLayout::none)
                        continue; // what has no alpha left has a colour
                }
                EXPECT_NEAR(got.red, want.red, slack + 1e-9)
                    << layout(format).name << " mode " << number << " x " << x;
                EXPECT_NEAR(got.green, want.green, slack + 1e-9) << layout(format).name << " mode " << number;
                EXPECT_NEAR(got.blue, want.blue, slack + 1e-9) << layout(format).name << " mode " << number;
                EXPECT_NEAR(got.alpha, want.alpha, slack + 1e-9) << layout(format).name << " mode " << number;
            }
        }
    }
}

TEST(Coverage, PatternsAreBlendedPixelByPixel) {
    const std::vector<int> known = coverages();
    const Pattern pattern =
        LinearGradient{{0, 0}, {columns - 1, 0}, {{0, Colour(255, 0, 0)}, {1, Colour(0, 0, 255)}}};
    Image plain({columns, 1}, PixelFormat::rgb8, Colour(0, 80, 0));
    draw(plain, Box{0, 0, columns, 1}, Fill{pattern});
    Image image({columns, 1}, PixelFormat::rgb8, Colour(0, 80, 0));
    draw(image, ramp(), smooth(pattern));
    for (std::int32_t x = 0; x < columns; ++x) {
        const int c = known[static_cast<std::size_t>(x)];
        EXPECT_EQ(image.pixel({x, 0}).red, (2 * plain.pixel({x, 0}).red * c + 255) / 510);
        EXPECT_EQ(image.pixel({x, 0}).green, (2 * 80 * (255 - c) + 255) / 510);
    }
}

TEST(Coverage, LinearLightIsRoundedOnce) {
    const std::vector<int> known = coverages();
    const auto linear = [](double v) {
        return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
    };
    const auto encoded = [](double v) {
        return v <= 0.0031308 ? v * 12.92 : 1.055 * std::pow(v, 1 / 2.4) - 0.055;
    };
    const Blending light{BlendMode::source_over, 255, BlendSpace::linear};
    for (const int over : {0, 60, 200, 255})
        for (const int under : {0, 9, 130, 255}) {
            Image image({columns, 1}, PixelFormat::rgb8, Colour(under, under, under));
            draw(image, ramp(), smooth(Colour(over, over, over), light));
            for (std::int32_t x = 0; x < columns; ++x) {
                const double share = known[static_cast<std::size_t>(x)] / 255.0;
                const double mixed = linear(over / 255.0) * share + linear(under / 255.0) * (1 - share);
                EXPECT_EQ(image.pixel({x, 0}).red, static_cast<int>(255 * encoded(mixed) + 0.5 + 1e-9));
            }
        }
    // Half of white over black is much lighter than half of the numbers; what is opaque or nothing stays
    // exact.
    Image image({1, 1}, PixelFormat::rgba8, Colour(0, 0, 0));
    draw(image, Box{0, 0, 1, 1}, Fill{Colour(255, 255, 255, 128), {}, {}, light});
    EXPECT_EQ(image.pixel({0, 0}).red, 188);
    for (int value = 0; value < 256; ++value) {
        draw(image, Box{0, 0, 1, 1}, Fill{Colour(value, 7, 9), {}, {}, light});
        EXPECT_EQ(image.pixel({0, 0}), Colour(value, 7, 9));
        draw(image, Box{0, 0, 1, 1}, Fill{Colour(1, 2, 3, 0), {}, {}, light});
        EXPECT_EQ(image.pixel({0, 0}), Colour(value, 7, 9));
    }
}

} // namespace coldbrick::test
