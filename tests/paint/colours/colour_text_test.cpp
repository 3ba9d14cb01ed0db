// Colours from numbers and text.

#include "support/errors.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/pixel_format.hpp>

#include <gtest/gtest.h>

#include <algorithm>

namespace coldbrick::test {

static_assert(Colour(1, 2, 3) == Colour(1, 2, 3, 255) && Colour() == Colour(0, 0, 0));

TEST(Colour, IsReadFromDigitsAndNames) {
    const std::pair<const char*, Colour> expected[] = {
        {"#0b1d2e", {11, 29, 46}},
        {"#F0a", {255, 0, 170}},
        {"#12345678", {18, 52, 86, 120}},
        {"#123c", {17, 34, 51, 204}},
        {"gold", {255, 215, 0}},
        {"RebeccaPurple", {102, 51, 153}},
        {"aliceblue", {240, 248, 255}},
        {"teal", {0, 128, 128}},
        {"yellowgreen", {154, 205, 50}},
        {"transparent", {0, 0, 0, 0}},
        {"grey", {128, 128, 128}},
        {"green", {0, 128, 0}},
        {"darkslategrey", {47, 79, 79}},
        {"tomato", {255, 99, 71}},
        {"LIGHTGOLDENRODYELLOW", {250, 250, 210}},
        {"rgb(1, 2, 3)", {1, 2, 3}},
        {"RGBA(100%,50%, 0% , 0.5)", {255, 128, 0, 128}},
        {"rgb(9 8 7 / 20%)", {9, 8, 7, 51}},
        {"hsl(0, 100%, 50%)", {255, 0, 0}},
        {"hsla(120deg, 50%, 40%, 1)", {51, 153, 51}},
        {"hsl(-120, 100%, 25%)", {0, 0, 128}},
    };
    for (const auto& [text, value] : expected) {
        EXPECT_EQ(colour(text), value) << text;
        EXPECT_EQ(colour(hex(value)), value) << hex(value);
    }
    EXPECT_EQ(hex({1, 2, 3}), "#010203");
    EXPECT_EQ(hex({1, 2, 3, 4}), "#01020304");
    EXPECT_FALSE(css_colour("goldd"));
    EXPECT_FALSE(css_colour(""));
    const auto names = css_colour_names();
    EXPECT_EQ(names.size(), 149U);
    EXPECT_TRUE(std::ranges::is_sorted(names));
    EXPECT_TRUE(
        std::ranges::all_of(names, [](std::string_view name) { return css_colour(name).has_value(); }));
}

TEST(Colour, RefusesWhatIsNone) {
    int channel = 256; // a variable, so that the compiler cannot refuse it first
    expect_errors<ArgumentError>({
        {[&] { (void)Colour(channel, 0, 0); }, "colour channel red 256 is outside 0..255"},
        {[&] { (void)Colour(0, channel + 1744, 0); }, "colour channel green 2000 is outside 0..255"},
        {[&] { (void)Colour(0, 0, channel - 257); }, "colour channel blue -1 is outside 0..255"},
        {[&] { (void)Colour(0, 0, 0, channel); }, "colour channel alpha 256 is outside 0..255"},
    });
    expect_errors<ArgumentError>({
        {[] { (void)colour("rgb(1, 256, 3)"); }, "colour channel green 256 is outside 0..255"},
        {[] { (void)colour("rgb(1, 2, 3, 2)"); }, "colour channel alpha 2 is outside 0..1"},
        {[] { (void)colour("hsl(1, 101%, 3%)"); }, "colour channel saturation 101% is outside 0..100%"},
    });
    for (const char* text :
         {"#", "#12", "#12345", "#1234567", "#123456789", "#12g", "#-1-1-1", "gold ", "", "0b1d2e",
          "rgb(1, 2)", "rgb(1, 2, 3, 4, 5)", "rgb(1 2 3", "hsl()", "rgb(1, 2, 3) "})
        expect_errors<ArgumentError>(
            {{[&] { (void)colour(text); },
              "\"" + std::string(text) +
                  "\" is not a colour: write # and 3, 4, 6 or 8 hexadecimal digits, rgb(...), hsl(...) or a "
                  "CSS colour name"}});
}

} // namespace coldbrick::test
