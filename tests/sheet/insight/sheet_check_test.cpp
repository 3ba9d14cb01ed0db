// What is found about the statements of sheets, each with its message.

#include "support/errors.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/measure.hpp>
#include <coldbrick/sheet_check.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <string>
#include <vector>

namespace coldbrick::test {

namespace {

/// "LINE:COLUMN kind: message" of each finding.
std::string told(const std::vector<SheetFinding>& findings) {
    std::string result;
    for (const SheetFinding& finding : findings)
        result += std::to_string(finding.place.line) + ":" + std::to_string(finding.place.column) + " " +
                  std::string(name_of(finding.kind)) + ": " + finding.message + "\n";
    return result;
}

std::string checked(const std::string& statements) {
    return told(check(read_sheet("sheet 100 x 60 on white\n" + statements, "quay.brick", {.warns = true})));
}

} // namespace

TEST(SheetCheck, FindsWhyStatementsCannotBeSeen) {
    struct Case {
        const char* statements;
        const char* wanted;
    };
    const Case cases[] = {
        {"circle at (50, 30) radius 20 fill navy stroke gold 2", ""},
        {"box (120, 70) size 10 x 10 fill red", "2:1 outside: this lies outside the sheet, 21 pixels to its "
                                                "right and 11 pixels below it: columns 120 to "
                                                "129, rows 70 to 79\n"},
        {"line (-1, 0) to (-1, 59) stroke red",
         "2:1 outside: this lies outside the sheet, 1 pixel to its left: columns -1 to -1, rows 0 to 59\n"},
        {"line (-2, 0) to (-2, 59) stroke red 5", ""},                    // its stroke reaches in
        {"repeat i from 0 to 9\n  dots (i * 20, 3) stroke red\nend", ""}, // some of them are seen
        {"text \"Quay\" at (300, 20) fill black", "2:1 outside: this lies outside the sheet, 203 pixels to "
                                                  "its right: columns 302 to 345, rows 7 to 25\n"},
        {"box (5, 5) size 0 x 4 fill red", "2:1 empty: this has no pixels\n"},
        {"text \"\" at (5, 5) fill red", "2:1 empty: this has no pixels\n"},
        {"circle at (50, 30) radius 9 fill red\nbox (30, 10) size 20 x 40 fill blue\nbox (50, 10) size 20 x "
         "40 fill "
         "green",
         "2:1 painted over: this is painted over completely, by lines 4, 3\n"},
        {"layer\n  box (9, 9) size 5 x 5 fill red\n  box (9, 9) size 9 x 9 fill blue\nend",
         "3:3 painted over: this is painted over completely, by line 4\n"},
        {"layer opacity 0\n  box (9, 9) size 5 x 5 fill red\nend",
         "2:1 see-through: the paint is so see-through that no pixel changes: its alpha is 0 of 255\n"
         "3:3 hidden layer: the layer that this is drawn in does not show where this lies\n"},
        {"box (9, 9) size 5 x 5 fill white", "2:1 same colour: this has the colour of all that it covers\n"},
        {"box (9, 9) size 5 x 5 fill white\nbox (9, 9) size 5 x 3 fill navy",
         "2:1 same colour: what others leave of this, 10 of 25 pixels, has the colour of all that it "
         "covers\n"},
        {"box (9, 9) size 5 x 5 fill #ff000001\nbox (20, 9) size 5 x 5 fill #ff000000",
         "2:1 nearly same colour: this hardly changes what it covers: no channel by more than 1 of 255\n"
         "3:1 see-through: the paint is so see-through that no pixel changes: its alpha is 0 of 255\n"},
        {"box (9, 9) size 5 x 5 fill #fffefd",
         "2:1 nearly same colour: this hardly changes what it covers: no channel by more than 2 of 255\n"},
        {"if 1 > 2\n  box (9, 9) size 5 x 5 fill red\nend", "3:3 not drawn: this is not carried out\n"},
        {"text \"Quay\" at (50, 20) anchor baseline fill #cccccc",
         "2:1 low contrast: the contrast of the text to what is behind it is below 3:1 on 100 % of its "
         "pixels\n"},
        {"text \"Quay\" at (50, 20) anchor baseline fill #cccccc plate navy", ""},
        {"text \"Quay\" at (50, 20) anchor baseline fill black stroke #fefefe 2", ""},
        {"text \"Quay\" at (50, 20) anchor baseline fill #eeeeee stroke black 1", ""},
        {"text \"Harbour office\" at (50, 20) anchor baseline fill black",
         "2:1 cut text: the sheet's edge cuts the text off: it goes on 15 pixels to the left and 18 pixels "
         "to the "
         "right\n"},
        {"box (60, 40) to (20, 30) fill red", "2:17 corner: the opposite corner (20, 30) lies above and to "
                                              "the left of the corner (60, 40): was `size 20 "
                                              "x 30` meant?\n"},
        {"circle at (50, 30) radius 200 fill red", "2:1 radius: the radius 200 is more than the sheet's 100 "
                                                   "x 60 pixels: was it the diameter, or 100?\n"},
        {"let far = 3\nmotif buoy\n  dots (3, 3) stroke red\nend",
         "2:5 unused: nothing uses \"far\"\n3:7 unused: nothing uses \"buoy\"\n"},
    };
    for (const Case& one : cases) EXPECT_EQ(checked(one.statements), one.wanted) << one.statements;
}

TEST(SheetCheck, LooksAtManyFrames) {
    const Sheet first = read_sheet("sheet 40 x 10\nframes 4\nbox (frame * 20 - 40, 0) size 9 x 9 fill red\n"
                                   "if frame > 3\n  dots (1, 1) stroke red\nend\n",
                                   "quay.brick", {.warns = true});
    EXPECT_NE(told(check(first)).find("3:1 outside"), std::string::npos);
    SheetCheck all;
    EXPECT_TRUE(all.findings().empty());
    for (int frame = 0; frame < first.frames; ++frame) all.add(first.again({.warns = true, .frame = frame}));
    EXPECT_EQ(told(all.findings()), "5:3 not drawn: this is carried out in none of 4 frames\n");
}

TEST(SheetCheck, TellsPlacesOfWhatHidesInIncludedSheets) {
    const auto load = [](const std::string&, std::size_t) {
        return std::string(
            "motif lid\n  box (0, 0) size 40 x 10 fill navy\nend\nmotif spare\n  dots (1, 1) stroke "
            "red\nend\n");
    };
    const Sheet sheet =
        read_sheet("sheet 40 x 10\ninclude \"marks.brick\"\ndots (3, 3) stroke red\nplace lid\n",
                   "quay.brick", {.load_text = load, .warns = true});
    const std::vector<SheetFinding> findings = check(sheet);
    ASSERT_EQ(findings.size(), 1U);
    EXPECT_EQ(findings[0].message, "this is painted over completely, by line marks.brick:2:3");
    ASSERT_EQ(findings[0].hidden_by.size(), 1U);
    EXPECT_EQ(findings[0].hidden_by[0].text(), "marks.brick:2:3");
}

TEST(SheetCheck, RefusesWhatWasNotReadForIt) {
    const Sheet sheet = read_sheet("sheet 4 x 4", "a.brick");
    const Sheet other = read_sheet("sheet 4 x 4", "b.brick", {.warns = true});
    SheetCheck one;
    one.add(other);
    expect_errors<ArgumentError>({
        {[&] { (void)check(sheet); }, "a sheet is checked if it was read with its warnings"},
        {[&] { one.add(read_sheet("sheet 4 x 4", "c.brick", {.warns = true})); },
         "these are frames of different sheets"},
    });
}

namespace {

/// Statements one a line, some of them in layers and clips.
class RandomSheet {
  public:
    RandomSheet() {
        lines_.push_back("sheet 24 x 18 on " + *rc::gen::element<std::string>("white", "#30a040", "black"));
        add_statements(0);
    }

