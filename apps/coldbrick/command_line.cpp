#include "command_line.hpp"

#include "commands.hpp"

#include "base/nearest_word.hpp"
#include "base/shown_text.hpp"
#include "streams.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/version.hpp>

#include <CLI/CLI.hpp>
#include <fmt/format.h>
#include <fmt/ranges.h>

#include <charconv>
#include <cstdio>
#include <exception>
#include <limits>
#include <map>
#include <memory>
#include <new>
#include <string_view>
#include <system_error>
#include <vector>

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
    const auto check_type = [](const std::string& path) -> std::string {
        try {
            (void)cb::file_type(path);
            return {};
        } catch (const cb::FileError& error) {
            return error.what();
        }
    };
    add_file(command, "-o,--output", target, "The image file: .png, .pgm, .ppm, .pam or .pnm")
        ->required()
        ->check(CLI::Validator(check_type, "", "image file"));
}

/// Adds an option that takes a whole number.
template <class Number>
CLI::Option* add_number(CLI::App& command, const char* name, Number& target, Number low, Number high,
                        const char* description) {
    const auto take = [=, &target](const std::string& text) {
        const char* const end = text.data() + text.size();
        Number value{};
        const auto read = std::from_chars(text.data(), end, value);
        if (read.ec != std::errc() || read.ptr != end || value < low || value > high)
            throw CLI::ValidationError(name, fmt::format("{} is not a whole number of {}..{}",
                                                         cb::base::in_quotes(text), low, high));
        target = value;
    };
    return command.add_option_function<std::string>(name, take, description)->type_name("NUMBER");
}

/// Adds an option that takes one of the words and gives `target` its value.
template <class Value, class Target>
CLI::Option* add_choice(CLI::App& command, const char* name, const char* description,
                        const std::map<std::string, Value>& choices, Target& target) {
    const auto take = [name, choices, &target](const std::string& word) {
        const auto found = choices.find(word);
        if (found == choices.end()) {
            std::vector<std::string_view> known;
            known.reserve(choices.size());
            for (const auto& choice : choices) known.push_back(choice.first);
            throw CLI::ValidationError(
                name, fmt::format("{} is none of {}", cb::base::in_quotes(word), fmt::join(known, ", ")));
        }
        target = found->second;
    };
    return command.add_option_function<std::string>(name, take, description)->type_name("WORD");
}

/// Accepts NAME=VALUE.
std::string check_setting(const std::string& text) {
    const std::size_t sign = text.find('=');
    if (sign == std::string::npos || sign == 0 || sign + 1 == text.size())
        return fmt::format("{} is not of the form NAME=VALUE", cb::base::in_quotes(text));
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
    add_number(command, "--zoom", arguments.zoom, 1, 1024, "The side of a magnified pixel, 1..1024")
        ->default_str(std::to_string(arguments.zoom));
}

/// Takes WIDTHxHEIGHT.
cb::Size size_of(const std::string& text) {
    cb::Size size;
    const char* const end = text.data() + text.size();
    const auto width = std::from_chars(text.data(), end, size.width);
    const bool cross = width.ec == std::errc() && width.ptr != end && *width.ptr == 'x';
    const auto height = cross ? std::from_chars(width.ptr + 1, end, size.height) : width;
    if (!cross || height.ec != std::errc() || height.ptr != end || size.width < 1 || size.height < 1)
        throw CLI::ValidationError("--size", fmt::format("{} is not of the form WIDTHxHEIGHT, each of 1..{}",
                                                         cb::base::in_quotes(text),
                                                         std::numeric_limits<std::int32_t>::max()));
    return size;
}

/// All formats by their names.
std::map<std::string, cb::PixelFormat> formats() {
    std::map<std::string, cb::PixelFormat> result;
    for (std::size_t i = 0; i < cb::pixel_layouts.size(); ++i)
        result.emplace(cb::pixel_layouts[i].name, static_cast<cb::PixelFormat>(i));
    return result;
}

/// Takes quarter turns.
int quarters_of(const std::string& text) {
    for (int degrees = -270; degrees <= 270; degrees += 90)
        if (text == std::to_string(degrees)) return degrees / 90;
    throw CLI::ValidationError(
        "--turn", fmt::format("{} is none of -270, -180, -90, 0, 90, 180, 270", cb::base::in_quotes(text)));
}

