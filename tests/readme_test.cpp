// The README's program and sheet, as they stand there, and the example programs.

#include "support/files.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/sheet.hpp>

#include <gtest/gtest.h>

namespace coldbrick::test {

TEST(Readme, TheProgramRunsAndSavesItsPicture) {
    const TemporaryFolder folder;
    const Finished finished = run_command("cd " + folder.path().string() + " && " README_PROGRAM);
    EXPECT_EQ(finished.status, 0) << finished.errors;
    const DecodedPng picture = decode_png(folder.file("light.png"));
    EXPECT_EQ(picture.size, (Size{320, 200}));
    EXPECT_EQ(picture.at(160, 80), colour("gold"));
    EXPECT_EQ(picture.at(0, 0), colour("#0b1d2e"));
}

TEST(Readme, TheSheetDraws) {
    const TemporaryFolder folder;
    const Finished finished = run_command(std::string(COLDBRICK_TOOL_PATH) +
                                          " draw " README_SHEET " --set r=20 -o " + folder.file("a.png"));
    EXPECT_EQ(finished.status, 0) << finished.errors;
    const DecodedPng picture = decode_png(folder.file("a.png"));
    EXPECT_EQ(picture.at(160, 80), colour("gold"));
    EXPECT_EQ(picture.at(160, 80 + 20), colour("white"));
}

TEST(Examples, OwnBufferSavesItsFrameAndTellsFailures) {
    const TemporaryFolder folder;
    const std::string example = OWN_BUFFER_PATH;
    EXPECT_EQ(run_command(example + ' ' + folder.file("a.png")).status, 0);
    const DecodedPng picture = decode_png(folder.file("a.png"));
    EXPECT_EQ(picture.size, (Size{160, 100}));
    EXPECT_EQ(picture.at(80, 50), colour("gold"));
    EXPECT_EQ(picture.at(80, 50 - 44), colour("seagreen"));
    EXPECT_EQ(run_command(example).status, 2);
    EXPECT_EQ(run_command(example + ' ' + folder.file("none/a.png")).status, 1);
}

TEST(Examples, ComposeReflectsTheShoreInTheWater) {
    const TemporaryFolder folder;
    const std::string example = COMPOSE_PATH;
    EXPECT_EQ(run_command(example + ' ' + folder.file("a.png")).status, 0);
    const DecodedPng picture = decode_png(folder.file("a.png"));
    EXPECT_EQ(picture.size, (Size{480, 320}));
    for (int x = 300; x < 470; ++x) { // right of the inverted part and above the markers
        const int above = picture.at(x, 219 - 30).red;
        EXPECT_NEAR(picture.at(x, 220 + 30).red, (above * 90 + 10 * 165) / 255.0, 0.51)
            << x; // over the night
    }
    EXPECT_EQ(run_command(example).status, 2);
    EXPECT_EQ(run_command(example + ' ' + folder.file("none/a.png")).status, 1);
}

} // namespace coldbrick::test
