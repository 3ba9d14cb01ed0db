#include "commands.hpp"
#include "progress_bar.hpp"
#include "text_file.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/files.hpp>

#include <fmt/format.h>

#include <filesystem>
#include <set>
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
        if (!paths.insert(result.back().path).second)
            throw cb::FileError(
                fmt::format("two of the images would become {}: nothing is written", result.back().path));
    }
    return result;
}

} // namespace

void recast(const RecastArguments& arguments) {
    const std::vector<ImageOutput> outputs = outputs_of(arguments);
    std::optional<cb::Palette> palette;
    if (!arguments.palette.empty()) palette = read_palette_file(arguments.palette);
    if (!arguments.folder.empty()) make_folder(arguments.folder);
    ProgressBar progress;
    for (std::size_t i = 0; i < outputs.size(); ++i) {
        ImageOutput output = outputs[i];
        if (arguments.keep_texts) output.options.texts = inspect_image(arguments.inputs[i]).texts;
        save_image(changed(load_image(arguments.inputs[i]), arguments, palette ? &*palette : nullptr),
                   output);
        if (outputs.size() > 1)
            progress.show(static_cast<std::int64_t>(i) + 1, static_cast<std::int64_t>(outputs.size()));
    }
}
