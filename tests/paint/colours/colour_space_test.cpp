// Colours by hue, mixtures, contrast and random colours.

#include "support/errors.hpp"

#include <coldbrick/colour_mixing.hpp>
#include <coldbrick/colour_space.hpp>
#include <coldbrick/colour_text.hpp>

#include <gtest/gtest.h>

#include <cmath>
#include <set>
#include <tuple>

namespace coldbrick::test {

TEST(ColourSpace, EveryColourComesBackFromItsHue) {
    for (int red = 0; red < 256; red += 3)
        for (int green = 0; green < 256; green += 5)
            for (int blue = 0; blue < 256; blue += 7) {
                const Colour original(red, green, blue, red);
                ASSERT_EQ(colour(hsl(original)), original) << hex(original);
                ASSERT_EQ(colour(hsv(original)), original) << hex(original);
            }
}

TEST(ColourSpace, HuesLieWhereTheirDefinitionPutsThem) {
    const struct {
        Colour colour;
        double hue, saturation, lightness, hsv_saturation, value;
    } rows[] = {
        {{255, 0, 0}, 0, 1, 0.5, 1, 1},
        {{0, 255, 0}, 120, 1, 0.5, 1, 1},
        {{0, 0, 255}, 240, 1, 0.5, 1, 1},
        {{255, 0, 255}, 300, 1, 0.5, 1, 1},
        {{255, 255, 255}, 0, 0, 1, 0, 1},
        {{0, 0, 0}, 0, 0, 0, 0, 0},
        {{51, 102, 51}, 120, 1 / 3.0, 0.3, 0.5, 0.4},
    };
    for (const auto& row : rows) {
        EXPECT_NEAR(hsl(row.colour).hue.in_degrees(), row.hue, 1e-9) << hex(row.colour);
        EXPECT_NEAR(hsl(row.colour).saturation, row.saturation, 1e-9) << hex(row.colour);
        EXPECT_NEAR(hsl(row.colour).lightness, row.lightness, 1e-9) << hex(row.colour);
        EXPECT_NEAR(hsv(row.colour).saturation, row.hsv_saturation, 1e-9) << hex(row.colour);
        EXPECT_NEAR(hsv(row.colour).value, row.value, 1e-9) << hex(row.colour);
    }
}

TEST(ColourSpace, MixesAndContrasts) {
    EXPECT_EQ(mix({0, 100, 255, 0}, {255, 101, 0, 255}), Colour(128, 101, 128, 128));
    EXPECT_EQ(mix({9, 9, 9}, {200, 0, 0}, 0), Colour(9, 9, 9));
    EXPECT_EQ(lighter({100, 0, 255, 7}, 0.5), Colour(178, 128, 255, 7));
    EXPECT_EQ(darker({100, 1, 255, 7}, 1), Colour(0, 0, 0, 7));
    EXPECT_NEAR(contrast({0, 0, 0}, {255, 255, 255}), 21, 1e-9);
    EXPECT_NEAR(contrast({255, 255, 255}, {119, 119, 119}), 4.48,
                0.005); // the well-known gray that just fails
    EXPECT_NEAR(luminance({255, 0, 0}), 0.2126, 1e-9);
}

TEST(ColourSpace, RandomColoursFollowTheirSeed) {
    // The first numbers of SplitMix64 from the seed 0 begin with E220A8 and 6E789E.
    RandomColours random(0);
    EXPECT_EQ(random.next(), Colour(0xE2, 0x20, 0xA8));
    EXPECT_EQ(random.next(), Colour(0x6E, 0x78, 0x9E));
    for (const std::size_t count : {1U, 2U, 7U, 12U, 256U}) {
        const auto colours = distinct_colours(count, 5);
        EXPECT_EQ(colours.size(), count);
        EXPECT_EQ(colours, distinct_colours(count, 5));
        std::set<std::tuple<int, int, int>> different;
        for (const Colour& one : colours) different.insert({one.red, one.green, one.blue});
        EXPECT_EQ(different.size(), count);
    }
}

} // namespace coldbrick::test