    [[nodiscard]] const std::vector<std::string>& lines() const { return lines_; }

  private:
    void add_statements(int depth) {
        for (int n = *rc::gen::inRange(1, depth == 0 ? 6 : 4); n > 0; --n) {
            const int kind = *rc::gen::inRange(0, 8);
            if (kind < 6 || depth == 2)
                lines_.push_back(shape() + " fill " +
                                 *rc::gen::element<std::string>("white", "black", "red", "#ff000001",
                                                                "#30a040", "#ffffff80") +
                                 blend());
            else {
                lines_.push_back(kind == 6 ? "clip " + shape() : "layer" + opacity() + blend());
                add_statements(depth + 1);
                lines_.push_back("end");
            }
        }
    }
    static std::string number(int low, int high) { return std::to_string(*rc::gen::inRange(low, high)); }
    static std::string point() { return "(" + number(-8, 30) + ", " + number(-8, 24) + ")"; }
    static std::string shape() {
        if (*rc::gen::arbitrary<bool>()) return "circle at " + point() + " radius " + number(0, 9);
        return "box " + point() + " size " + number(1, 20) + " x " + number(1, 16);
    }
    static std::string opacity() {
        return *rc::gen::element<std::string>("", "", " opacity 0.5", " opacity 0");
    }
    static std::string blend() {
        return *rc::gen::element<std::string>("", "", "", " blend multiply", " blend screen", " blend cut",
                                              " blend difference");
    }

