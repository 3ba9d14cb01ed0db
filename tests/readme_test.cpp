// The README's program and sheet, as they stand there, the example programs, and the manual's links and
// pictures.

#include "support/files.hpp"
#include "support/sample_image.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/reel.hpp>
#include <coldbrick/row_files.hpp>
#include <coldbrick/sheet.hpp>
#include <coldbrick/sheet_check.hpp>

#include <gtest/gtest.h>

#include <algorithm>
#include <filesystem>
#include <regex>
#include <set>
#include <string>
#include <utility>
#include <vector>

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

namespace {

namespace fs = std::filesystem;

std::vector<fs::path> pages() {
    const fs::path root = COLDBRICK_SOURCE_FOLDER;
    std::vector<fs::path> result{root / "README.md", root / "CONTRIBUTING.md", root / "CHANGELOG.md"};
    for (const auto& entry : fs::directory_iterator(root / "docs"))
        if (entry.path().extension() == ".md") result.push_back(entry.path());
    return result;
}

/// How many places of a page match, after visit(path) with the first group of each.
template <class Visit>
int for_each_match(const fs::path& page, const char* pattern, const Visit& visit) {
    const std::string text = read_file(page);
    const std::regex wanted(pattern);
    int count = 0;
    for (std::sregex_iterator match(text.begin(), text.end(), wanted), end; match != end; ++match, ++count)
        visit((*match)[1].str());
    return count;
}

} // namespace

TEST(Manual, LinksLeadToFiles) {
    int links = 0;
    for (const fs::path& page : pages()) // links to other hosts have a colon
        links += for_each_match(page, R"(\]\(([^)#:]+)[)#])", [&](const std::string& path) {
            EXPECT_TRUE(fs::exists(page.parent_path() / path)) << page << ": " << path;
        });
    EXPECT_GT(links, 100);
}

TEST(Manual, FilesThatItNamesAreThere) {
    const fs::path root = COLDBRICK_SOURCE_FOLDER;
    int names = 0;
    for (const fs::path& page : pages())
        names += for_each_match(
            page, R"(`((?:src|tests|apps|cmake|scripts|include)/[a-z_/0-9.]+)`)",
            [&](const std::string& path) { EXPECT_TRUE(fs::exists(root / path)) << page << ": " << path; });
    EXPECT_GT(names, 20);
}

TEST(Manual, TheArchitectureNamesEveryFolderOfLayers) {
    const fs::path root = COLDBRICK_SOURCE_FOLDER;
    const std::string page = read_file(root / "docs/architecture.md");
    for (const auto& layer : fs::directory_iterator(root / "src")) {
        if (!layer.is_directory()) continue;
        EXPECT_NE(page.find(layer.path().filename().string()), std::string::npos) << layer.path();
        for (const auto& room : fs::directory_iterator(layer.path())) {
            if (!room.is_directory()) continue;
            const std::string link = "(../src/" + fs::relative(room.path(), root / "src").string() + ")";
            EXPECT_NE(page.find(link), std::string::npos) << link;
        }
    }
}

TEST(Manual, PicturesAreThoseThatTheirSheetsDraw) {
    const TemporaryFolder folder;
    const std::string tool = COLDBRICK_TOOL_PATH;
    const auto expect_same = [&](const std::filesystem::path& sheet, const std::string& command) {
        const std::string drawn = folder.file("drawn.png");
        ASSERT_EQ(run_command(tool + command + sheet.string() + " -o " + drawn).status, 0) << sheet;
        const auto picture = std::filesystem::path(sheet).replace_extension(".png");
        EXPECT_EQ(decode_png(drawn).pixels, decode_png(picture).pixels)
            << "draw it again by scripts/pictures: " << picture;
    };
    const std::filesystem::path docs = std::filesystem::path(COLDBRICK_SOURCE_FOLDER) / "docs";
    expect_same(docs / "gallery.brick", " draw ");
    for (const auto& entry : std::filesystem::directory_iterator(docs / "rules"))
        if (entry.path().extension() == ".brick") expect_same(entry.path(), " grid --zoom 12 ");
}

