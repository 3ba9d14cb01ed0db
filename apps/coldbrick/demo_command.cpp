#include "commands.hpp"
#include "samples.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/sheet.hpp>

#include <fmt/format.h>
#include <fmt/ranges.h>

#include <algorithm>
#include <cstddef>
#include <filesystem>
#include <span>
#include <system_error>
#include <vector>

namespace {

namespace fs = std::filesystem;
namespace cb = coldbrick;

/// A file that the demo makes.
struct Output {
    fs::path path;
    std::vector<std::byte> bytes;
};

/// A sheet and its picture.
struct Pair {
    Output sheet;
    Output picture;
};

std::vector<std::byte> bytes_of(std::string_view text) {
    const auto bytes = std::as_bytes(std::span(text));
    return {bytes.begin(), bytes.end()};
}

/// Opens the pictures that the demo has made before, which a later sheet shows.
cb::ImageLoader images_among(const std::vector<Pair>& made) {
    return [&made](const std::string& file, std::size_t most_bytes) {
        for (const Pair& pair : made)
            if (pair.picture.path.filename() == file) return cb::decode(pair.picture.bytes, most_bytes);
        throw cb::FileError(fmt::format("the demo makes no picture {}", file));
    };
}

std::vector<Pair> drawn_samples(const fs::path& folder) {
    std::vector<Pair> result;
    for (const Sample& sample : samples()) {
        const fs::path path = folder / sample.name;
        const cb::Sheet sheet = cb::read_sheet(sample.text, path.string(), {}, images_among(result));
        const cb::Image image = sheet.render(format_for(sheet, cb::FileType::png));
        result.push_back({{path, bytes_of(sample.text)},
                          {fs::path(path).replace_extension(".png"), cb::encode(image, cb::FileType::png)}});
    }
    return result;
}

bool is_there(const fs::path& path) {
    std::error_code error;
    return fs::exists(fs::symlink_status(path, error));
}

bool is_same(const Output& output) {
    std::error_code error;
    return fs::is_regular_file(output.path, error) &&
           fs::file_size(output.path, error) == output.bytes.size() &&
           cb::read_file(output.path) == output.bytes;
}

void make_folder(const fs::path& folder) {
    std::error_code error;
    fs::create_directories(folder, error);
    if (error)
        throw cb::FileError(fmt::format("cannot make the folder {}: {}", folder.string(), error.message()));
}

} // namespace

void write_demo(const DemoArguments& arguments) {
    const std::vector<Pair> made = drawn_samples(arguments.folder);
    std::vector<const Output*> missing;
    std::vector<std::string> different;
    for (const Pair& pair : made)
        for (const Output* const output : {&pair.sheet, &pair.picture}) {
            if (is_same(*output)) continue;
            missing.push_back(output);
            if (is_there(output->path)) different.push_back(output->path.string());
        }
    if (!different.empty() && !arguments.force)
        throw cb::FileError(fmt::format("nothing is written, since these files are there and differ from the "
                                        "demo's; --force replaces them: {}",
                                        fmt::join(different, ", ")));
    make_folder(arguments.folder);
    for (const Output* const output : missing) cb::write_file(output->path, output->bytes);
    fmt::print("Open these files:\n");
    for (const Pair& pair : made)
        fmt::print("  {}  drawn from {}\n", pair.picture.path.string(), pair.sheet.path.string());
}
