#include "sheet_file.hpp"

#include "text_file.hpp"

#include <fmt/format.h>

namespace {

/// Accepts NAME=VALUE.
std::string check_setting(const std::string& text) {
    const std::size_t sign = text.find('=');
    if (sign == std::string::npos || sign == 0 || sign + 1 == text.size())
        return fmt::format("\"{}\" is not of the form NAME=VALUE", text);
    return {};
}

} // namespace

void add_sheet_arguments(CLI::App& command, SheetArguments& arguments) {
    command.add_option("SHEET", arguments.path, "The sheet to read")->required();
    command
        .add_option("--set", arguments.settings, "Give a name of the sheet another value; may be repeated")
        ->type_name("NAME=VALUE")
        ->allow_extra_args(false)
        ->check(CLI::Validator(check_setting, "", "setting"));
}

coldbrick::ImageLoader images_beside(const std::filesystem::path& sheet) {
    return [folder = sheet.parent_path()](const std::string& file) { return coldbrick::load(folder / file); };
}

coldbrick::PixelFormat format_for(const coldbrick::Sheet& sheet, coldbrick::FileType type) {
    if (sheet.ground.alpha != 255) return coldbrick::PixelFormat::rgba8;
    return type == coldbrick::FileType::pgm ? coldbrick::PixelFormat::gray8 : coldbrick::PixelFormat::rgb8;
}

coldbrick::Sheet read_sheet_file(const SheetArguments& arguments) {
    std::vector<coldbrick::Setting> settings;
    for (const std::string& text : arguments.settings) {
        const std::size_t sign = text.find('=');
        settings.push_back({text.substr(0, sign), text.substr(sign + 1)});
    }
    return coldbrick::read_sheet(read_text(arguments.path), arguments.path, settings,
                                 images_beside(arguments.path));
}
