#include "commands.hpp"

#include <coldbrick/files.hpp>
#include <coldbrick/magnify.hpp>

void graph(const GraphArguments& arguments) {
    const coldbrick::FileType type = coldbrick::file_type(arguments.output);
    const coldbrick::Sheet sheet = read_sheet_file(arguments.sheet);
    const coldbrick::Image image = sheet.render(format_for(sheet, type));
    coldbrick::save(coldbrick::magnified(image, {.zoom = arguments.zoom}), arguments.output);
}
