// Sheets drawn with many values, and marks read from tables.

#include "support/errors.hpp"

#include <coldbrick/mark_table.hpp>
#include <coldbrick/measure.hpp>
#include <coldbrick/sweep.hpp>

#include <gtest/gtest.h>

#include <algorithm>
#include <string>

namespace coldbrick::test {

namespace {

constexpr const char* quay = "sheet 40 x 30 on navy\nlet r = 3\nlet tint = gold\nlet hub = (20, 15)\n"
                             "circle at hub radius r fill tint\n";

bool same(const Image& a, const Image& b) {
    return a.size() == b.size() && difference(a, b).largest == 0;
}

} // namespace

TEST(Sweep, ReadsValues) {
    const std::pair<const char*, std::vector<std::string>> rows[] = {
        {"r=4..12:4", {"4", "8", "12"}},
        {"r=1..3", {"1", "2", "3"}},
        {"r=3..1", {"3", "2", "1"}},
        {"r=0..0.3:0.1", {"0", "0.1", "0.2", "0.3"}},
        {"r=-2..2:3", {"-2", "1"}},
        {"r=1,2.5,7", {"1", "2.5", "7"}},
        {"tint=red,#2f6f5e", {"red", "#2f6f5e"}},
        {"at=(1, 2),(3, 4)", {"(1, 2)", "(3, 4)"}},
        {"name=\"a, b\",\"c\"", {"\"a, b\"", "\"c\""}},
    };
    for (const auto& [text, values] : rows) {
        EXPECT_EQ(swept_name(text).values, values) << text;
        EXPECT_EQ(swept_name(text).name, std::string(text).substr(0, std::string(text).find('=')));
    }
    const std::string form = " is not of the form NAME=FIRST..LAST:STEP or NAME=VALUE,VALUE: ";
    const std::pair<const char*, const char*> faults[] = {
        {"r", "a name or value is missing"},
        {"=3", "a name or value is missing"},
        {"r=1..x", "a range consists of numbers"},
        {"r=1..9:0", "the step 0 is not above 0"},
        {"r=1..1e9", "there are more than 10000 values"},
        {"r=1,,2", "a value is empty"},
    };
    for (const auto& [text, why] : faults)
        expect_errors<ArgumentError>(
            {{[&, one = text] { (void)swept_name(one); }, "\"" + std::string(text) + "\"" + form + why}});
}

TEST(Sweep, DrawsEachValueWithEachOther) {
    const Sheet sheet = read_sheet(quay, "quay.brick");
    for (const int threads : {1, 4}) {
        std::int64_t last = 0;
        const auto progress = [&last](std::int64_t done, std::int64_t all) {
            EXPECT_EQ(done, ++last);
            EXPECT_EQ(all, 6);
        };
        const auto pictures = sweep(
            sheet, {.names = {swept_name("r=2..6:2"), swept_name("tint=red,white")}, .threads = threads}, {},
            progress);
        ASSERT_EQ(pictures.size(), 6U);
        EXPECT_EQ(last, 6);
        EXPECT_EQ(pictures[3].caption, "r = 4, tint = white");
        for (const CaptionedPicture& one : pictures) {
            const std::size_t comma = one.caption.find(',');
            const std::vector<Setting> own{{"r", one.caption.substr(4, comma - 4)},
                                           {"tint", one.caption.substr(one.caption.rfind(' ') + 1)}};
            EXPECT_TRUE(same(one.picture, sheet.again({.settings = own}).render(PixelFormat::rgb8)))
                << one.caption;
        }
    }
}

TEST(Sweep, ShowsDifferencesAndSmallerPictures) {
    const Sheet sheet = read_sheet(quay, "quay.brick");
    const auto lit = sweep(sheet, {.names = {swept_name("r=3,5")}, .differences = true}, {});
    const Colour dim = lit[0].picture.pixel({0, 0});
    EXPECT_EQ(extent_of_content(lit[0].picture, dim), (Box{17, 12, 7, 7})); // the disc, dimmed otherwise
    EXPECT_EQ(lit[1].picture.pixel({20, 10}), Colour(255, 215, 0));
    EXPECT_NE(lit[1].picture.pixel({20, 15}), Colour(255, 215, 0));
    EXPECT_EQ(sweep(sheet, {.names = {swept_name("r=3")}, .largest = Size{20, 20}}, {})[0].picture.size(),
              (Size{20, 15}));
    expect_errors<ArgumentError>({
        {[&] { (void)sweep(sheet, {}, {}); }, "a sweep has no name whose values change"},
        {[&] {
             (void)sweep(sheet, {.names = {swept_name("r=0..999"), swept_name("tint=0..99")}}, {});
         },
         "a sweep has not 1..10000 pictures"},
    });
    expect_errors<SheetError>({
        {[&] { (void)sweep(sheet, {.names = {swept_name("q=1")}}, {}); },
         "with q = 1:\nquay.brick: no let defines \"q\", which is to be set: the sheet defines r, tint, hub"},
    });
}

TEST(MarkTable, ReadsEachKindOfRow) {
    const std::string csv = "caption,group,left,top,right,bottom,x,y,width,height,points,shape\n"
                            "tug,boat,10,20,29,39,,,,,,\n"
                            "rock,,,,,,5,6,7,8,,ellipse\n"
                            "buoy,mark,,,,,50,60,,,,\n"
                            "7.5,shoal,,,,,,,,,\"1,2 30,4; 5 60\",\n";
    const MarkTable table = read_marks("found.csv", csv, {.picture = {100, 80}});
    EXPECT_TRUE(table.faults.empty());
    ASSERT_EQ(table.marks.size(), 4U);
    EXPECT_EQ(std::get<Box>(table.marks[0].shape), (Box{10, 20, 20, 20}));
    EXPECT_EQ(table.marks[0].group, "boat");
    EXPECT_EQ(std::get<Ellipse>(table.marks[1].shape).box, (Box{5, 6, 7, 8}));
    EXPECT_EQ(std::get<Point>(table.marks[2].shape), (Point{50, 60}));
    EXPECT_EQ(std::get<Polygon>(table.marks[3].shape).bounds(), (Box{1, 2, 30, 59}));
    EXPECT_EQ(table.marks[3].caption, "7.5");

    const std::string json = R"([{"name": "tug", "px": 0.5, "py": 0.25, "w": 0.1, "h": 0.5}])";
    const MarkReading fractions{
        .columns = {.x = "px", .y = "py", .width = "w", .height = "h", .caption = "name"},
        .picture = {100, 80},
        .fractions = true};
    const MarkTable shares = read_marks("found.json", json, fractions);
    ASSERT_EQ(shares.marks.size(), 1U);
    EXPECT_EQ(std::get<Box>(shares.marks[0].shape), (Box{50, 20, 10, 40}));
    EXPECT_EQ(shares.marks[0].caption, "tug");
}

TEST(MarkTable, TellsBadRowsWithTheirLines) {
    const std::string csv = "left,top,right,bottom,points,shape,caption\n"
                            "1,2,3,4,,,good\n"
                            "1,x,3,4,,,\n"
                            "1,,3,4,,,\n"
                            "\n"
                            "1,2,3\n"
                            ",,,,\"1,2,3\",,\n"
                            ",,,,\"1,2,a\",,\n"
                            "1,2,3,4,,star,\"two\nlines\"\n"
                            "1,2,3e10,4,,,\n";
    const MarkTable table = read_marks("found.csv", csv, {.picture = {100, 80}});
    EXPECT_EQ(table.marks.size(), 1U);
    EXPECT_EQ(table.faults,
              (std::vector<std::string>{
                  "found.csv:6: the row has 3 values, but there are 7 columns",
                  "found.csv:3: \"x\" is no number for \"top\"",
                  "found.csv:4: there is no \"top\"",
                  "found.csv:7: 3 numbers make no corners of a polygon: three points or more have two each",
                  "found.csv:8: \"1,2,a\" is no list of numbers",
                  "found.csv:9: the shape \"star\" is neither box nor ellipse",
                  "found.csv:11: 30000000000 of \"right\" is outside -2147483648..2147483647",
              }));
    expect_errors<FileError>({
        {[] { (void)read_marks("a.csv", "name,size\nx,3\n", {}); },
         "a.csv: no columns tell where marks lie: neither left, top, right and bottom, nor x and y, nor "
         "points. The "
         "columns are name, size."},
        {[] { (void)read_marks("a.json", "{}", {}); }, "a.json: data are a JSON array of objects"},
    });
}

} // namespace coldbrick::test
