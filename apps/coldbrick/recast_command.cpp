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

namespace {

namespace fs = std::filesystem;
namespace cb = coldbrick;

/// Colours between those of a palette need a format that has them.
cb::Image with_all_colours(cb::Image image) {
    if (image.format() != cb::PixelFormat::indexed8) return image;
    return cb::converted(image, cb::PixelFormat::rgba8);
}

cb::Image changed(cb::Image image, const RecastArguments& arguments, const cb::Palette* palette) {
    if (arguments.size) {
        if (arguments.resizing.resampling != cb::Resampling::nearest)
            image = with_all_colours(std::move(image));
        image = cb::resized(image, *arguments.size, arguments.resizing);
    }
    if (arguments.orientation != cb::Orientation{}) image = cb::oriented(image, arguments.orientation);
    if (palette != nullptr)
        return cb::converted(image, cb::PixelFormat::indexed8, arguments.gray_rule, palette);
    if (arguments.format) image = cb::converted(image, *arguments.format, arguments.gray_rule);
    return image;
}

/// Where an input goes to.
ImageOutput output_of(const std::string& input, const RecastArguments& arguments) {
    ImageOutput output = arguments.output;
    if (arguments.folder.empty()) return output;
    fs::path name = fs::path(input).filename();
    if (output.type) name.replace_extension(cb::extension(*output.type));
    output.path = (fs::path(arguments.folder) / name).string();
    return output;
}

/// All outputs; before anything is written it is known that each has a type and a path of its own.
std::vector<ImageOutput> outputs_of(const RecastArguments& arguments) {
    std::vector<ImageOutput> result;
    std::set<std::string> paths;
    for (const std::string& input : arguments.inputs) {
        if (is_standard_stream(input) && !arguments.folder.empty())
            throw cb::FileError("standard input has no name for a file in a folder: give -o");
        result.push_back(output_of(input, arguments));
        (void)result.back().file_type();
        refuse_to_replace(result.back().path, {arguments.inputs.begin(), arguments.inputs.end()});
        refuse_to_replace(result.back().path, {arguments.palette});
        if (!paths.insert(result.back().path).second)
            throw cb::FileError(
                fmt::format("two of the images would become {}: nothing is written", result.back().path));
    }
    return result;
}

/// The type of reel that files of the type can be.
std::optional<cb::ReelType> reel_type_of(cb::FileType type) {
    switch (type) {
    case cb::FileType::png: return cb::ReelType::png;
    case cb::FileType::gif: return cb::ReelType::gif;
    case cb::FileType::webp: return cb::ReelType::webp;
    default: return std::nullopt;
    }
}

cb::Image frame_of(const ImageInput& input, std::int32_t number) {
    std::optional<cb::Image> result;
    std::int32_t next = 0;
    input.for_each_frame([&](cb::Frame& frame) {
        if (next++ == number) result = std::move(frame.image);
    });
    if (!result) throw cb::FileError(fmt::format("frame {} is outside 0..{}", number, next - 1));
    return std::move(*result);
}

/// Writes all frames of a reel as another.
void recast_reel(const ImageInput& input, cb::ReelType type, const RecastArguments& arguments,
                 const cb::Palette* palette, const ImageOutput& output) {
    constexpr cb::Duration shortest(20'000); // for frames that tell none
    if (output.options.smallest || arguments.keep_texts || output.options.background)
        throw cb::FileError(
            "--smallest, --keep-texts and --background are for single pictures, not for reels");
    (void)cb::encode(cb::Image({1, 1}, cb::PixelFormat::rgb8), output.file_type(),
                     output.options); // checks them
    cb::ReelOptions options{.type = type,
                            .repeats = input.info().repeats,
                            .frame_count = static_cast<std::int32_t>(input.info().frames),
                            .dithered = output.options.dithered,
                            .quality = output.options.quality,
                            .compression = output.options.compression};
    const auto changed_frames = [&](auto use) {
        input.for_each_frame([&](cb::Frame& frame) {
            use(changed(std::move(frame.image), arguments, palette), std::max(frame.duration, shortest));
        });
    };
    if (type == cb::ReelType::gif) {
        cb::ColourCensus census;
        changed_frames([&](const cb::Image& image, cb::Duration) { census.add(image); });
        options.palette = census.palette();
    }
    const auto write = [&](cb::ReelWriter writer) {
        changed_frames([&](const cb::Image& image, cb::Duration duration) { writer.add(image, duration); });
        writer.finish();
    };
    if (is_standard_stream(output.path))
        write(cb::ReelWriter(std::cout, type, options));
    else
        write(cb::ReelWriter(output.path, options));
}

void recast_one(const std::string& path, const RecastArguments& arguments, const cb::Palette* palette,
                ImageOutput output) {
    const ImageInput input(path);
    const cb::ImageInfo& info = input.info();
    if (info.frames > 1 && !arguments.frame) {
        if (const auto reel = reel_type_of(output.file_type()))
            return recast_reel(input, *reel, arguments, palette, output);
        throw cb::FileError(fmt::format("{} has {} frames, and a {} file holds one: give a --frame", path,
                                        info.frames, cb::extension(output.file_type())));
    }
    if (arguments.keep_texts) output.options.texts = info.texts;
    cb::Image image = arguments.frame ? frame_of(input, *arguments.frame) : input.image();
    save_image(changed(std::move(image), arguments, palette), output);
}

} // namespace

void recast(const RecastArguments& arguments) {
    const std::vector<ImageOutput> outputs = outputs_of(arguments);
    std::optional<cb::Palette> palette;
    if (!arguments.palette.empty()) palette = read_palette_file(arguments.palette);
    if (!arguments.folder.empty()) make_folder(arguments.folder);
    const cb::Palette* const colours = palette ? &*palette : nullptr;
    if (outputs.size() == 1) return recast_one(arguments.inputs[0], arguments, colours, outputs[0]);
    ProgressBar progress;
    for (std::size_t i = 0; i < outputs.size(); ++i) {
        const std::string& input = arguments.inputs[i];
        try {
            recast_one(input, arguments, colours, outputs[i]);
        } catch (const cb::FileError& error) { // whose text need not tell which of the images it is about
            if (std::string_view(error.what()).starts_with(input)) throw;
            throw cb::FileError(fmt::format("{}: {}", input, error.what()));
        }
        progress.show(static_cast<std::int64_t>(i) + 1, static_cast<std::int64_t>(outputs.size()));
    }
}
