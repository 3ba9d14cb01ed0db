#include "commands.hpp"
#include "samples.hpp"
#include "text_file.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/sheet.hpp>

#include <fmt/format.h>

#include <filesystem>
#include <system_error>

namespace {

namespace fs = std::filesystem;

void make_folder(const fs::path& folder) {
    std::error_code error;
    fs::create_directories(folder, error);
    if (error)
        throw coldbrick::FileError(
            fmt::format("cannot make the folder {}: {}", folder.string(), error.message()));
}

} // namespace

void write_demo(const DemoArguments& arguments) {
    const fs::path folder = arguments.folder;
    make_folder(folder);
    fmt::print("Open these files:\n");
    for (const Sample& sample : samples()) {
        const fs::path sheet_path = folder / sample.name;
        const fs::path picture_path = fs::path(sheet_path).replace_extension(".png");
        write_text(sheet_path, sample.text);
        const coldbrick::Sheet sheet =
            coldbrick::read_sheet(sample.text, sheet_path.string(), {}, images_beside(sheet_path));
        coldbrick::save(sheet.render(format_for(sheet, coldbrick::FileType::png)), picture_path);
        fmt::print("  {}  drawn from {}\n", picture_path.string(), sheet_path.string());
    }
}
