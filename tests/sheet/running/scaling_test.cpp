// Sheets and tables that would take minutes, or all memory, if time grew with the square of their size. They
// end soon.

#include "support/errors.hpp"

#include <coldbrick/mark_table.hpp>
#include <coldbrick/sheet_check.hpp>
#include <coldbrick/sweep.hpp>

#include <gtest/gtest.h>

#include <functional>
#include <string>

namespace coldbrick::test {

namespace {

/// The lines that text_of(0), text_of(1), ... give.
std::string lines(int count, const std::function<std::string(int)>& text_of) {
    std::string result = "sheet 300 x 300 on white\n";
    for (int i = 0; i < count; ++i) result += text_of(i) + "\n";
    return result;
}

Sheet read(const std::string& text, const std::string& data, const SheetLimits& limits = {}) {
    const auto load = [&data](const std::string&, std::size_t) { return data; };
    return read_sheet(text, "quay.brick", {.load_text = load, .limits = limits, .warns = true});
}

} // namespace

TEST(Scaling, OfSheets) {
    const Sheet lets = read(lines(200'000, [](int i) { return "let a" + std::to_string(i) + " = 1"; }), "");
    EXPECT_EQ(lets.parameters.size(), 200'000U);
    EXPECT_EQ(lets.parameters.back().place.text(), "quay.brick:200001:5");
    const std::string circles = lines(30'000, [](int i) {
        return "circle at (" + std::to_string(i % 290) + ", " + std::to_string(i / 290) +
               ") radius 3 fill white";
    });
    EXPECT_GE(check(read(circles, "")).size(), 29'000U);
    // A list of lists of lists, all of them shared.
    std::string deep = "let a0 = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10]";
    for (int i = 1; i < 15; ++i) {
        const std::string last = "a" + std::to_string(i - 1);
        deep += "\nlet a" + std::to_string(i) + " = [" + last;
        for (int j = 0; j < 9; ++j) deep += ", " + last;
        deep += "]";
    }
    (void)read("sheet 9 x 9\n" + deep, "");
    EXPECT_THROW((void)read("sheet 9 x 9\n" + deep + "\nlet same = a14 == a14", ""),
                 SheetError); // counts its steps
}

TEST(Scaling, OfTables) {
    std::string object = "[{\"x\": 1, \"y\": 2";
    for (int i = 0; i < 200'000; ++i) object += ", \"k" + std::to_string(i) + "\": 1";
    (void)read("sheet 9 x 9\ndata d from \"a.json\"", object + "}]");
    EXPECT_EQ(read_marks("a.json", object + "}]", {}).marks.size(), 1U);
    std::string corners = "points\n\"";
    for (int i = 0; i < 900'000; ++i)
        corners += std::to_string(i % 300) + ' ' + std::to_string(i / 3000) + ' ';
    EXPECT_EQ(read_marks("a.csv", corners + "\"\n", {}).marks.size(), 1U);
}

// Memory has limits that can be raised, and says where it goes.
TEST(Scaling, OfMemory) {
    const std::string many = "sheet 9 x 9\nrepeat 1000000\n  dots (1, 1) stroke red\nend";
    const std::string rows = "x\n" + std::string(200'000, '7') + "\n8\n9\n";
    expect_errors<SheetError>({
        {[&] { (void)read(many, "", {.drawing_bytes = 1'000'000}); },
         "quay.brick:3:3: the drawing takes more than 1000000 bytes of memory: the limit can be raised "
         "(SheetLimits::drawing_bytes, --memory)\n  dots (1, 1) stroke red\n  ^"},
        {[&] { (void)read("sheet 9 x 9\ndata d from \"a.csv\"", rows, {.data_bytes = 100'000}); },
         "quay.brick:2:13: a.csv:2: the table takes more than 100000 bytes of memory: the limit for data can "
         "be raised "
         "(SheetLimits::data_bytes, MarkReading::most_bytes, --memory)\ndata d from \"a.csv\"\n            "
         "^"},
        {[&] {
             (void)read("sheet 9 x 9\nlet a = range(1, 1000)\nrepeat 100\n  if a == a\n  end\nend", "",
                        {.steps = 50'000});
         },
         "quay.brick:4:8: carrying the sheet out takes more steps than it may\n  if a == a\n       ^"},
        {[&] {
             (void)read("sheet 9 x 9\nlet a = range(1, 1000)\nrepeat 100\n  dots (min(a), 1) stroke red\nend",
                        "", {.steps = 50'000});
         },
         "quay.brick:4:9: carrying the sheet out takes more steps than it may\n  dots (min(a), 1) stroke "
         "red\n        "
         "^"},
    });
    (void)read(many, "", {.drawing_bytes = std::size_t{1} << 32});
    const Sheet sheet = read_sheet("sheet 400 x 400\nlet r = 3", "quay.brick");
    expect_errors<ArgumentError>({
        {[&] {
             (void)sweep(sheet, {.names = {swept_name("r=1..9")}, .threads = 1, .most_bytes = 1'000'000}, {});
         },
         "the pictures of a sweep take more than 1000000 bytes from r = 3 on: make them smaller "
         "(Sweep::largest, "
         "--tile) or raise Sweep::most_bytes"},
        {[&] { (void)sweep(sheet, {.names = {swept_name("r=1..9")}, .threads = -1}, {}); },
         "number of threads -1 is outside 0..2147483647"},
        {[&] {
             (void)sweep(sheet, {.names = {swept_name("r=1..9"), swept_name("r=1,2")}}, {});
         },
         "the name \"r\" is swept more than once"},
    });
    EXPECT_EQ(
        sweep(sheet, {.names = {swept_name("r=1..9")}, .largest = Size{40, 40}, .threads = 1'000'000}, {})
            .size(),
        9U);
}

TEST(Scaling, TablesSayWhatIsWrongWithThem) {
    const auto data = [](const char* file, const std::string& text) {
        return [=] { (void)read_marks(file, text, {}); };
    };
    expect_errors<FileError>({
        {data("a.json", std::string(100'000, '[') + std::string(100'000, ']')),
         "a.json:1:65: arrays and objects lie more than 64 deep within each other"},
        {data("a.json", "[{\"x\": 1},\n {\"x\": 1, \"y\" 2}]"), "a.json:2:15: this is not JSON"},
        {data("a.json", "[{\"x\": 1, \"y\": 2}, {\"x\": 1, \"y\": 2, \"x\": 3}]"),
         "a.json: object 2 has \"x\" twice"},
        {data("a.csv", "x,y,x\n1,2,3\n"), "a.csv:1: two columns are called \"x\""},
    });
    const MarkTable table = read_marks("a.json", "[{\"x\": 1, \"y\": null}, {\"x\": 1, \"y\": 2}]", {});
    EXPECT_EQ(table.marks.size(), 1U);
    EXPECT_EQ(table.faults,
              std::vector<std::string>{"a.json: object 1: \"y\" is null: leave it out, or give it a value"});
}

// What a receiver throws is its own.
TEST(Scaling, ReceiversMayThrow) {
    const Sheet sheet = read_sheet("sheet 40 x 40 on red", "quay.brick");
    const auto refuse = [](const ConstImageView&, std::int32_t) { throw ArgumentError("enough"); };
    const auto use_up = [](const ConstImageView&, std::int32_t) { throw std::bad_alloc(); };
    EXPECT_THROW((void)sheet.render_bands(PixelFormat::rgb8, 9, use_up), std::bad_alloc);
    expect_errors<ArgumentError>(
        {{[&] { (void)sheet.render_bands(PixelFormat::rgb8, 9, refuse); }, "enough"}});
}

// A mode changes the pixels of its shape and no others.
TEST(Scaling, MaskInALayer) {
    const Image image = read_sheet("sheet 20 x 9 on white\nlayer\n  box (0, 0) size 20 x 9 fill red\n"
                                   "  box (0, 0) size 9 x 9 fill #00000080 blend mask\nend",
                                   "quay.brick")
                            .render(PixelFormat::rgb8);
    EXPECT_EQ(image.pixel({4, 4}), Colour(255, 127, 127));
    EXPECT_EQ(image.pixel({14, 4}), Colour(255, 0, 0));
}

} // namespace coldbrick::test
