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

namespace coldbrick::tool {

namespace {

Palette wanted(const ColoursArguments& arguments) {
    if (!arguments.palette.empty()) return read_palette_file(arguments.palette);
    if (arguments.distinct == 0) return default_palette();
    std::vector<Palette::Entry> entries;
    for (const Colour& colour : distinct_colours(arguments.distinct, arguments.seed))
        entries.push_back({colour});
    return Palette(std::move(entries));
}

} // namespace

void list_colours(const ColoursArguments& arguments) {
    const Palette palette = wanted(arguments);
    if (!arguments.json) return fmt::print("{}", palette_text(palette));
    Json list = Json::list();
    for (const Palette::Entry& entry : palette.entries())
        list.add({{"colour", hex(entry.colour)}, {"name", entry.name}});
    print_json(list);
}

} // namespace coldbrick::tool
