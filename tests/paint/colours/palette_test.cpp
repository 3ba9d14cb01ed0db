// Palettes as text and as lists.

#include "support/errors.hpp"

#include <coldbrick/palette.hpp>

#include <gtest/gtest.h>

namespace coldbrick::test {

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
