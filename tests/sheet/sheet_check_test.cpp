// What is found about the statements of sheets, each with its message.

#include "support/errors.hpp"

#include <coldbrick/sheet_check.hpp>

#include <gtest/gtest.h>

#include <string>

namespace coldbrick::test {

namespace {

/// "LINE:COLUMN kind: message" of each finding.
std::string told(const std::vector<SheetFinding>& findings) {
    std::string result;
    for (const SheetFinding& finding : findings)
        result += finding.place.substr(finding.place.find(':') + 1) + " " +
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
        {"text \"Quay\" at (50, 20) anchor centre fill #cccccc",
         "2:1 low contrast: the contrast of the text to what is behind it is below 3:1 on 100 % of its "
         "pixels\n"},
        {"text \"Quay\" at (50, 20) anchor centre fill #cccccc plate navy", ""},
        {"text \"Quay\" at (50, 20) anchor centre fill black stroke #fefefe 2", ""},
        {"text \"Quay\" at (50, 20) anchor centre fill #eeeeee stroke black 1", ""},
        {"text \"Harbour office\" at (50, 20) anchor centre fill black",
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
    EXPECT_EQ(findings[0].hidden_by, std::vector<std::string>{"marks.brick:2:3"});
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

} // namespace coldbrick::test