TEST(Manual, SheetsDrawTheirPicturesAndAreTidy) {
    const std::filesystem::path docs = std::filesystem::path(COLDBRICK_SOURCE_FOLDER) / "docs";
    const std::string manual = read_file(docs / "sheets.md");
    const std::regex example("```brick\\n([^`]*)```\\n\\n!\\[[^\\]]*\\]\\((sheets/\\w+\\.png)\\)");
    const auto load_image = [&](const std::string& file, std::size_t) {
        return load(docs / "sheets" / file);
    };
    const auto load_text = [&](const std::string& file, std::size_t) {
        return read_file(docs / "sheets" / file);
    };
    const SheetReading reading{.load_image = load_image, .load_text = load_text, .warns = true};
    int sheets = 0;
    for (std::sregex_iterator match(manual.begin(), manual.end(), example), end; match != end;
         ++match, ++sheets) {
        const std::string text = (*match)[1];
        const std::string picture = (*match)[2];
        const Sheet sheet = read_sheet(text, picture, reading);
        EXPECT_TRUE(sheet.warnings.empty()) << picture << ": " << sheet.warnings.front().message;
        const Image drawn = sheet.render(PixelFormat::rgb8);
        EXPECT_EQ(bytes_of(drawn), bytes_of(load(docs / picture)))
            << picture << " is out of date: scripts/pictures draws it again";
        const std::string tidied = tidied_sheet(text, picture);
        EXPECT_EQ(tidied_sheet(tidied, picture), tidied) << picture;
        EXPECT_EQ(bytes_of(read_sheet(tidied, picture, reading).render(PixelFormat::rgb8)), bytes_of(drawn));
    }
    EXPECT_GE(sheets, 18);
    int fences = 0;
    for (std::size_t at = 0; (at = manual.find("```brick", at)) != std::string::npos; ++at) ++fences;
    EXPECT_EQ(fences, sheets) << "each example has its picture";
}

namespace {

/// The blocks between ``` of a text, with the words behind the first of them.
std::vector<std::pair<std::string, std::string>> blocks_of(const std::string& text) {
    const std::string fence = "```";
    std::vector<std::pair<std::string, std::string>> result;
    for (std::size_t at = 0; (at = text.find("\n" + fence, at)) != std::string::npos;) {
        const std::size_t line_end = text.find('\n', at + 1);
        const std::size_t end = text.find("\n" + fence, line_end - 1);
        const std::size_t kind = at + 1 + fence.size();
        result.emplace_back(text.substr(kind, line_end - kind), text.substr(line_end + 1, end - line_end));
        at = end + 1 + fence.size();
    }
    return result;
}

} // namespace

#ifndef COLDBRICK_SANITIZED // for which the same commands take minutes; those of the help run there
TEST(Manual, CommandsPrintWhatItShows) {
    const std::string tool = COLDBRICK_TOOL_PATH;
    const TemporaryFolder folder;
    ASSERT_EQ(run_command(tool + " demo " + folder.path().string()).status, 0);
    const std::string manual = read_file(std::filesystem::path(COLDBRICK_SOURCE_FOLDER) / "docs/tool.md");
    int commands = 0;
    for (const auto& [kind, text] : blocks_of(manual)) {
        ASSERT_EQ(kind, "console");
        for (std::size_t at = 0; at < text.size(); ++commands) {
            const std::size_t end = text.find('\n', at);
            const std::size_t next = std::min(text.find("\n$ ", at), text.size() - 1) + 1;
            const std::string command = text.substr(at + 2, end - at - 2);
            const Finished finished = run_command("cd " + folder.path().string() + "; coldbrick() { '" +
                                                  tool + "' \"$@\"; }; { " + command + "; } 2>&1");
            EXPECT_EQ(finished.status, 0) << command;
            EXPECT_EQ(finished.output, text.substr(end + 1, next - end - 1))
                << command << "\nscripts/console-examples writes it again";
            at = next;
        }
    }
    EXPECT_GE(commands, 25);
}
#endif

TEST(Manual, EachMistakeHasItsMessageAndItsMend) {
    const std::string tool = COLDBRICK_TOOL_PATH;
    const TemporaryFolder folder;
    const auto blocks =
        blocks_of(read_file(std::filesystem::path(COLDBRICK_SOURCE_FOLDER) / "docs/when-nothing-shows.md"));
    std::set<std::string> kinds;
    ASSERT_EQ(blocks.size() % 3, 0U);
    for (std::size_t i = 0; i < blocks.size(); i += 3) {
        const std::string check = "cd " + folder.path().string() + "; " + tool + " check quay.brick";
        write_file(folder.file("quay.brick"), blocks[i].second);
        const std::string wanted = blocks[i + 1].second;
        const Finished found = run_command(check);
        EXPECT_EQ(found.status, 1) << blocks[i].second;
        EXPECT_EQ("$ coldbrick check quay.brick\n" + found.output, wanted);
        const std::size_t kind = found.output.find(": ") + 2;
        kinds.insert(found.output.substr(kind, found.output.find(':', kind) - kind));
        write_file(folder.file("quay.brick"), blocks[i + 2].second);
        EXPECT_EQ(run_command(check).output, "") << blocks[i + 2].second;
    }
    for (int kind = 0; kind <= static_cast<int>(SheetFinding::Kind::unused); ++kind)
        EXPECT_TRUE(kinds.contains(std::string(name_of(static_cast<SheetFinding::Kind>(kind))))) << kind;
}

