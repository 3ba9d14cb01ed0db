// Images in the characters of a terminal, read back character by character.

#include <coldbrick/colour_text.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/terminal_text.hpp>

#include <gtest/gtest.h>

#include <algorithm>

#include <string>

namespace coldbrick::test {

namespace {

Image two_by_three() {
    Image image({2, 3}, PixelFormat::rgba8, colour("#ff0000"));
    image.set_pixel({1, 0}, colour("#0000ff"));
    image.set_pixel({0, 1}, colour("#808080"));
    image.set_pixel({1, 2}, Colour(0, 0, 0, 0));
    return image;
}

} // namespace

TEST(TerminalText, ShowsTwoPixelsACharacter) {
    const std::string block = "\u2580";
    const struct {
        TerminalColours colours;
        std::string wanted;
    } rows[] = {
        {TerminalColours::all, "\x1b[38;2;255;0;0;48;2;128;128;128m" + block +
                                   "\x1b[38;2;0;0;255;48;2;255;0;0m" + block +
                                   "\x1b[0m\n\x1b[38;2;255;0;0;48;2;255;255;255m" + block +
                                   "\x1b[38;2;255;255;255m" + block + "\x1b[0m\n"},
        {TerminalColours::many, "\x1b[38;5;196;48;5;244m" + block + "\x1b[38;5;21;48;5;196m" + block +
                                    "\x1b[0m\n\x1b[38;5;196;48;5;231m" + block + "\x1b[38;5;231m" + block +
                                    "\x1b[0m\n"},
        {TerminalColours::sixteen, "\x1b[91;100m" + block + "\x1b[34;101m" + block + "\x1b[0m\n\x1b[91;107m" +
                                       block + "\x1b[97m" + block + "\x1b[0m\n"},
        {TerminalColours::none, "\u2592\u2592\n\u2593\u2588\n"},
    };
    for (const auto& row : rows)
        EXPECT_EQ(terminal_text(two_by_three(), row.colours, colour("white")), row.wanted);
}

TEST(TerminalText, SaysColoursOnlyWhereTheyChange) {
    const Image plain({40, 2}, PixelFormat::gray8, colour("#777777"));
    const std::string text = terminal_text(plain, TerminalColours::all);
    EXPECT_EQ(std::count(text.begin(), text.end(), '\x1b'), 2);
    EXPECT_EQ(terminal_swatch(colour("navy"), TerminalColours::all), "\x1b[48;2;0;0;128m  \x1b[0m");
    EXPECT_EQ(terminal_swatch(colour("navy"), TerminalColours::none), "");
}

} // namespace coldbrick::test
