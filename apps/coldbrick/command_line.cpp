#include "command_line.hpp"

#include "commands.hpp"

#include <CLI/CLI.hpp>
#include <fmt/format.h>

#include <charconv>
#include <exception>
#include <map>
#include <memory>
#include <new>
#include <system_error>

namespace {

namespace cb = coldbrick;

/// Adds a command that runs with the arguments that its options have filled.
template <class Arguments, class AddOptions>
void add_command(CLI::App& tool, const char* name, const char* description, void (*run)(const Arguments&),
                 AddOptions add_options) {
    CLI::App* const command = tool.add_subcommand(name, description);
    const auto arguments = std::make_shared<Arguments>();
    add_options(*command, *arguments);
    command->callback([run, arguments] { run(*arguments); });
}

CLI::Option* add_file(CLI::App& command, const char* name, std::string& target, const char* description) {
    return command.add_option(name, target, description)->type_name("FILE");
}

void add_output(CLI::App& command, std::string& target) {
    add_file(command, "-o,--output", target, "The image file: .png, .pgm, .ppm, .pam or .pnm")->required();
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

/// Accepts NAME=VALUE.
std::string check_setting(const std::string& text) {
    const std::size_t sign = text.find('=');
    if (sign == std::string::npos || sign == 0 || sign + 1 == text.size())
        return fmt::format("\"{}\" is not of the form NAME=VALUE", text);
    return {};
}

void add_sheet(CLI::App& command, SheetArguments& arguments) {
    command.add_option("SHEET", arguments.path, "The sheet to read")->required();
    command
        .add_option("--set", arguments.settings, "Give a name of the sheet another value; may be repeated")
        ->type_name("NAME=VALUE")
        ->allow_extra_args(false)
        ->check(CLI::Validator(check_setting, "", "setting"));
}

void add_draw_options(CLI::App& command, DrawArguments& arguments) {
    add_sheet(command, arguments.sheet);
    add_output(command, arguments.output);
}

void add_graph_options(CLI::App& command, GraphArguments& arguments) {
    add_sheet(command, arguments.sheet);
    add_output(command, arguments.output);
    command.add_option("--zoom", arguments.zoom, "The side of a magnified pixel, 1..1024")
        ->capture_default_str();
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

/// All formats by their names.
std::map<std::string, cb::PixelFormat> formats() {
    std::map<std::string, cb::PixelFormat> result;
    for (std::size_t i = 0; i < cb::pixel_layouts.size(); ++i)
        result.emplace(cb::pixel_layouts[i].name, static_cast<cb::PixelFormat>(i));
    return result;
}

void add_convert_options(CLI::App& command, ConvertArguments& arguments) {
    command.add_option("IMAGE", arguments.input, "The image file to read: PNG or a portable anymap")
        ->required();
    add_output(command, arguments.output);
    add_choice(command, "--format", "The pixel format, such as gray8 or rgb16", formats(), arguments.format);
    command.add_flag_callback(
        "--linear-gray", [&arguments] { arguments.gray_rule = cb::GrayRule::linear; },
        "Make gray in linear light");
    add_file(command, "--palette", arguments.palette, "Take the nearest colours of this palette file");
    command
        .add_option_function<std::string>(
            "--size", [&arguments](const std::string& text) { arguments.size = size_of(text); },
            "The new size")
        ->type_name("WIDTHxHEIGHT");
    add_choice<cb::Fit>(command, "--fit", "How the image fits the size; exact if left out",
                        {{"exact", cb::Fit::exact}, {"inside", cb::Fit::inside}, {"cover", cb::Fit::cover}},
                        arguments.resizing.fit);
    add_choice<cb::Resampling>(command, "--resampling", "How pixels are made; area if left out",
                               {{"area", cb::Resampling::area},
                                {"nearest", cb::Resampling::nearest},
                                {"bilinear", cb::Resampling::bilinear},
                                {"bicubic", cb::Resampling::bicubic}},
                               arguments.resizing.resampling);
    command
        .add_option_function<int>(
            "--turn", [&arguments](int degrees) { arguments.orientation.quarters = degrees / 90; },
            "Quarter turns in degrees, clockwise")
        ->check(CLI::IsMember({0, 90, 180, 270, -90, -180, -270}));
    command.add_flag("--mirror", arguments.orientation.mirrored, "Exchange left and right, before the turn");
}

void add_colours_options(CLI::App& command, ColoursArguments& arguments) {
    CLI::Option* const file =
        add_file(command, "--palette", arguments.palette, "A palette file instead of the tool's own colours");
    command
        .add_option("--distinct", arguments.distinct, "So many colours that are easily told apart, 1..256")
        ->check(CLI::Range(1, 256))
        ->excludes(file);
    command.add_option("--seed", arguments.seed, "Turns the distinct colours' hues");
}

void add_demo_options(CLI::App& command, DemoArguments& arguments) {
    command.add_option("FOLDER", arguments.folder, "Where to write; made if it is missing")
        ->capture_default_str();
}

void add_commands(CLI::App& tool) {
    tool.set_version_flag("--version", "coldbrick " COLDBRICK_VERSION);
    tool.require_subcommand(1);
    add_command(tool, "draw", "Draw a sheet into an image file", draw, add_draw_options);
    add_command(tool, "graph", "Draw a sheet magnified, with a grid between its pixels", graph,
                add_graph_options);
    add_command(tool, "convert", "Change an image's format, size or orientation", convert,
                add_convert_options);
    add_command(tool, "colours", "List a palette's colours as text, which --palette of other commands reads",
                list_colours, add_colours_options);
    add_command(tool, "demo", "Write the sample sheets and draw them", write_demo, add_demo_options);
}

} // namespace

int run_command_line(int argument_count, char** arguments) {
    constexpr int job_failed = 1;
    constexpr int wrong_call = 2;
    CLI::App tool("Draws exact pixels from text sheets.", "coldbrick");
    try {
        add_commands(tool);
        tool.parse(argument_count, arguments);
        return 0;
    } catch (const CLI::RequiredError& error) {
        // A word that is no command is told, rather than that a command is missing.
        if (tool.get_subcommands().empty() && tool.remaining_size() > 0)
            tool.exit(CLI::ExtrasError(tool.remaining()));
        else
            tool.exit(error);
        return wrong_call;
    } catch (const CLI::ParseError& error) {
        return tool.exit(error) == 0 ? 0 : wrong_call; // prints the help, the version or what is wrong
    } catch (const std::bad_alloc&) {
        fmt::print(stderr, "coldbrick: not enough memory for this picture\n");
        return job_failed;
    } catch (const std::exception& error) {
        fmt::print(stderr, "coldbrick: {}\n", error.what());
        return job_failed;
    }
}
