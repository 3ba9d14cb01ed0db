#include "sheet_file.hpp"

#include "faces.hpp"
#include "text_file.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <cstdio>
#include <utility>

namespace cb = coldbrick;

cb::PixelFormat format_for(const cb::Sheet& sheet, cb::FileType type) {
    if (sheet.ground.alpha != 255) return cb::PixelFormat::rgba8;
    const bool gray = type == cb::FileType::pgm || type == cb::FileType::pbm;
    return gray ? cb::PixelFormat::gray8 : cb::PixelFormat::rgb8;
}

SheetFile::SheetFile(const SheetArguments& arguments, bool keeps_warnings)
    : SheetFile(arguments, read_text(arguments.path)) {
    keeps_warnings_ = keeps_warnings;
}

SheetFile::SheetFile(const SheetArguments& arguments, std::string text)
    : path_(arguments.path), text_(std::move(text)), leaves_folder_(arguments.leaves_folder),
      warns_(arguments.warns), keeps_warnings_(false), files_{path_} {
    for (const std::string& setting : arguments.settings) {
        const std::size_t sign = setting.find('=');
        settings_.push_back({setting.substr(0, sign), setting.substr(sign + 1)});
    }
}

/// A file's path from the sheet's folder, which is noted.
std::filesystem::path SheetFile::found(const std::string& file) const {
    std::filesystem::path result = path_.parent_path() / file;
    if (std::ranges::find(files_, result) == files_.end()) files_.push_back(result);
    return result;
}

cb::Image SheetFile::load_image(const std::string& file, std::size_t most_bytes) const {
    return cb::load(found(file), {.limits = {.bytes = most_bytes}});
}

cb::Face SheetFile::load_face(const cb::WantedFace& wanted) const {
    if (is_font_file(wanted.name)) (void)found(wanted.name);
    return face_named(wanted, path_.parent_path());
}

std::string SheetFile::load_text(const std::string& file) const {
    return read_text(found(file));
}

cb::Sheet SheetFile::read(std::int32_t frame) const {
    cb::Sheet result = with_reading(frame, [this](const cb::SheetReading& reading) {
        return sheet_ ? sheet_->again(reading) : cb::read_sheet(text_, path_.string(), reading);
    });
    if (warns_ && !sheet_)
        for (const cb::SheetWarning& warning : result.warnings)
            fmt::print(stderr, "{}: warning: {}\n", warning.place, warning.message);
    if (!sheet_) sheet_ = result;
    return result;
}
