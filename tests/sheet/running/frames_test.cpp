// Frames of sheets, and the functions of numbers that move things.

#include "support/errors.hpp"

#include <coldbrick/sheet.hpp>

#include <gtest/gtest.h>

#include <set>
#include <string>

namespace coldbrick::test {

namespace {

Sheet frame_of(const std::string& text, std::int32_t frame) {
    return read_sheet(text, "quay.brick", {.frame = frame});
}

/// Where the first line of a sheet's frame begins.
Point first_point(const Sheet& sheet) {
    return std::get<Line>(std::get<Drawing::StyledShape>(sheet.drawing.items().at(0)).shape).from;
}

/// A thousand times the value of an expression, rounded.
int thousandths(const std::string& expression, std::int32_t frame = 0) {
    return first_point(
               frame_of("sheet 9 x 9\nframes 100\nline (1000 * (" + expression + "), 0) to (0, 0) stroke red",
                        frame))
        .x;
}

} // namespace

TEST(SheetFrames, FrameAndTimeAreValues) {
    const std::string moving =
        "sheet 9 x 9\nlet n = 6\nframes 2 * n rate 12.5\nline (frame, 100 * time) to (0, 0) stroke red";
    for (const std::int32_t frame : {0, 1, 11}) {
        const Sheet sheet = frame_of(moving, frame);
        EXPECT_EQ(sheet.frames, 12);
        EXPECT_EQ(sheet.rate, (FrameRate{25, 2}));
        EXPECT_EQ(first_point(sheet), (Point{frame, frame * 8}));
    }
    const Sheet still = frame_of("sheet 9 x 9", 0);
    EXPECT_EQ(still.frames, 1);
    EXPECT_EQ(frame_of("sheet 9 x 9\nframes 3", 2).rate, (FrameRate{25, 1}));
    EXPECT_EQ(frame_of("sheet 9 x 9\nframes 3 rate 29.97", 2).rate, (FrameRate{2997, 100}));
}

TEST(SheetFrames, FaultsAreTold) {
    const auto reading = [](const std::string& text, std::int32_t frame = 0) {
        return [=] { (void)frame_of(text, frame); };
    };
    expect_errors<SheetError>({
        {reading("sheet 9 x 9\nframes 5", 5), "quay.brick: frame 5 is outside 0..4"},
        {reading("sheet 9 x 9", 1), "quay.brick: frame 1 is outside 0..0"},
        {reading("sheet 9 x 9", -1), "quay.brick: frame -1 is outside 0..0"},
        {reading("sheet 9 x 9\nframes 0"),
         "quay.brick:2:8: number of frames 0 is outside 1..1000000\nframes 0\n       ^"},
        {reading("sheet 9 x 9\nframes 5 rate 0"), "quay.brick:2:15: the rate 0 is outside 0.001..1000 frames "
                                                  "a second\nframes 5 rate 0\n              ^"},
        {reading("sheet 9 x 9\nframes 5\nframes 5"),
         "quay.brick:3:1: the sheet has its frames already\nframes 5\n^"},
        {reading("sheet 9 x 9\nlet t = time"), "quay.brick:2:9: \"time\" is neither defined above nor the "
                                               "name of a colour; a statement such as frames 50 rate "
                                               "25 defines it\nlet t = time\n        ^"},
        {reading("sheet 9 x 9\nframes 5\nlet frame = 2"),
         "quay.brick:3:5: \"frame\" is defined already, in line 2\nlet frame = 2\n    ^"},
        {reading("let time = 3\nsheet 9 x 9\nframes 5"),
         "quay.brick:3:1: \"time\" is defined already, in line 1\nframes 5\n^"},
    });
}

TEST(SheetFrames, FunctionsOfNumbers) {
    const std::pair<const char*, int> rows[] = {
        {"sin(0)", 0},
        {"sin(30)", 500},
        {"sin(90)", 1000},
        {"sin(180)", 0},
        {"sin(-30)", -500},
        {"cos(0)", 1000},
        {"cos(60)", 500},
        {"cos(90)", 0},
        {"mod(7, 3)", 1000},
        {"mod(-1, 3)", 2000},
        {"mod(1, 0.3)", 100},
        {"bounce(0, 2, 5)", 4000},
        {"bounce(2, 2, 5)", 2000},
        {"bounce(4, 2, 5)", 4000},
        {"bounce(5, 2, 5)", 5000},
        {"bounce(6.5, 2, 5)", 3500},
        {"bounce(8, 2, 5)", 2000},
        {"bounce(9, 2, 5)", 3000},
        {"bounce(9, 2, 2)", 2000},
    };
    for (const auto& [expression, expected] : rows)
        EXPECT_EQ(thousandths(expression), expected) << expression;
    expect_errors<SheetError>({
        {[] { (void)thousandths("mod(1, 0)"); }, "quay.brick:3:15: the divisor 0 of mod is not above 0\nline "
                                                 "(1000 * (mod(1, 0)), 0) to (0, 0) stroke red\n"
                                                 "              ^"},
        {[] { (void)thousandths("bounce(1, 3, 2)"); },
         "quay.brick:3:15: bounce has a lower end 3 above the upper one 2\n"
         "line (1000 * (bounce(1, 3, 2)), 0) to (0, 0) stroke red\n              ^"},
        {[] { (void)thousandths("chance(1)"); },
         "quay.brick:3:15: chance() has 1 values, not 2\nline (1000 * (chance(1)), 0) to (0, 0) stroke red\n"
         "              ^"},
    });
}

TEST(SheetFrames, ChanceDependsOnItsSeedAndNumberAlone) {
    std::set<int> values;
    int sum = 0;
    for (std::int32_t frame = 0; frame < 100; ++frame) {
        const int value = thousandths("chance(7, frame)", frame);
        EXPECT_EQ(value, thousandths("chance(3 + 4, " + std::to_string(frame) + ")"));
        EXPECT_TRUE(value >= 0 && value <= 1000);
        values.insert(value);
        sum += value;
    }
    EXPECT_GT(values.size(), 90U);
    EXPECT_NEAR(sum / 100, 500, 90);
    EXPECT_NE(thousandths("chance(7, 1)"), thousandths("chance(8, 1)"));
    EXPECT_NE(thousandths("chance(7, 1)"), thousandths("chance(1, 7)"));
}

} // namespace coldbrick::test
