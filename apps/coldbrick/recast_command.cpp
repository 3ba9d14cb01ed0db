#include "commands.hpp"
#include "progress_bar.hpp"
#include "text_file.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/quantise.hpp>
#include <coldbrick/reel.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <filesystem>
#include <iostream>
#include <set>
#include <string_view>
#include <system_error>
#include <utility>
#include <vector>

namespace coldbrick::tool {

namespace {

namespace fs = std::filesystem;
/// Colours between those of a palette need a format that has them.
Image with_all_colours(Image image) {
    if (image.format() != PixelFormat::indexed8) return image;
    return converted(image, PixelFormat::rgba8);
}

Image changed(Image image, const RecastArguments& arguments, const Palette* palette) {
    if (arguments.size) {
        if (arguments.resizing.resampling != Resampling::nearest) image = with_all_colours(std::move(image));
        image = resized(image, *arguments.size, arguments.resizing);
    }
    if (arguments.orientation != Orientation{}) image = oriented(image, arguments.orientation);
    if (palette != nullptr) return converted(image, PixelFormat::indexed8, arguments.gray_rule, palette);
    if (arguments.format) image = converted(image, *arguments.format, arguments.gray_rule);
    return image;
}

/// Where an input goes to.
ImageOutput output_of(const std::string& input, const RecastArguments& arguments) {
    ImageOutput output = arguments.output;
    if (arguments.folder.empty()) return output;
    fs::path name = fs::path(input).filename();
    if (output.type) name.replace_extension(extension(*output.type));
    output.path = (fs::path(arguments.folder) / name).string();
    return output;
}

/// All outputs; before anything is written it is known that each has a type and a path of its own.
std::vector<ImageOutput> outputs_of(const RecastArguments& arguments) {
    std::vector<ImageOutput> result;
    std::set<std::string> paths;
    for (const std::string& input : arguments.inputs) {
        if (is_standard_stream(input) && !arguments.folder.empty())
            throw FileError("standard input has no name for a file in a folder: give -o");
        result.push_back(output_of(input, arguments));
        (void)result.back().file_type();
        refuse_to_replace(result.back().path, {arguments.inputs.begin(), arguments.inputs.end()});
        refuse_to_replace(result.back().path, {arguments.palette});
        if (!paths.insert(result.back().path).second)
            throw FileError(
                fmt::format("two of the images would become {}: nothing is written", result.back().path));
    }
    return result;
}

/// The type of reel that files of the type can be.
std::optional<ReelType> reel_type_of(FileType type) {
    switch (type) {
    case FileType::png: return ReelType::png;
    case FileType::gif: return ReelType::gif;
    case FileType::webp: return ReelType::webp;
    default: return std::nullopt;
    }
}

Image frame_of(const ImageInput& input, std::int32_t number) {
    std::optional<Image> result;
    std::int32_t next = 0;
    input.for_each_frame([&](Frame& frame) {
        if (next++ == number) result = std::move(frame.image);
    });
    if (!result) throw FileError(fmt::format("frame {} is outside 0..{}", number, next - 1));
    return std::move(*result);
}

/// Writes all frames of a reel as another.
void recast_reel(const ImageInput& input, ReelType type, const RecastArguments& arguments,
                 const Palette* palette, const ImageOutput& output) {
    constexpr Duration shortest(20'000); // for frames that tell none
    if (output.options.smallest || arguments.keep_texts || output.options.background)
        throw FileError("--smallest, --keep-texts and --background are for single pictures, not for reels");
    (void)encode(Image({1, 1}, PixelFormat::rgb8), output.file_type(),
                 output.options); // checks them
    ReelOptions options{.type = type,
                        .repeats = input.info().repeats,
                        .frame_count = static_cast<std::int32_t>(input.info().frames),
                        .dithered = output.options.dithered,
                        .quality = output.options.quality,
                        .compression = output.options.compression};
    const auto changed_frames = [&](auto use) {
        input.for_each_frame([&](Frame& frame) {
            use(changed(std::move(frame.image), arguments, palette), std::max(frame.duration, shortest));
        });
    };
    if (type == ReelType::gif) {
        ColourCensus census;
        changed_frames([&](const Image& image, Duration) { census.add(image); });
        options.palette = census.palette();
    }
    const auto write = [&](ReelWriter writer) {
        changed_frames([&](const Image& image, Duration duration) { writer.add(image, duration); });
        writer.finish();
    };
    if (is_standard_stream(output.path))
        write(ReelWriter(std::cout, type, options));
    else
        write(ReelWriter(output.path, options));
}

void recast_one(const std::string& path, const RecastArguments& arguments, const Palette* palette,
                ImageOutput output) {
    const ImageInput input(path);
    const ImageInfo& info = input.info();
    if (info.frames > 1 && !arguments.frame) {
        if (const auto reel = reel_type_of(output.file_type()))
            return recast_reel(input, *reel, arguments, palette, output);
        throw FileError(fmt::format("{} has {} frames, and a {} file holds one: give a --frame", path,
                                    info.frames, extension(output.file_type())));
    }
    if (arguments.keep_texts) output.options.texts = info.texts;
    Image image = arguments.frame ? frame_of(input, *arguments.frame) : input.image();
    save_image(changed(std::move(image), arguments, palette), output);
}

} // namespace

void recast(const RecastArguments& arguments) {
    const std::vector<ImageOutput> outputs = outputs_of(arguments);
    std::optional<Palette> palette;
    if (!arguments.palette.empty()) palette = read_palette_file(arguments.palette);
    if (!arguments.folder.empty()) make_folder(arguments.folder);
    const Palette* const colours = palette ? &*palette : nullptr;
    if (outputs.size() == 1) return recast_one(arguments.inputs[0], arguments, colours, outputs[0]);
    ProgressBar progress;
    for (std::size_t i = 0; i < outputs.size(); ++i) {
        const std::string& input = arguments.inputs[i];
        try {
            recast_one(input, arguments, colours, outputs[i]);
        } catch (const FileError& error) { // whose text need not tell which of the images it is about
            if (std::string_view(error.what()).starts_with(input)) throw;
            throw FileError(fmt::format("{}: {}", input, error.what()));
        }
        progress.show(static_cast<std::int64_t>(i) + 1, static_cast<std::int64_t>(outputs.size()));
    }
}

} // namespace coldbrick::tool
