#include "commands.hpp"
#include "json_output.hpp"
#include "text_file.hpp"

#include <coldbrick/colour_mixing.hpp>
#include <coldbrick/colour_space.hpp>
#include <coldbrick/colour_text.hpp>
#include <coldbrick/palette.hpp>

#include <fmt/format.h>

#include <utility>
#include <vector>

namespace {

coldbrick::Palette wanted(const ColoursArguments& arguments) {
    if (!arguments.palette.empty()) return read_palette_file(arguments.palette);
    if (arguments.distinct == 0) return coldbrick::default_palette();
    std::vector<coldbrick::Palette::Entry> entries;
    for (const coldbrick::Colour& colour : coldbrick::distinct_colours(arguments.distinct, arguments.seed))
        entries.push_back({colour});
    return coldbrick::Palette(std::move(entries));
}

} // namespace

void list_colours(const ColoursArguments& arguments) {
    const coldbrick::Palette palette = wanted(arguments);
    if (!arguments.json) return fmt::print("{}", coldbrick::palette_text(palette));
    nlohmann::ordered_json list = nlohmann::ordered_json::array();
    for (const coldbrick::Palette::Entry& entry : palette.entries())
        list.push_back({{"colour", coldbrick::hex(entry.colour)}, {"name", entry.name}});
    print_json(list);
}
