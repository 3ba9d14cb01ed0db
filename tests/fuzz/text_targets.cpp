// Bytes that are texts.

#include "fuzz/attempt.hpp"
#include "fuzz/input.hpp"
#include "fuzz/targets.hpp"

#include <coldbrick/bitmap.hpp>
#include <coldbrick/colour_space.hpp>
#include <coldbrick/colour_text.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/mark_table.hpp>
#include <coldbrick/measure.hpp>
#include <coldbrick/palette.hpp>
#include <coldbrick/path_text.hpp>
#include <coldbrick/sheet.hpp>
#include <coldbrick/sheet_check.hpp>
#include <coldbrick/sweep.hpp>
#include <coldbrick/visibility.hpp>

#include <algorithm>
#include <cstddef>
#include <cstdio>
#include <cstdlib>
#include <span>
#include <string>
#include <string_view>

namespace coldbrick::fuzz {

namespace {

std::string_view text_of(Bytes bytes) {
    return {reinterpret_cast<const char*>(bytes.data()), bytes.size()};
}

} // namespace

void require(bool holds, const char* promise) {
    if (holds) return;
    std::fprintf(stderr, "broken: %s\n", promise);
    std::abort();
}

void sheets(Bytes bytes) {
    attempt([&] {
        const auto load_image = [](const std::string&, std::size_t most) {
            return Image({3, 2}, PixelFormat::rgba8, Colour(9, 99, 199, 99), most);
        };
        // A sheet to include, and data that are the sheet's own text, whatever the files' names are.
        const auto load_text = [&](const std::string& file, std::size_t) -> std::string {
            if (!file.ends_with(".brick")) return std::string(text_of(bytes));
            return "let included = 3\nmotif m(a = 1)\ndots (a, 1) stroke red\nend";
        };
        const SheetReading reading{.load_image = load_image,
                                   .most_image_bytes = 1 << 24,
                                   .load_text = load_text,
                                   .limits = {.steps = 20000, .items = 2000, .pixels = 100000, .files = 20},
                                   .warns = true};
        const Sheet sheet = read_sheet(text_of(bytes), "fuzz.brick", reading);
        const std::string tidied = tidied_sheet(text_of(bytes), "fuzz.brick");
        require(tidied_sheet(tidied, "tidied.brick") == tidied, "tidying twice is tidying once");
        const Sheet again = read_sheet(tidied, "tidied.brick", reading);
        require(again.drawing.items().size() == sheet.drawing.items().size(), "tidying changes no statement");
        require(sheet.again(reading).drawing.items().size() == sheet.drawing.items().size(),
                "carried out again, a sheet is the same");
        if (sheet.drawing.items().size() > 200) return;
        const Image drawn = sheet.render();
        if (sheet.drawing.items().size() > 50) return;
        require(check(sheet).size() <= sheet.warnings.size() + sheet.carried_out.size(),
                "a statement has one reason why it cannot be seen");
        Image looked_at = sheet.blank();
        (void)owners(looked_at, sheet.drawing);
        require(difference(drawn, looked_at).largest == 0, "looking at a drawing draws it");
    });
}

void texts(Bytes bytes) {
    const std::string_view text = text_of(bytes);
    attempt([&] { require(colour(hex(colour(text))) == colour(text), "a colour is its own text's"); });
    attempt([&] {
        require(read_palette(palette_text(read_palette(text))) == read_palette(text), "so is a palette");
    });
    attempt([&] {
        const Path path = read_path(text);
        require(read_path(path_text(path)).contours().size() == path.contours().size(),
                "nor does a path lose contours");
    });
    attempt([&] { require(Bitmap(text).size().width > 0, "a bitmap has pixels"); });
    attempt([&] { require(!swept_name(text).values.empty(), "a swept name has values"); });
    for (const char* name : {"fuzz.csv", "fuzz.json"})
        attempt([&] {
            const MarkTable table = read_marks(name, std::string(text), {.picture = {40, 30}});
            Image image({40, 30}, PixelFormat::rgb8);
            draw(image, std::span(table.marks).first(std::min<std::size_t>(table.marks.size(), 8)));
        });
}

void tables(Bytes bytes) {
    constexpr std::string_view words[] = {
        "{",      "}",           "[",     "]",    "\"",    ",",           ":",       "\n",
        "x",      "y",           "left",  "top",  "right", "bottom",      "width",   "height",
        "points", "caption",     "group", "null", "true",  "1",           "-2.5",    "1e9",
        "\"\"",   "\r\n",        " ",     "\\",   "\\u00", "1 2 3 4 5 6", "\"x\":1", "{\"x\":1,\"y\":2}",
        "x,y\n",  "\xE2\x80\xAE"};
    Input input(bytes);
    std::string text;
    while (!input.empty() && text.size() < 60'000) {
        const auto choice = input.take<std::uint8_t>();
        text += words[choice % std::size(words)];
    }
    for (const char* name : {"fuzz.csv", "fuzz.json"})
        attempt([&] {
            const MarkTable table = read_marks(
                name, text, {.picture = {40, 30}, .fractions = text.size() % 2 == 0, .most_bytes = 1 << 22});
            Image image({40, 30}, PixelFormat::rgb8);
            draw(image, std::span(table.marks).first(std::min<std::size_t>(table.marks.size(), 8)));
        });
}

} // namespace coldbrick::fuzz
