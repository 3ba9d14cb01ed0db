#include "commands.hpp"
#include "text_file.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/resize.hpp>

#include <fmt/format.h>

#include <charconv>
#include <map>
#include <memory>
#include <optional>
#include <system_error>

namespace {

namespace cb = coldbrick;

struct Arguments {
    std::string input;
    std::string output;
    std::optional<cb::PixelFormat> format;
    cb::Size size;
    cb::Resizing resizing;
    cb::Orientation orientation;
    int turn = 0;
    bool linear_gray = false;
    std::string palette;
};

/// All formats by their names.
std::map<std::string, cb::PixelFormat> formats() {
    std::map<std::string, cb::PixelFormat> result;
    for (int i = 0; i <= static_cast<int>(cb::PixelFormat::rgba32f); ++i) {
        const auto format = static_cast<cb::PixelFormat>(i);
        result.emplace(cb::layout(format).name, format);
    }
    return result;
}

/// Takes WIDTHxHEIGHT.
cb::Size size_of(const std::string& text) {
    cb::Size size;
    const char* const end = text.data() + text.size();
    const auto width = std::from_chars(text.data(), end, size.width);
    const bool cross = width.ec == std::errc() && width.ptr != end && *width.ptr == 'x';
    const auto height = cross ? std::from_chars(width.ptr + 1, end, size.height) : width;
    if (!cross || height.ec != std::errc() || height.ptr != end || size.width < 1 || size.height < 1)
        throw CLI::ValidationError("--size", fmt::format("\"{}\" is not of the form WIDTHxHEIGHT", text));
    return size;
}

void convert(const Arguments& arguments) {
    (void)cb::file_type(arguments.output); // told before the work is done
    cb::Image image = cb::load(arguments.input);
    if (arguments.size != cb::Size{}) image = cb::resized(image, arguments.size, arguments.resizing);
    if (arguments.orientation != cb::Orientation{}) image = cb::oriented(image, arguments.orientation);
    const cb::GrayRule rule = arguments.linear_gray ? cb::GrayRule::linear : cb::GrayRule::encoded;
    if (!arguments.palette.empty()) {
        const cb::Palette palette = read_palette_file(arguments.palette);
        image = cb::converted(image, cb::PixelFormat::indexed8, rule, &palette);
    } else if (arguments.format) {
        image = cb::converted(image, *arguments.format, rule);
    }
    cb::save(image, arguments.output);
}

/// Adds an option that takes one of the words and gives `target` its value.
template <class Value, class Target>
void add_choice(CLI::App& command, const char* name, const char* description,
                const std::map<std::string, Value>& choices, Target& target) {
    command
        .add_option_function<std::string>(
            name, [choices, &target](const std::string& word) { target = choices.at(word); }, description)
        ->type_name("WORD")
        ->check(CLI::IsMember(choices));
}

void add_options(CLI::App& command, const std::shared_ptr<Arguments>& arguments) {
    command.add_option("IMAGE", arguments->input, "The image file to read: PNG or a portable anymap")
        ->required();
    command.add_option("-o,--output", arguments->output, "The image file: .png, .pgm, .ppm, .pam or .pnm")
        ->required()
        ->type_name("FILE");
    add_choice(command, "--format", "The pixel format, such as gray8 or rgb16", formats(), arguments->format);
    command.add_flag("--linear-gray", arguments->linear_gray, "Make gray in linear light");
    command.add_option("--palette", arguments->palette, "Take the nearest colours of this palette file")
        ->type_name("FILE");
    command
        .add_option_function<std::string>(
            "--size", [arguments](const std::string& text) { arguments->size = size_of(text); },
            "The new size")
        ->type_name("WIDTHxHEIGHT");
    add_choice<cb::Fit>(command, "--fit", "How the image fits the size; exact if left out",
                        {{"exact", cb::Fit::exact}, {"inside", cb::Fit::inside}, {"cover", cb::Fit::cover}},
                        arguments->resizing.fit);
    add_choice<cb::Resampling>(command, "--resampling", "How pixels are made; area if left out",
                               {{"area", cb::Resampling::area},
                                {"nearest", cb::Resampling::nearest},
                                {"bilinear", cb::Resampling::bilinear},
                                {"bicubic", cb::Resampling::bicubic}},
                               arguments->resizing.resampling);
    command.add_option("--turn", arguments->turn, "Quarter turns in degrees, clockwise")
        ->check(CLI::IsMember({0, 90, 180, 270, -90, -180, -270}));
    command.add_flag("--mirror", arguments->orientation.mirrored, "Exchange left and right, before the turn");
}

} // namespace

void add_convert_command(CLI::App& tool) {
    CLI::App* const command = tool.add_subcommand("convert", "Change an image's format, size or orientation");
    const auto arguments = std::make_shared<Arguments>();
    add_options(*command, arguments);
    command->callback([arguments] {
        arguments->orientation.quarters = arguments->turn / 90;
        convert(*arguments);
    });
}
