// Lines: where they break, and which way they run.

#include "support/texts.hpp"
#include "text/layout/paragraph.hpp"
#include "text/layout/utf8.hpp"

#include <coldbrick/text.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace coldbrick::text {

namespace {

/// The characters of a paragraph in the order in which they are seen.
std::u32string seen(std::u32string characters, Direction direction) {
    const FaceList faces(TextStyle{});
    const Paragraph paragraph(std::move(characters), direction, faces);
    std::u32string result;
    for (const SetGlyph& glyph : paragraph.set(0, paragraph.characters().size(), {.size = 20}))
        result.push_back(paragraph.characters()[glyph.character]);
    return result;
}

} // namespace

TEST(Utf8, DecodesWhatIsTextAndReplacesTheRest) {
    struct {
        std::string_view bytes;
        std::u32string_view characters;
        std::size_t replaced;
    } const table[] = {
        {"quay", U"quay", 0},
        {"\xC3\x85\xE2\x82\xAC\xF0\x9F\x9A\xA2", U"\u00C5\u20AC\U0001F6A2", 0},
        {"a\xFFz", U"a\uFFFDz", 1},
        {"\xC0\x80", U"\uFFFD\uFFFD", 2},                     // an overlong zero
        {"\xED\xA0\x80", U"\uFFFD\uFFFD\uFFFD", 3},           // half of a pair
        {"\xF4\x90\x80\x80", U"\uFFFD\uFFFD\uFFFD\uFFFD", 4}, // beyond the last character
        {"\xE2\x82", U"\uFFFD", 1},                           // one that breaks off
        {"\xF0\x9F\x9A x", U"\uFFFD x", 1},
        {"\xE2\x82\xE2\x82\xAC", U"\uFFFD\u20AC", 1},
    };
    for (const auto& row : table) {
        const Decoded decoded = decode_utf8(row.bytes);
        EXPECT_EQ(decoded.characters, row.characters);
        EXPECT_EQ(decoded.replaced, row.replaced);
    }
}

RC_GTEST_PROP(Utf8, EveryCharacterComesBack, ()) {
    const auto character = static_cast<char32_t>(*rc::gen::inRange(0, 0x110000));
    RC_PRE(character < 0xD800 || character > 0xDFFF);
    const Decoded decoded = decode_utf8(encode_utf8(character));
    RC_ASSERT(decoded.characters == std::u32string(1, character));
    RC_ASSERT(decoded.replaced == 0U);
}

TEST(Marks, AreComposedWithTheirLetters) {
    // Canonically equivalent texts are the same letters, in faces that cannot combine marks, too.
    for (const Face& face : {Face::stroke(), Face::bitmap()}) {
        const auto same = [&](std::string_view a, std::string_view b) {
            const TextStyle style{.face = face, .size = 18};
            EXPECT_EQ(region(Text(a, {0, 0}, style)), region(Text(b, {0, 0}, style))) << a;
            EXPECT_EQ(measure(a, style).missing, measure(b, style).missing) << a;
        };
        same("A\xCC\x8Arhus cafe\xCC\x81 n\xCC\x83 c\xCC\xA7 i\xCC\x88",
             "\xC3\x85rhus caf\xC3\xA9 \xC3\xB1 \xC3\xA7 \xC3\xAF");
        EXPECT_EQ(measure("x\xCC\x81", {.face = face}).missing, U"\u0301");
    }
}

TEST(Paragraph, RunsAsItsScriptsDo) {
    // Hebrew alef, bet, gimel: \u05D0 \u05D1 \u05D2
    struct {
        std::u32string_view characters;
        Direction direction;
        std::u32string_view seen;
    } const table[] = {
        {U"quay 7", Direction::by_text, U"quay 7"},
        {U"\u05D0\u05D1\u05D2", Direction::by_text, U"\u05D2\u05D1\u05D0"},
        {U"ab \u05D0\u05D1\u05D2 cd", Direction::by_text, U"ab \u05D2\u05D1\u05D0 cd"},
        {U"\u05D0\u05D1 12.5 \u05D2", Direction::by_text, U"\u05D2 12.5 \u05D1\u05D0"},
        {U"\u05D0 ab \u05D1", Direction::by_text, U"\u05D1 ab \u05D0"},
        {U"\u05D0 ab \u05D1", Direction::left_to_right, U"\u05D0 ab \u05D1"},
        {U"ab cd", Direction::right_to_left, U"ab cd"},
        {U"ab!", Direction::right_to_left, U"!ab"},
        {U"a(\u05D0\u05D1)z", Direction::by_text, U"a(\u05D1\u05D0)z"},
        {U"a\u00ADb\u200Bc", Direction::by_text, U"abc"},
    };
    for (const auto& row : table)
        EXPECT_EQ(seen(std::u32string(row.characters), row.direction), row.seen)
            << static_cast<int>(row.direction) << " " << row.characters.size();
}

