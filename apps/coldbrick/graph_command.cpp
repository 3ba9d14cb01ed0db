#include "commands.hpp"
#include "sheet_file.hpp"

#include <coldbrick/files.hpp>
#include <coldbrick/magnify.hpp>

#include <memory>

namespace {

struct Arguments {
    SheetArguments sheet;
    std::string output;
    int zoom = 16;
};

} // namespace

void add_graph_command(CLI::App& tool) {
    CLI::App* const command =
        tool.add_subcommand("graph", "Draw a sheet magnified, with a grid between its pixels");
    const auto arguments = std::make_shared<Arguments>();
    add_sheet_arguments(*command, arguments->sheet);
    command->add_option("-o,--output", arguments->output, "The image file: .png, .pgm, .ppm, .pam or .pnm")
        ->required()
        ->type_name("FILE");
    command->add_option("--zoom", arguments->zoom, "The side of a magnified pixel, 1..1024")
        ->capture_default_str();
    command->callback([arguments] {
        const coldbrick::FileType type = coldbrick::file_type(arguments->output);
        const coldbrick::Sheet sheet = read_sheet_file(arguments->sheet);
        const coldbrick::Image image = sheet.render(format_for(sheet, type));
        coldbrick::save(coldbrick::magnified(image, {.zoom = arguments->zoom}), arguments->output);
    });
}