    std::vector<std::string> lines_;
};

std::string joined(const std::vector<std::string>& lines) {
    std::string result;
    for (const std::string& line : lines) result += line + "\n";
    return result;
}

/// The sheet without the statement on a line, and what is in it if it is a block.
std::vector<std::string> without(std::vector<std::string> lines, std::size_t line) {
    const auto begins_block = [](const std::string& text) {
        return text.starts_with("layer") || text.starts_with("clip");
    };
    int depth = 0;
    do {
        if (begins_block(lines[line])) ++depth;
        if (lines[line] == "end") --depth;
        lines[line++] = "";
    } while (depth > 0);
    return lines;
}

Image drawn(const std::vector<std::string>& lines) {
    return read_sheet(joined(lines), "quay.brick").render(PixelFormat::rgb8);
}

/// The innermost layer that a line lies in.
std::size_t layer_of(const std::vector<std::string>& lines, std::size_t line) {
    int depth = 0;
    while (true) {
        --line;
        if (lines[line] == "end") ++depth;
        const bool is_layer = lines[line].starts_with("layer");
        if (!is_layer && !lines[line].starts_with("clip")) continue;
        if (depth == 0 && is_layer) return line;
        depth -= depth > 0 ? 1 : 0;
    }
}

} // namespace

// What cannot be seen can be left out, and the picture is the same.
RC_GTEST_PROP(SheetCheck, WhatIsToldIsSo, ()) {
    const std::vector<std::string> lines = RandomSheet().lines();
    RC_LOG() << joined(lines);
    const auto findings = check(read_sheet(joined(lines), "quay.brick", {.warns = true}));
    if (findings.empty()) return;
    const Image picture = drawn(lines);
    for (const SheetFinding& finding : findings) {
        RC_LOG() << finding.place.text() << ' ' << finding.message << '\n';
        const std::size_t line = finding.place.line - 1;
        using Kind = SheetFinding::Kind;
        switch (finding.kind) {
        case Kind::hidden_layer: {
            // What lies below shows, or what hides it.
            const Image bare = drawn(without(lines, layer_of(lines, line)));
            const std::string shape = lines[line].substr(0, lines[line].find(" fill"));
            if (finding.message.find("painted over") != std::string::npos || shape.starts_with("layer"))
                break;
            const Image alone = drawn({"sheet 24 x 18 on white", shape + " fill red"});
            const bool clipped =
                std::ranges::any_of(lines, [](const auto& one) { return one.starts_with("clip"); });
            for (std::int32_t i = 0; i < 24 * 18 && !clipped; ++i) {
                const Point at{i % 24, i / 24};
                if (alone.pixel(at) == colour("red")) RC_ASSERT(picture.pixel(at) == bare.pixel(at));
            }
            break;
        }
        case Kind::outside:
        case Kind::clipped:
        case Kind::empty:
        case Kind::painted_over:
        case Kind::same_colour:
        case Kind::see_through:
        case Kind::no_change: RC_ASSERT(difference(picture, drawn(without(lines, line))).largest == 0); break;
        default: break;
        }
    }
}

TEST(SheetCheck, TellsTheCauseThatThereIs) {
    const std::pair<const char*, const char*> cases[] = {
        // The layer hides it, not the pixel that is drawn over it.
        {"layer opacity 0\n  box (9, 9) size 5 x 5 fill red\nend\nbox (9, 9) size 1 x 1 fill blue",
         "2:1 see-through: the paint is so see-through that no pixel changes: its alpha is 0 of 255\n"
         "3:3 hidden layer: the layer that this is drawn in does not show where this lies, and 1 of its 25 "
         "pixels "
         "are painted over, by line 5\n"},
        // Round the sheet.
        {"circle at (50, 30) radius 300 stroke red",
         "2:1 outside: none of its pixels lie on the sheet: they lie round it, in columns -250 to 350, rows "
         "-270 to "
         "330\n2:1 radius: the radius 300 is more than the sheet's 100 x 60 pixels: was it the diameter, or "
         "150?\n"},
        {"box (0, 0) size 100 x 60 stroke red 2 outside",
         "2:1 outside: none of its pixels lie on the sheet: they lie round it, in columns -2 to 101, rows -2 "
         "to 61\n"},
        {"clip circle at (20, 20) radius 9\n  box (60, 9) size 5 x 5 fill red\nend",
         "3:3 clipped: the clip that this is drawn in leaves none of its pixels\n"},
        // It makes a hole.
        {"layer\n  box (9, 9) size 25 x 25 fill red\n  circle at (20, 20) radius 9 fill red blend cut\nend",
         ""},
        // The outline is what is read.
        {"text \"Quay\" at (50, 20) anchor baseline fill #ffffff10 stroke navy 1", ""},
        {"text \"Quay\" at (50, 20) anchor baseline fill #cccccc stroke #dddddd 1",
         "2:1 low contrast: the contrast of the text to what is behind it is below 3:1 on 100 % of its "
         "pixels\n"},
        {"box (9, 9) size 5 x 5 fill white blend multiply", "2:1 no change: this changes no pixel\n"},
        {"layer\nend", "2:1 empty: nothing is drawn in this layer\n"},
        {"box (9, 9) size 5 x 5 fill red\nbox (9, 9) size 5 x 5 fill red",
         "2:1 painted over: this is painted over completely, by line 3, which paints the same again: one of "
         "them is "
         "enough\n"},
    };
    for (const auto& [statements, wanted] : cases) EXPECT_EQ(checked(statements), wanted) << statements;
}

} // namespace coldbrick::test
