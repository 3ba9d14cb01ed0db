#include "sheet_file.hpp"

#include "faces.hpp"
#include "image_files.hpp"
#include "streams.hpp"
#include "text_file.hpp"

#include "base/shown_text.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <span>
#include <system_error>
#include <utility>

namespace coldbrick::tool {

PixelFormat format_for(const Sheet& sheet, FileType type) {
    if (sheet.ground.alpha != 255) return PixelFormat::rgba8;
    const bool gray = type == FileType::pgm || type == FileType::pbm;
    return gray ? PixelFormat::gray8 : PixelFormat::rgb8;
}

std::string sheet_text(const std::string& path) {
    std::string text = read_text(path);
    if (is_image(std::as_bytes(std::span(text))))
        throw FileError(
            fmt::format("{} is an image, not a sheet; recast, inspect, look, grid, mark and differ take "
                        "images, and a sheet takes one by: sheet from {}",
                        base::shown(path, 300), base::in_quotes(path)));
    return text;
}

SheetFile::SheetFile(const SheetArguments& arguments, bool keeps_warnings)
    : SheetFile(arguments, sheet_text(arguments.path)) {
    keeps_warnings_ = keeps_warnings;
}

SheetFile::SheetFile(const SheetArguments& arguments, std::string text)
    : path_(arguments.path), text_(std::move(text)), leaves_folder_(arguments.leaves_folder),
      memory_(arguments.memory_mib << 20U), warns_(arguments.warns), keeps_warnings_(false), files_{path_} {
    for (const std::string& setting : arguments.settings) {
        const std::size_t sign = setting.find('=');
        const std::string name = setting.substr(0, sign);
        if (std::ranges::find(settings_, name, &Setting::name) != settings_.end())
            throw ArgumentError(fmt::format("--set gives {} twice", base::in_quotes(name)));
        settings_.push_back({name, setting.substr(sign + 1)});
    }
}

namespace {

/// True if a file lies in a folder or below it, wherever links lead.
bool is_below(const std::filesystem::path& file, const std::filesystem::path& folder) {
    std::error_code ignored;
    const auto resolved = [&ignored](const std::filesystem::path& path) {
        return std::filesystem::weakly_canonical(std::filesystem::absolute(path, ignored), ignored);
    };
    const std::filesystem::path whole = resolved(folder.empty() ? "." : folder);
    const std::filesystem::path inside = resolved(file);
    return std::ranges::mismatch(whole, inside).in1 == whole.end();
}

} // namespace

/// A file's path from the sheet's folder, which is noted.
/// @throws FileError if a link leads out of the folder, or the file is none that can be read to its end.
std::filesystem::path SheetFile::found(const std::string& file) const {
    std::filesystem::path result = path_.parent_path() / file;
    if (std::ranges::find(files_, result) == files_.end()) files_.push_back(result);
    if (!leaves_folder_ && !is_below(result, path_.parent_path()))
        throw FileError(fmt::format("{} leads out of the sheet's folder: --leave-folder allows that",
                                    base::in_quotes(file)));
    std::error_code ignored;
    const auto status = std::filesystem::status(result, ignored);
    if (std::filesystem::exists(status) && !std::filesystem::is_regular_file(status))
        throw FileError(fmt::format("{} is not a regular file", base::in_quotes(file)));
    return result;
}

Image SheetFile::load_image(const std::string& file, std::size_t most_bytes) const {
    return load(found(file), {.limits = {.bytes = most_bytes}});
}

Face SheetFile::load_face(const WantedFace& wanted) const {
    if (is_font_file(wanted.name)) (void)found(wanted.name);
    return face_named(wanted, path_.parent_path());
}

std::string SheetFile::load_text(const std::string& file) const {
    return read_text(found(file));
}

Sheet SheetFile::read(std::int32_t frame) const {
    Sheet result = with_reading(frame, [this](const SheetReading& reading) {
        return sheet_ ? sheet_->again(reading) : read_sheet(text_, path_.string(), reading);
    });
    if (warns_ && !sheet_)
        for (const SheetWarning& warning : result.warnings)
            print_message(fmt::format("{}: warning: {}\n", warning.place.text(), warning.message));
    if (!sheet_) sheet_ = result;
    return result;
}

} // namespace coldbrick::tool
