#include "sheet_file.hpp"

#include "text_file.hpp"

coldbrick::ImageLoader images_beside(const std::filesystem::path& sheet) {
    return [folder = sheet.parent_path()](const std::string& file, std::size_t most_bytes) {
        return coldbrick::load(folder / file, most_bytes);
    };
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
