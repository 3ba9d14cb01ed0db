#include "commands.hpp"
#include "progress_bar.hpp"
#include "samples.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/reel.hpp>
#include <coldbrick/sheet.hpp>

#include <fmt/format.h>
#include <fmt/ranges.h>

#include <algorithm>
#include <cstddef>
#include <filesystem>
#include <iterator>
#include <span>
#include <sstream>
#include <system_error>
#include <vector>

namespace coldbrick::tool {

namespace {

namespace fs = std::filesystem;
/// A file that the demo makes.
struct Output {
    fs::path path;
    std::vector<std::byte> bytes;
    std::string origin; ///< what a picture is drawn from; empty for a sheet
};

/// What is made of a sheet, if it is not one PNG file.
struct Outputs {
    std::string_view sheet;
    std::string_view picture; ///< the extension of its picture; empty if it becomes reels
};
constexpr Outputs unusual_outputs[] = {{"tarn_haven_camera.brick", ".jpg"}, {"tarn_haven_night.brick", ""}};

/// What other sheets include, and is no picture by itself.
constexpr std::string_view shared_sheet = "tarn_haven_marks.brick";

std::vector<std::byte> bytes_of(std::string_view text) {
    const auto bytes = std::as_bytes(std::span(text));
    return {bytes.begin(), bytes.end()};
}

/// Opens the pictures that the demo has made before, which a later sheet shows.
auto images_among(const std::vector<Output>& made) {
    return [&made](const std::string& file, std::size_t most_bytes) {
        for (const Output& output : made)
            if (output.path.filename() == file)
                return decode(output.bytes, {.limits = {.bytes = most_bytes}});
        throw FileError(fmt::format("the demo makes no picture {}", file));
    };
}

constexpr auto text_of_sample = [](const std::string& file, std::size_t) {
    const auto samples_there = samples();
    const auto found = std::ranges::find(samples_there, file, &Sample::name);
    if (found == samples_there.end()) throw FileError(fmt::format("the demo has no file {}", file));
    return std::string(found->text);
};

/// The frames of a sheet as a reel of each type.
void add_reels(const Sample& sample, const fs::path& path, std::vector<Output>& made) {
    const auto images = images_among(made);
    const auto reading = [&](std::int32_t frame) -> SheetReading {
        return {.load_image = images, .load_text = text_of_sample, .frame = frame};
    };
    const Sheet first = read_sheet(sample.text, path.string(), reading(0));
    std::vector<Image> frames;
    frames.reserve(static_cast<std::size_t>(first.frames));
    for (std::int32_t i = 0; i < first.frames; ++i)
        frames.push_back(first.again(reading(i)).render(PixelFormat::rgb8));
    const auto frame = [&](std::int32_t i) { return frames[static_cast<std::size_t>(i)]; };
    for (const auto& [type, extension] : {std::pair{ReelType::png, ".png"}, {ReelType::gif, ".gif"}}) {
        std::ostringstream stream;
        ProgressBar bar;
        write_reel(stream, type, 0, first.frames - 1, frame, {.rate = first.rate},
                   [&bar](std::int64_t done, std::int64_t all) { bar.show(done, all); });
        made.push_back({fs::path(path).replace_extension(extension), bytes_of(stream.view()), path.string()});
    }
}

std::vector<Output> drawn_samples(const fs::path& folder) {
    std::vector<Output> made;
    for (const Sample& sample : samples()) {
        const fs::path path = folder / sample.name;
        made.push_back({path, bytes_of(sample.text), ""});
        if (path.extension() != ".brick" || sample.name == shared_sheet) continue;
        const auto* const unusual = std::ranges::find(unusual_outputs, sample.name, &Outputs::sheet);
        const std::string extension(unusual == std::end(unusual_outputs) ? ".png" : unusual->picture);
        if (extension.empty()) {
            add_reels(sample, path, made);
            continue;
        }
        const auto images = images_among(made);
        const Sheet sheet =
            read_sheet(sample.text, path.string(), {.load_image = images, .load_text = text_of_sample});
        const fs::path picture = fs::path(path).replace_extension(extension);
        const FileType type = file_type(picture);
        made.push_back({picture, encode(sheet.render(format_for(sheet, type)), type), path.string()});
    }
    return made;
}

bool is_there(const fs::path& path) {
    std::error_code error;
    return fs::exists(fs::symlink_status(path, error));
}

bool is_same(const Output& output) {
    std::error_code error;
    return fs::is_regular_file(output.path, error) &&
           fs::file_size(output.path, error) == output.bytes.size() && read_file(output.path) == output.bytes;
}

} // namespace

void make_folder(const std::string& folder) {
    std::error_code error;
    fs::create_directories(folder, error);
    if (error) throw FileError(fmt::format("cannot make the folder {}: {}", folder, error.message()));
}

void write_demo(const DemoArguments& arguments) {
    const std::vector<Output> made = drawn_samples(arguments.folder);
    std::vector<const Output*> missing;
    std::vector<std::string> different;
    for (const Output& output : made) {
        if (is_same(output)) continue;
        missing.push_back(&output);
        if (is_there(output.path)) different.push_back(output.path.string());
    }
    if (!different.empty() && !arguments.force)
        throw FileError(fmt::format("nothing is written, since these files are there and differ from the "
                                    "demo's; --force replaces them: {}",
                                    fmt::join(different, ", ")));
    make_folder(arguments.folder);
    for (const Output* const output : missing) write_file(output->path, output->bytes);
    fmt::print("Open these files:\n");
    for (const Output& output : made)
        if (!output.origin.empty()) fmt::print("  {}  drawn from {}\n", output.path.string(), output.origin);
}

} // namespace coldbrick::tool
