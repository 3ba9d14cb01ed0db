#include "commands.hpp"
#include "text_file.hpp"

#include <coldbrick/colour_space.hpp>
#include <coldbrick/palette.hpp>

#include <fmt/format.h>

#include <cstdint>
#include <memory>
#include <string>
#include <utility>
#include <vector>

namespace {

struct Arguments {
    std::string palette;
    int distinct = 0;
    std::uint64_t seed = 0;
};

coldbrick::Palette wanted(const Arguments& arguments) {
    if (!arguments.palette.empty()) return read_palette_file(arguments.palette);
    if (arguments.distinct == 0) return coldbrick::default_palette();
    std::vector<coldbrick::Palette::Entry> entries;
    for (const coldbrick::Colour& colour :
         coldbrick::distinct_colours(static_cast<std::size_t>(arguments.distinct), arguments.seed))
        entries.push_back({colour});
    return coldbrick::Palette(std::move(entries));
}

} // namespace

void add_colours_command(CLI::App& tool) {
    CLI::App* const command = tool.add_subcommand(
        "colours", "List a palette's colours as text, which --palette of other commands reads");
    const auto arguments = std::make_shared<Arguments>();
    CLI::Option* const file =
        command
            ->add_option("--palette", arguments->palette, "A palette file instead of the tool's own colours")
            ->type_name("FILE");
    command
        ->add_option("--distinct", arguments->distinct, "So many colours that are easily told apart, 1..256")
        ->check(CLI::Range(1, 256))
        ->excludes(file);
    command->add_option("--seed", arguments->seed, "Turns the distinct colours' hues");
    command->callback([arguments] { fmt::print("{}", coldbrick::palette_text(wanted(*arguments))); });
}
