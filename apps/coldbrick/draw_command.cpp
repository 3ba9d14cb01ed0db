#include "commands.hpp"
#include "sheet_file.hpp"

#include <coldbrick/files.hpp>

#include <memory>

namespace {

struct Arguments {
    SheetArguments sheet;
    std::string output;
};

} // namespace

void add_draw_command(CLI::App& tool) {
    CLI::App* const command = tool.add_subcommand("draw", "Draw a sheet into an image file");
    const auto arguments = std::make_shared<Arguments>();
    add_sheet_arguments(*command, arguments->sheet);
    command->add_option("-o,--output", arguments->output, "The image file: .png, .pgm, .ppm, .pam or .pnm")
        ->required()
        ->type_name("FILE");
    command->callback([arguments] {
        const coldbrick::FileType type =
            coldbrick::file_type(arguments->output); // told before the work is done
        const coldbrick::Sheet sheet = read_sheet_file(arguments->sheet);
        coldbrick::save(sheet.render(format_for(sheet, type)), arguments->output);
    });
}
