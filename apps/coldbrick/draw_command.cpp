#include "commands.hpp"

#include <coldbrick/files.hpp>

void draw(const DrawArguments& arguments) {
    const coldbrick::FileType type = coldbrick::file_type(arguments.output);
    const coldbrick::Sheet sheet = read_sheet_file(arguments.sheet);
    coldbrick::save(sheet.render(format_for(sheet, type)), arguments.output);
}
