// Lettering in sheets.

#include "support/errors.hpp"
#include "support/texts.hpp"

#include <coldbrick/coldbrick.hpp>

#include <gtest/gtest.h>

namespace coldbrick::test {

namespace {

Sheet read(const std::string& statements) {
    return read_sheet("sheet 120 x 60 on navy\n" + statements, "quay.brick");
}

void expect_same(const std::string& statements, const Image& expected) {
    EXPECT_EQ(difference(read(statements).render(PixelFormat::rgb8), expected).pixels, 0) << statements;
}

Image blank() {
    return {{120, 60}, PixelFormat::rgb8, colour("navy")};
}

} // namespace

TEST(SheetText, IsTheTextOfTheLibrary) {
    struct Row {
        std::string statement;
        std::string words;
        Point at;
        TextStyle style;
        TextPaint paint;
    };
    const Paint gold(colour("gold"));
    const Row rows[] = {
        {"text \"Quay 7\" at (4, 22) fill gold", "Quay 7", {4, 22}, {}, {gold}},
        {"text \"A \\\"B\\\"\\n\\\\C\" at (60, 30) size 14 anchor centre leading 1.5 fill gold",
         "A \"B\"\n\\C",
         {60, 30},
         {.size = 14, .anchor = {TextColumn::centre, TextRow::middle}, .line_spacing = 1.5},
         {gold}},
        {"text \"one two three\" at (119, 0) anchor top_right aligned left size 12 within 60 lines 2 fill "
         "gold crisp",
         "one two three",
         {119, 0},
         {.size = 12,
          .anchor = {TextColumn::right, TextRow::top},
          .alignment = TextColumn::left,
          .width = 60,
          .most_lines = 2,
          .edges = Edges::crisp},
         {gold}},
        {"text \"Hull\" at (10, 10) face \"bitmap\" size 9 anchor capitals_left spacing 2 fill gold opacity "
         "0.5 "
         "blend multiply",
         "Hull",
         {10, 10},
         {.face = Face::bitmap(),
          .size = 9,
          .anchor = {TextColumn::left, TextRow::cap_height},
          .letter_spacing = 2},
         {gold, {BlendMode::multiply, 128}}},
        {"text \"Hull\" at (10, 59) size 20 capitals thick 3 anchor bottom_left turned -30 fill gold stroke "
         "white "
         "2",
         "Hull",
         {10, 59},
         {.size = 20,
          .size_of = SizeOf::capitals,
          .anchor = {TextColumn::left, TextRow::bottom},
          .turn = degrees(-30),
          .stroke_width = 3},
         {gold, {}, TextOutline{colour("white"), 2}}},
        {"text \"Buoy\" at (30, 30) fit 50 x 20 size 40 fill gold stroke red plate teal padding 6 rounded 5 "
         "border along (0, 0) to (9, 9) red, white",
         "Buoy",
         {30, 30},
         {.size = 40, .fit = Size{50, 20}},
         {gold,
          {},
          TextOutline{colour("red")},
          TextPlate{colour("teal"), 6, 5,
                    Paint(LinearGradient{{0, 0}, {9, 9}, {{0, colour("red")}, {1, colour("white")}}})}}},
    };
    for (const Row& row : rows) {
        Image expected = blank();
        draw(expected, Text(row.words, row.at, row.style), row.paint);
        expect_same(row.statement, expected);
    }
}

TEST(SheetText, NumbersBecomeTexts) {
    const std::pair<std::string, std::string> rows[] = {
        {"digits(7.25, 1)", "7.2"}, // halves to even, as the C library has it
        {"digits(7.35, 2, 3)", "007.35"},
        {"digits(-0.4, 0)", "0"},
        {"digits(-3.14159, 2)", "\u22123.14"},
        {"digits(5, 0, 2)", "05"},
        {"signed(5, 1)", "+5.0"},
        {"signed(-5, 0, 3)", "\u2212005"},
        {"signed(0, 0)", "+0"},
        {"12 / 8", "1.5"},
        {"\"depth \" + 3 * 4 + \" m\"", "depth 12 m"},
        {"3 + \"rd\"", "3rd"},
        {"\"a\" + \"b\"", "ab"},
    };
    for (const auto& [expression, words] : rows) {
        Image expected = blank();
        draw(expected, Text(words, {2, 30}), colour("white"));
        expect_same("text " + expression + " at (2, 30) fill white", expected);
        expect_same("let t = " + expression + "\ntext t at (2, 30) fill white", expected);
    }
}

TEST(SheetText, FacesComeFromTheirLoader) {
    std::vector<std::string> asked;
    const auto give_face = [&](const WantedFace& wanted) {
        asked.push_back(wanted.name + " " + std::to_string(wanted.weight) +
                        (wanted.slanted ? " slanted" : ""));
        for (const FontAxis& axis : wanted.axes) asked.back() += " " + axis.tag + std::to_string(axis.value);
        if (wanted.name == "none") throw FileError("no such face");
        return load_face(sans_font);
    };
    const auto read_with = [&](const std::string& text) {
        return read_sheet("sheet 120 x 60 on navy\n" + text, "quay.brick", {.load_face = give_face});
    };
    const Sheet sheet =
        read_with("text \"Quay\" at (4, 40) face \"sans\" weight 700 slanted size 30 fill white\n"
                  "text \"Quay\" at (4, 20) face \"stroke\" size 10 fill white");
    Image expected = blank();
    draw(expected, Text("Quay", {4, 40}, {.face = test::some_faces()[2], .size = 30}), colour("white"));
    draw(expected, Text("Quay", {4, 20}, {.size = 10}), colour("white"));
    EXPECT_EQ(difference(sheet.render(PixelFormat::rgb8), expected).pixels, 0);
    EXPECT_EQ(asked, std::vector<std::string>{"sans 700 slanted"});
    asked.clear();
    const Sheet both = read_with("text \"7 \u05E9\" at (4, 40) face \"bitmap\", \"sans\" axis \"wght\" 300 "
                                 "axis \"slnt\" -2 size 27 fill white");
    EXPECT_EQ(asked, std::vector<std::string>{"sans 400 wght300.000000 slnt-2.000000"});
    expected = blank();
    draw(
        expected,
        Text("7 \u05E9", {4, 40}, {.face = Face::bitmap(), .fallbacks = {test::some_faces()[2]}, .size = 27}),
        colour("white"));
    EXPECT_EQ(difference(both.render(PixelFormat::rgb8), expected).pixels, 0);
    expect_errors<SheetError>({
        {[&] { (void)read_with("text \"a\" at (1, 1) fill red face \"none\""); },
         "quay.brick:2:34: no such face\ntext \"a\" at (1, 1) fill red face \"none\"\n                       "
         "          ^"},
        {[] { (void)read("text \"a\" at (1, 1) fill red face \"strokes\""); },
         "quay.brick:2:34: there is no built-in face \"strokes\"; there are stroke, bitmap; did you mean "
         "\"stroke\"?\n"
         "text \"a\" at (1, 1) fill red face \"strokes\"\n                                 ^"},
        {[] { (void)read("text \"a\" at (1, 1) fill red face \"bitmap\" weight 700"); },
         "quay.brick:2:34: the built-in faces have one weight, and are upright\n"
         "text \"a\" at (1, 1) fill red face \"bitmap\" weight 700\n                                 ^"},
    });
}

TEST(SheetText, FaultsAreToldWithTheirPlace) {
    struct Row {
        std::string statement;
        int column;
        std::string message;
    };
    const Row rows[] = {
        {"text \"a\" at (1, 1)", 19,
         "expected \"fill\" and the colour of the letters, found the end of the line"},
        {"text gold at (1, 1) fill red", 6, "expected a text, not a colour"},
        {"text \"a\" at (1, 1) fill red size 0", 34, "text size 0 is outside 1..32767"},
        {"text \"a\" at (1, 1) fill red size 1000000000", 34, "text size 1000000000 is outside 1..32767"},
        {"text \"a\" at (1, 1) fill red thick 0", 35, "text stroke width 0 is outside 0.1..32767"},
        {"text \"a\" at (1, 1) fill red lines 0", 35, "number of lines 0 is outside 1..2147483647"},
        {"text \"a\" at (1, 1) fill red within 0", 36, "text width 0 is outside 1..1000000000"},
        {"text \"a\" at (1, 1) fill red stroke red 0", 40, "outline width 0 is outside 0.1..32767"},
        {"text \"a\" at (1, 1) fill red plate red padding -1", 47, "padding -1 is outside 0..32767"},
        {"text \"a\" at (1, 1) fill red anchor up", 36,
         "expected one of baseline_left, baseline, baseline_right, capitals_left, capitals, capitals_right, "
         "top_left, top, top_right, left, centre, right, bottom_left, bottom, bottom_right, found \"up\""},
        {"text \"a\" at (1, 1) fill red fill red", 29, "\"fill\" is here for the second time"},
        {"text \"a\\t\" at (1, 1) fill red", 8,
         "a backslash in a text stands before n, for a new line, before quotes or another backslash"},
        {"text \"a\\\" at (1, 1) fill red", 6, "this text does not end in its line: a \" is missing"},
        {"text \"a\" - 1 at (1, 1) fill red", 10, "cannot subtract a text and a number"},
        {"text digits(1, -1) at (1, 1) fill red", 6,
         "number of digits after the point -1 is not a whole number of 0..15"},
        {"text digits(1, 1, 0.5) at (1, 1) fill red", 6,
         "number of digits before the point 0.5 is not a whole number of 1..20"},
        {"text digits(1000000000000000000, 0) at (1, 1) fill red", 6,
         "number 1e+18 to be written is outside -1000000000000000..1000000000000000"},
        {"circle at \"a\" radius 3 fill red", 11, "expected a point (x, y), not a text"},
    };
    for (const Row& row : rows) {
        const std::string caret(static_cast<std::size_t>(row.column) - 1, ' ');
        expect_errors<SheetError>({{[&] { (void)read(row.statement); },
                                    "quay.brick:2:" + std::to_string(row.column) + ": " + row.message + "\n" +
                                        row.statement + "\n" + caret + "^"}});
    }
    // Texts that grow without end, and letters that fill more than all texts may.
    std::string doubling = "let a0 = \"harbour\"\n";
    for (int i = 1; i < 30; ++i)
        doubling += "let a" + std::to_string(i) + " = a" + std::to_string(i - 1) + " + a" +
                    std::to_string(i - 1) + "\n";
    EXPECT_THROW((void)read(doubling), SheetError);
    const std::string large = "sheet 1000 x 1000\ntext \"W\" at (0, 900) size 1000 fill red\n";
    EXPECT_NO_THROW((void)read_sheet(large, "quay.brick", {.most_image_bytes = 1'000'000}));
    EXPECT_THROW((void)read_sheet(large + "text \"W\" at (0, 900) size 1000 fill red", "quay.brick",
                                  {.most_image_bytes = 1'000'000}),
                 SheetError);
}

} // namespace coldbrick::test