void add_size_options(CLI::App& command, ConvertArguments& arguments) {
    CLI::Option* const size =
        command
            .add_option_function<std::string>(
                "--size", [&arguments](const std::string& text) { arguments.size = size_of(text); },
                "The new size")
            ->type_name("WIDTHxHEIGHT");
    add_choice<cb::Fit>(command, "--fit", "How the image fits the size; exact if left out",
                        {{"exact", cb::Fit::exact}, {"inside", cb::Fit::inside}, {"cover", cb::Fit::cover}},
                        arguments.resizing.fit)
        ->needs(size);
    add_choice<cb::Resampling>(command, "--resampling", "How pixels are made; area if left out",
                               {{"area", cb::Resampling::area},
                                {"nearest", cb::Resampling::nearest},
                                {"bilinear", cb::Resampling::bilinear},
                                {"bicubic", cb::Resampling::bicubic}},
                               arguments.resizing.resampling)
        ->needs(size);
}

void add_convert_options(CLI::App& command, ConvertArguments& arguments) {
    command.add_option("IMAGE", arguments.input, "The image file to read: PNG or a portable anymap")
        ->required();
    add_output(command, arguments.output);
    CLI::Option* const format = add_choice(command, "--format", "The pixel format, such as gray8 or rgb16",
                                           formats(), arguments.format);
    command
        .add_flag_callback(
            "--linear-gray", [&arguments] { arguments.gray_rule = cb::GrayRule::linear; },
            "Make gray in linear light, with a gray --format")
        ->needs(format);
    add_file(command, "--palette", arguments.palette, "Take the nearest colours of this palette file")
        ->excludes(format);
    add_size_options(command, arguments);
    command
        .add_option_function<std::string>(
            "--turn",
            [&arguments](const std::string& text) { arguments.orientation.quarters = quarters_of(text); },
            "Quarter turns in degrees, clockwise")
        ->type_name("DEGREES");
    command.add_flag("--mirror", arguments.orientation.mirrored, "Exchange left and right, before the turn");
}

void add_colours_options(CLI::App& command, ColoursArguments& arguments) {
    CLI::Option* const file =
        add_file(command, "--palette", arguments.palette, "A palette file instead of the tool's own colours");
    CLI::Option* const distinct =
        add_number(command, "--distinct", arguments.distinct, std::size_t{1}, std::size_t{256},
                   "So many colours that are easily told apart, 1..256")
            ->excludes(file);
    add_number(command, "--seed", arguments.seed, std::uint64_t{0}, std::numeric_limits<std::uint64_t>::max(),
               "Turns the distinct colours' hues")
        ->needs(distinct);
}

void add_demo_options(CLI::App& command, DemoArguments& arguments) {
    command.add_option("FOLDER", arguments.folder, "Where to write; made if it is missing")
        ->capture_default_str();
    command.add_flag("--force", arguments.force, "Replace files that are there and differ");
}

void add_commands(CLI::App& tool) {
    tool.set_version_flag("--version", fmt::format("coldbrick {}", cb::linked_version()));
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

constexpr int job_failed = 1;
constexpr int wrong_call = 2;

int report(int status, std::string_view message) {
    fmt::print(stderr, "coldbrick: {}\n", message);
    return status;
}

/// A word that is no command is told, rather than that a command is missing.
int report_unknown_command(const CLI::App& tool, const std::string& word) {
    std::vector<std::string> names;
    for (const CLI::App* const command : tool.get_subcommands({})) names.push_back(command->get_name());
    const std::vector<std::string_view> known(names.begin(), names.end());
    return report(wrong_call,
                  fmt::format("{} is no command{}\nThe commands are {}.", cb::base::in_quotes(word),
                              cb::base::did_you_mean(word, known), fmt::join(known, ", ")));
}

int report_wrong_call(const CLI::App& tool, const CLI::ParseError& error) {
    const auto chosen = tool.get_subcommands();
    if (chosen.empty() && tool.remaining_size() > 0 && !tool.remaining().front().starts_with('-'))
        return report_unknown_command(tool, tool.remaining().front());
    const std::string command = chosen.empty() ? "" : " " + chosen.front()->get_name();
    return report(wrong_call, fmt::format("{}\ncoldbrick{} --help tells what is possible.",
                                          cb::base::shown(error.what(), 1000), command));
}

int parse_and_run(CLI::App& tool, int argument_count, char** arguments) {
    try {
        add_commands(tool);
        tool.parse(argument_count, arguments);
        return 0;
    } catch (const CLI::ParseError& error) {
        if (error.get_exit_code() == 0) return tool.exit(error); // prints the help or the version
        return report_wrong_call(tool, error);
    } catch (const std::bad_alloc&) {
        return report(job_failed, "there is not enough memory");
    } catch (const std::exception& error) {
        return report(job_failed, error.what());
    }
}

} // namespace

int run_command_line(int argument_count, char** arguments) {
    CLI::App tool("Draws exact pixels from text sheets.", "coldbrick");
    const int status = parse_and_run(tool, argument_count, arguments);
    const std::string lost = output_failure();
    return status == 0 && !lost.empty() ? report(job_failed, lost) : status;
}