TEST(Manual, PicturesOfCoveragesAreThoseOfTheExample) {
    const TemporaryFolder folder;
    const std::string example = COVERAGES_PATH;
    const std::filesystem::path rules = std::filesystem::path(COLDBRICK_SOURCE_FOLDER) / "docs/rules";
    for (const std::string figure : {"shapes", "strokes", "tiles", "paths", "limits"}) {
        const std::string drawn = folder.file(figure + ".png");
        ASSERT_EQ(run_command(example + ' ' + figure + ' ' + drawn).status, 0) << figure;
        EXPECT_EQ(decode_png(drawn).pixels, decode_png(rules / ("smooth_" + figure + ".png")).pixels)
            << "draw it again by scripts/pictures: " << figure;
    }
    EXPECT_EQ(run_command(example + " waves " + folder.file("a.png")).status, 2);
    EXPECT_EQ(run_command(example + " tiles " + folder.file("none/a.png")).status, 1);
}

TEST(Manual, SpecimensAreThoseThatTheToolDraws) {
    const TemporaryFolder folder;
    const std::string tool = COLDBRICK_TOOL_PATH;
    const std::filesystem::path faces = std::filesystem::path(COLDBRICK_SOURCE_FOLDER) / "docs/faces";
    const std::pair<std::string, std::string> specimens[] = {
        {"stroke", "stroke"},
        {"bitmap", "bitmap"},
        {"truetype", "/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf"},
        {"postscript", "/usr/share/fonts/opentype/cantarell/Cantarell-Regular.otf"},
        {"variable", "/usr/share/fonts/truetype/inter-vf/Inter.var.ttf --weight 700"}};
    for (const auto& [name, face] : specimens) {
        const std::string drawn = folder.file(name + ".png");
        const Finished finished = run_command(tool + " faces " + face + " -o " + drawn);
        ASSERT_EQ(finished.status, 0) << finished.errors;
        EXPECT_EQ(decode_png(drawn).pixels, decode_png(faces / (name + ".png")).pixels)
            << "draw it again by scripts/pictures: " << name;
    }
}

TEST(Examples, CaptionsKeepOutOfEachOthersWay) {
    const TemporaryFolder folder;
    const std::string example = CAPTIONS_PATH;
    const std::filesystem::path picture =
        std::filesystem::path(COLDBRICK_SOURCE_FOLDER) / "docs/screenshots/captions.png";
    EXPECT_EQ(run_command(example + ' ' + folder.file("a.png")).status, 0);
    EXPECT_EQ(decode_png(folder.file("a.png")).pixels, decode_png(picture).pixels)
        << "draw it again by scripts/pictures";
    EXPECT_EQ(run_command(example).status, 2);
    EXPECT_EQ(run_command(example + ' ' + folder.file("none/a.png")).status, 1);
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

TEST(Examples, ALargePictureIsWrittenBandByBand) {
    const TemporaryFolder folder;
    const std::string example = LARGE_PICTURE_PATH;
    EXPECT_EQ(run_command(example + ' ' + folder.file("a.png")).status, 0);
    RowReader reader(folder.file("a.png"));
    EXPECT_EQ(reader.size(), (Size{6000, 4000}));
    Image rows({6000, 41}, PixelFormat::rgb8);
    reader.read(rows);
    EXPECT_EQ(rows.pixel({601, 1}), colour("#cfc4b4")) << "between the bricks";
    EXPECT_EQ(rows.pixel({602, 2}), Colour(175, 72, 50));
    EXPECT_EQ(rows.pixel({722, 2}), Colour(156, 63, 50)) << "the next brick, a little different";
    EXPECT_EQ(run_command(example).status, 2);
    EXPECT_EQ(run_command(example + ' ' + folder.file("none/a.png")).status, 1);
}

TEST(Examples, WhatBouncesStaysInTheBasin) {
    const TemporaryFolder folder;
    const std::string example = BOUNCING_PATH;
    EXPECT_EQ(run_command(example + ' ' + folder.file("a.png")).status, 0);
    ReelReader reader(folder.file("a.png"));
    int frames = 0;
    // The circle is the first to be painted over; the polygon last painted is whole in every frame.
    std::set<std::int64_t> widths;
    while (const auto frame = reader.next()) {
        std::int32_t left = 240;
        std::int32_t right = -1;
        for (std::int32_t i = 0; i < 240 * 160; ++i)
            if (frame->image.pixel({i % 240, i / 240}) == colour("plum")) {
                left = std::min(left, i % 240);
                right = std::max(right, i % 240);
            }
        widths.insert(right - left + 1);
        ++frames;
    }
    EXPECT_EQ(frames, 100);
    EXPECT_EQ(widths.size(), 1U) << "it is cut at an edge";
    EXPECT_EQ(run_command(example).status, 2);
    EXPECT_EQ(run_command(example + ' ' + folder.file("a.jpg")).status, 1);
}

} // namespace coldbrick::test