RC_GTEST_PROP(Lines, BreakBeforeTheFirstWordThatHasNoRoom, ()) {
    // Slowly: a line takes words as long as it is measured to have room for them.
    const TextStyle plain{.face = *rc::gen::elementOf(test::some_faces()), .size = 15};
    const auto words = *rc::gen::nonEmpty(rc::gen::container<std::vector<std::string>>(
        rc::gen::element<std::string>("a", "quay", "soundings", "of", "tide", "harbour")));
    TextStyle style = plain;
    style.width = *rc::gen::inRange(110, 300); // more than any word
    std::string text;
    std::int32_t lines = 1;
    std::string line;
    double widest = 0;
    for (const std::string& word : words) {
        text += (text.empty() ? "" : " ") + word;
        const std::string longer = line.empty() ? word : line + " " + word;
        if (measure(longer, plain).advance > *style.width + 1e-6) {
            ++lines;
            line = word;
        } else {
            line = longer;
        }
        widest = std::max(widest, measure(line, plain).advance);
    }
    const TextMeasure measured = measure(text, style);
    RC_ASSERT(measured.line_count == lines);
    RC_ASSERT(std::abs(measured.advance - widest) < 1e-6);
    RC_ASSERT(!measured.cut);
}

TEST(Lines, AreBrokenCutAndFitted) {
    const auto with = [](double width, std::int32_t most_lines) {
        return TextStyle{.size = 18, .width = width, .most_lines = most_lines};
    };
    struct {
        std::string_view text;
        TextStyle style;
        std::int32_t lines;
        bool cut;
    } const table[] = {
        {"one two three", with(1000, 9), 1, false},
        {"one two three", with(60, 9), 3, false},
        {"one two three", with(60, 2), 2, true},
        {"one two three", with(60, 1), 1, true},
        {"one\ntwo\nthree", with(1000, 2), 2, true},
        {"lighthouse", with(30, 9), 5, false},                           // within a word that is too long
        {"iii", with(1, 9), 3, false},                                   // a letter at least
        {"well-known", with(60, 9), 2, false},                           // behind a hyphen
        {"\xE6\xBC\xA2\xE5\xAD\x97\xE6\xBC\xA2", with(20, 9), 3, false}, // between ideographs
        {"a\xC2\xA0"
         "b c",
         with(30, 9), 2, false}, // not at a space that holds
        // What has no width before what goes with the letter before it.
        {"\u200B\u2069"
         "a",
         with(1, 2), 2, true},
        {"\u00AD\u2069"
         "a",
         with(1, 2), 2, true},
        {"\u200B\uFEFF"
         "a",
         with(1, 2), 2, true},
        {"\u200B\u200D"
         "a",
         with(1, 2), 2, true},
    };
    for (const auto& row : table) {
        const TextMeasure measured = measure(row.text, row.style);
        EXPECT_EQ(measured.line_count, row.lines) << row.text << " in " << *row.style.width;
        EXPECT_EQ(measured.cut, row.cut) << row.text;
        EXPECT_TRUE(*row.style.width <= 20 || measured.advance <= *row.style.width) << row.text;
    }
}

RC_GTEST_PROP(Lines, FitTheirBoxAtTheLargestSizeThatDoes, ()) {
    TextStyle style{.face = *rc::gen::elementOf(test::some_faces()), .size = 40};
    const std::string text = "The harbour office keeps a tide table.";
    style.fit = Size{*rc::gen::inRange(1, 500), *rc::gen::inRange(1, 200)};
    const TextMeasure measured = measure(text, style);
    RC_ASSERT(measured.size <= 40);
    RC_ASSERT(measured.size >= style.smallest_size);
    RC_ASSERT(!measured.cut || measured.size == style.smallest_size);
    if (measured.size == style.smallest_size) return; // it is made no smaller
    RC_ASSERT(measured.advance <= style.fit->width);
    RC_ASSERT(measured.lines.height <= style.fit->height);
    // An eighth more does not fit, unless it wraps otherwise.
    TextStyle larger = style;
    larger.size = measured.size + 0.125;
    larger.smallest_size = larger.size;
    larger.fit = std::nullopt;
    larger.width = style.fit->width;
    if (measured.size >= 40) return;
    const TextMeasure beyond = measure(text, larger);
    RC_ASSERT(beyond.lines.height > style.fit->height || beyond.advance > style.fit->width ||
              std::fmod(measured.size, 0.125) != 0);
}

/// Letters that stand closer to each other than they are wide may be broken apart.
RC_GTEST_PROP(Lines, AreNoWiderThanTheirRoom, ()) {
    TextStyle style{.face = *rc::gen::elementOf(test::some_faces()),
                    .size = *rc::gen::inRange(60, 300) / 10.0};
    style.width = style.size * *rc::gen::inRange(150, 500) / 100;
    const auto text =
        *rc::gen::container<std::string>(rc::gen::element('A', 'V', 'T', 'o', '-', ' ', 'f', 'i'));
    const TextMeasure measured = measure(text, style);
    RC_ASSERT(measured.advance <= *style.width + 1e-6);
}

} // namespace coldbrick::text
