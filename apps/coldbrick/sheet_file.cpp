#include "sheet_file.hpp"

#include "faces.hpp"
#include "text_file.hpp"

#include <fmt/format.h>

#include <cstdio>

namespace cb = coldbrick;

cb::PixelFormat format_for(const cb::Sheet& sheet, cb::FileType type) {
    if (sheet.ground.alpha != 255) return cb::PixelFormat::rgba8;
    const bool gray = type == cb::FileType::pgm || type == cb::FileType::pbm;
    return gray ? cb::PixelFormat::gray8 : cb::PixelFormat::rgb8;
}

SheetFile::SheetFile(const SheetArguments& arguments)
    : path_(arguments.path), text_(read_text(arguments.path)), leaves_folder_(arguments.leaves_folder),
      warns_(arguments.warns) {
    for (const std::string& text : arguments.settings) {
        const std::size_t sign = text.find('=');
        settings_.push_back({text.substr(0, sign), text.substr(sign + 1)});
    }
}

cb::Sheet SheetFile::read(std::int32_t frame) const {
    const std::filesystem::path folder = path_.parent_path();
    const auto load_image = [&](const std::string& file, std::size_t most_bytes) {
        return cb::load(folder / file, {.limits = {.bytes = most_bytes}});
    };
    const auto load_face = [&](const cb::WantedFace& wanted) { return face_named(wanted, folder); };
    const auto load_text = [&](const std::string& file, std::size_t) { return read_text(folder / file); };
    const cb::SheetReading reading{.settings = settings_,
                                   .load_image = load_image,
                                   .load_face = load_face,
                                   .load_text = load_text,
                                   .leaves_folder = leaves_folder_,
                                   .warns = warns_ && !sheet_,
                                   .frame = frame};
    cb::Sheet result = sheet_ ? sheet_->again(reading) : cb::read_sheet(text_, path_.string(), reading);
    for (const cb::SheetWarning& warning : result.warnings)
        fmt::print(stderr, "{}: warning: {}\n", warning.place, warning.message);
    if (!sheet_) sheet_ = result;
    return result;
}
