// Colours by hue, mixtures, contrast, random colours and palettes.

#include "support/errors.hpp"

#include <coldbrick/colour_mixing.hpp>
#include <coldbrick/colour_space.hpp>
#include <coldbrick/colour_text.hpp>
#include <coldbrick/palette.hpp>

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

TEST(Palette, IsReadAndWrittenAsText) {
    const Palette palette =
        read_palette("// the quay\n#0b1d2e night\n\n  rgb(1, 2, 3)\tsea-2 // by day\ngold\n");
    ASSERT_EQ(palette.size(), 3U);
    EXPECT_EQ(palette.at(1), Colour(1, 2, 3));
    EXPECT_EQ(palette.find("sea-2"), Colour(1, 2, 3));
    EXPECT_EQ(palette.find("gold"), std::nullopt);
    EXPECT_EQ(palette.find(""), std::nullopt);
    EXPECT_EQ(palette_text(palette), "#0b1d2e night\n#010203 sea-2\n#ffd700\n");
    EXPECT_EQ(read_palette(palette_text(palette)), palette);
    EXPECT_EQ(read_palette(palette_text(default_palette())), default_palette());
    EXPECT_EQ(default_palette().size(), 16U);
}

TEST(Palette, FindsTheNearestEntry) {
    const Palette palette({{{0, 0, 0}}, {{10, 0, 0}}, {{0, 0, 0}}, {{0, 0, 0, 0}}});
    EXPECT_EQ(palette.nearest({5, 0, 0}), 0U); // as far from both: the first
    EXPECT_EQ(palette.nearest({6, 0, 0}), 1U);
    EXPECT_EQ(palette.nearest({0, 0, 0, 100}), 3U);
    for (std::size_t i = 0; i < default_palette().size(); ++i)
        EXPECT_EQ(default_palette().nearest(default_palette().at(i)), i);
}

TEST(Palette, RefusesWhatIsNone) {
    const Palette one({{{1, 2, 3}, "one"}});
    expect_errors<ArgumentError>({
        {[] { (void)Palette(std::vector<Palette::Entry>()); },
         "a palette's number of entries 0 is outside 1..256"},
        {[] {
             std::string text; // is not gone through again for each of its lines
             for (int i = 0; i < 300000; ++i) text += "#123\r";
             (void)read_palette(text);
         },
         "palette line 257: a palette has at most 256 entries"},
        {[] { (void)Palette(std::vector<Palette::Entry>(257)); },
         "a palette's number of entries 257 is outside 1..256"},
        {[] {
             (void)Palette(std::vector<Palette::Entry>{{{}, "a"}, {{}, "a"}});
         },
         "two entries of the palette have the name \"a\""},
        {[] {
             (void)Palette(std::vector<Palette::Entry>{{{}, "a b"}});
         },
         "\"a b\" is no name: write letters, digits, - and _"},
        {[&] { (void)one.at(1); }, "palette entry 1 is outside 0..0"},
        {[] { (void)read_palette("red\nredd\n"); },
         "palette line 2: \"redd\" is not a colour: write # and 3, 4, 6 or 8 hexadecimal digits, rgb(...), "
         "hsl(...) or a CSS colour name"},
        {[] { (void)read_palette("\n#123 a b"); },
         "palette line 2: \"a b\" is no name: write letters, digits, - and _"},
        {[] {
             (void)colour(Hsl{degrees(1), 1.1, 0});
         },
         "saturation 1.1 is outside 0..1"},
        {[] {
             (void)colour(Hsv{degrees(1), 1, std::nan("")});
         },
         "value nan is outside 0..1"},
        {[] { (void)mix({}, {}, -0.1); }, "share -0.1 is outside 0..1"},
        {[] { (void)distinct_colours(0); }, "number of colours 0 is outside 1..256"},
    });
}

} // namespace coldbrick::test
