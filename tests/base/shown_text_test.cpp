// Texts from outside as messages show them, and words that somebody may have meant.

#include "base/nearest_word.hpp"
#include "base/shown_text.hpp"

#include <gtest/gtest.h>

#include <array>

namespace coldbrick::base {

TEST(ShownText, SteersNoTerminalAndIsCut) {
    struct Row {
        std::string_view text;
        std::string_view shown;
    };
    using namespace std::string_view_literals;
    const Row rows[] = {
        {"quay", "quay"},
        {"\xC3\xA9 \xE2\x82\xAC \xF0\x9F\x9A\xA2",
         "\xC3\xA9 \xE2\x82\xAC \xF0\x9F\x9A\xA2"}, // of 2, 3, 4 bytes
        {"a\x1b[2J\r\n\0b"sv, "a\\x1b[2J\\x0d\\x0a\\x00b"},
        {"\x7f \xC2\x9B", "\\x7f \\xc2\\x9b"}, // DEL, and a control character of 2 bytes
        {"a\xE2\x80\xAE b\xD8\x9C \xE2\x81\xA6",
         "a\\xe2\\x80\\xae b\\xd8\\x9c \\xe2\\x81\\xa6"},        // of direction
        {"\xFF \xC3 \x80", "\\xff \\xc3 \\x80"},                 // not UTF-8
        {"\xC0\xAF \xE0\x80\xAF", "\\xc0\\xaf \\xe0\\x80\\xaf"}, // longer than it needs to be
        {"\xED\xA0\x80 \xF4\x90\x80\x80", "\\xed\\xa0\\x80 \\xf4\\x90\\x80\\x80"}, // no characters
    };
    for (const Row& row : rows) EXPECT_EQ(shown(row.text), row.shown);
    EXPECT_EQ(shown(std::string(100, 'a')), std::string(60, 'a') + "...");
    EXPECT_EQ(shown("abc", 3), "abc");
    EXPECT_EQ(in_quotes("a\tb"), "\"a\\x09b\"");
}

TEST(NearestWord, IsTheOneWithFewestChangesIfThatIsNear) {
    constexpr std::array<std::string_view, 4> words{"draw", "graph", "convert", "demo"};
    for (const auto& [word, meant] : {std::pair{"drow", "draw"},
                                      {"rdaw", "draw"},
                                      {"dra", "draw"},
                                      {"grpah", "graph"},
                                      {"covnert", "convert"},
                                      {"convertt", "convert"},
                                      {"sketch", ""},
                                      {"", ""},
                                      {"x", ""}})
        EXPECT_EQ(nearest_word(word, words), meant) << word;
    EXPECT_EQ(nearest_word(std::string(1000, 'a'), words), "");
    EXPECT_EQ(list_of(words), "draw, graph, convert, demo");
    const std::array<std::string_view, 12> many{"a", "b", "c", "d", "e", "f", "g", "h", "i", "j", "k", "l"};
    EXPECT_EQ(list_of(many), "a, b, c, d, e, f, g, h, i, j and 2 more");
}

} // namespace coldbrick::base
