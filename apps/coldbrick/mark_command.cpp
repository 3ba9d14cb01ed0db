#include "commands.hpp"
#include "streams.hpp"
#include "text_file.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/marks.hpp>

#include <fmt/format.h>
#include <fmt/ranges.h>

#include <string>

namespace coldbrick::tool {

namespace {

void tell(const MarkTable& table, bool skips_bad_rows) {
    constexpr std::size_t most_told = 20;
    std::string text;
    for (std::size_t i = 0; i < table.faults.size() && i < most_told; ++i)
        text += (i == 0 ? "" : "\n") + table.faults[i];
    if (table.faults.size() > most_told)
        text += fmt::format("\nand {} more rows", table.faults.size() - most_told);
    if (text.empty()) return;
    if (!skips_bad_rows) throw FileError(text);
    print_message(text + "\n");
}

} // namespace

void mark(const MarkArguments& arguments) {
    refuse_to_replace(arguments.output.path, {arguments.image, arguments.table, arguments.palette});
    Image image = ImageInput(arguments.image).image();
    MarkReading reading = arguments.reading;
    reading.picture = image.size();
    const MarkTable table = read_marks(arguments.table, read_text(arguments.table), reading);
    tell(table, arguments.skips_bad_rows);
    MarkStyle style{.width = arguments.width, .text_size = arguments.text_size, .legend = arguments.legend};
    if (!arguments.palette.empty()) {
        const Palette palette = read_palette_file(arguments.palette);
        for (const Palette::Entry& entry : palette.entries()) style.colours.push_back(entry.colour);
    }
    // Marks have colours of their own, which gray pixels and palettes lack.
    if (image.format() == PixelFormat::indexed8 || layout(image.format()).is_gray())
        image = converted(image, PixelFormat::rgb8);
    draw(image, table.marks, style);
    save_image(image, arguments.output);
}

} // namespace coldbrick::tool
