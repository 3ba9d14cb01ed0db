#include "command_line.hpp"

#include "commands.hpp"
#include "options.hpp"
#include "streams.hpp"

#include "base/nearest_word.hpp"
#include "base/shown_text.hpp"

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

/// Calls call(), which throws FileError where an option's value is wrong.
template <class Call>
void check_option(const char* name, Call call) {
    try {
        call();
    } catch (const cb::FileError& error) {
        throw CLI::ValidationError(name, error.what());
    }
}

void check_output(const ImageOutput& output) {
    if (output.path.empty()) throw CLI::RequiredError("--output");
    check_option("--output", [&] { (void)output.file_type(); });
}

// What is wrong with a call that each option alone does not show.
void check(const DrawArguments& arguments) {
    check_output(arguments.output);
}
void check(const GraphArguments& arguments) {
    check_output(arguments.output);
}
void check(const ReelArguments& arguments) {
    check_option("--output", [&] { (void)arguments.reel_type(); });
}
void check(const RecastArguments& arguments) {
    const bool has_path = !arguments.output.path.empty();
    if (has_path != arguments.folder.empty())
        throw CLI::ValidationError("recast", "give one of --output and --into");
    if (has_path && arguments.inputs.size() > 1)
        throw CLI::ValidationError("--output", "several images go --into a folder");
    if (has_path) check_output(arguments.output);
}
void check(const InspectArguments&) {}
void check(const ColoursArguments&) {}
void check(const FacesArguments& arguments) {
    if (!arguments.output.path.empty()) check_output(arguments.output);
}
void check(const TidyArguments&) {}
void check(const DemoArguments&) {}

/// Adds a command that runs with the arguments that its options have filled.
template <class Arguments, class AddOptions>
void add_command(CLI::App& tool, const char* name, const char* description, void (*run)(const Arguments&),
                 AddOptions add_options) {
    CLI::App* const command = tool.add_subcommand(name, description);
    const auto arguments = std::make_shared<Arguments>();
    add_options(*command, *arguments);
    command->callback([run, arguments] {
        check(*arguments);
        run(*arguments);
    });
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
    command.add_flag("--leave-folder", arguments.leaves_folder,
                     "Let the sheet include files outside of its folder");
    command.add_flag("--warnings", arguments.warns, "Tell what is not wrong, but most likely not meant");
}

void add_frame(CLI::App& command, std::int32_t& frame) {
    add_number(command, "--frame", frame, std::int32_t{0}, std::numeric_limits<std::int32_t>::max(),
               "Which frame of the sheet, from 0 on");
}

void add_draw_options(CLI::App& command, DrawArguments& arguments) {
    add_sheet(command, arguments.sheet);
    add_image_output(command, arguments.output);
    add_frame(command, arguments.frame);
}

void add_graph_options(CLI::App& command, GraphArguments& arguments) {
    add_sheet(command, arguments.sheet);
    add_image_output(command, arguments.output);
    add_frame(command, arguments.frame);
    add_number(command, "--zoom", arguments.zoom, 1, 1024, "The side of a magnified pixel, 1..1024")
        ->default_str(std::to_string(arguments.zoom));
    command.add_flag_callback(
        "--no-rulers", [&arguments] { arguments.rulers = false; }, "Leave out the rulers with their numbers");
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

void add_size_options(CLI::App& command, RecastArguments& arguments) {
    CLI::Option* const size =
        command
            .add_option_function<std::string>(
                "--size", [&arguments](const std::string& text) { arguments.size = size_of(text); },
                "The new size")
            ->type_name("WIDTHxHEIGHT");
    add_choice<cb::Fit>(command, "--fit", "How the image fits the size; exact if left out",
                        {{"exact", cb::Fit::exact}, {"contain", cb::Fit::contain}, {"cover", cb::Fit::cover}},
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

void add_recast_options(CLI::App& command, RecastArguments& arguments) {
    command.add_option("IMAGE", arguments.inputs, "The image files to read; - for standard input")
        ->required();
    add_image_output(command, arguments.output);
    add_file(command, "--into", arguments.folder,
             "A folder instead of -o, for several images; made if it is missing");
    add_number(command, "--frame", arguments.frame, std::int32_t{0}, std::numeric_limits<std::int32_t>::max(),
               "One frame of a reel, from 0 on, instead of all");
    command.add_flag("--keep-texts", arguments.keep_texts,
                     "Keep the texts with their keywords, from png to png");
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

/// Takes NUMBER or NUMBER/NUMBER.
cb::FrameRate rate_of(const std::string& text) {
    cb::FrameRate rate;
    const char* const end = text.data() + text.size();
    auto read = std::from_chars(text.data(), end, rate.frames);
    if (read.ec == std::errc() && read.ptr != end && *read.ptr == '/')
        read = std::from_chars(read.ptr + 1, end, rate.seconds);
    constexpr std::int32_t most = 1'000'000;
    if (read.ec != std::errc() || read.ptr != end || rate.frames < 1 || rate.frames > most ||
        rate.seconds < 1 || rate.seconds > most)
        throw CLI::ValidationError(
            "--rate", fmt::format("{} is not of the form FRAMES or FRAMES/SECONDS, each of 1..{}",
                                  cb::base::in_quotes(text), most));
    return rate;
}

void add_reel_options(CLI::App& command, ReelArguments& arguments) {
    constexpr std::int32_t last = std::numeric_limits<std::int32_t>::max();
    add_sheet(command, arguments.sheet);
    add_file(command, "-o,--output", arguments.output,
             "The reel: .png, .gif, .webp, .y4m, or a picture's name with # for numbered ones; - for "
             "standard output")
        ->required();
    add_choice<cb::ReelType>(command, "--type", "The type instead of what the extension tells",
                             {{"png", cb::ReelType::png},
                              {"gif", cb::ReelType::gif},
                              {"webp", cb::ReelType::webp},
                              {"y4m", cb::ReelType::y4m}},
                             arguments.type);
    add_number(command, "--from", arguments.from, std::int32_t{0}, last, "The first frame; 0 if left out");
    add_number(command, "--to", arguments.to, std::int32_t{0}, last,
               "The last frame; the sheet's if left out");
    command
        .add_option_function<std::string>(
            "--rate", [&arguments](const std::string& text) { arguments.rate = rate_of(text); },
            "Frames a second, such as 25 or 30000/1001; the sheet's if left out")
        ->type_name("RATE");
    add_number(command, "--repeat", arguments.options.repeats, std::int32_t{0}, std::int32_t{65535},
               "How often it plays; 0, for ever, if left out");
    add_number(command, "--quality", arguments.options.quality, 1, 100,
               "webp: 1..100; it loses nothing without it");
    add_number(command, "--compression", arguments.options.compression, 0, 9,
               "png and webp: 0..9, from fast to small");
    add_choice<cb::ChromaSubsampling>(
        command, "--subsampling", "y4m: how pixels share colour differences; both if left out",
        {{"none", cb::ChromaSubsampling::none}, {"both", cb::ChromaSubsampling::both}},
        arguments.options.subsampling);
    add_colour(command, "--background", arguments.options.background,
               "y4m: what see-through pixels are laid on");
    command.add_flag_callback(
        "--no-dithering", [&arguments] { arguments.options.dithered = false; }, "gif: nearest colours only");
}

void add_inspect_options(CLI::App& command, InspectArguments& arguments) {
    command.add_option("FILE", arguments.files, "The image files; - for standard input")->required();
    command.add_flag("--json", arguments.json, "Print an array of objects in JSON");
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

void add_faces_options(CLI::App& command, FacesArguments& arguments) {
    CLI::Option* const face = command.add_option(
        "FACE", arguments.face, "A built-in face, an installed family or a font file to draw");
    add_image_output(command, arguments.output);
    CLI::Option* const output = command.get_option("--output");
    face->needs(output);
    add_number(command, "--weight", arguments.weight, 1, 1000,
               "How heavy the face is, 1..1000; 400 if left out")
        ->needs(face);
    command.add_flag("--slanted", arguments.slanted, "The slanted face of the family")->needs(face);
    command.add_option("--sample", arguments.sample, "What the picture says")
        ->type_name("TEXT")
        ->needs(output);
    command.add_flag("--json", arguments.json, "Print an array of objects in JSON")->excludes(output);
}

void add_tidy_options(CLI::App& command, TidyArguments& arguments) {
    command.add_option("SHEET", arguments.path, "The sheet to read")->required();
    command.add_flag("--replace", arguments.replace, "Write the sheet back instead of printing it");
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
    add_command(tool, "reel", "Draw a sheet's frames into a file that plays", reel, add_reel_options);
    add_command(tool, "recast", "Change images' type, format, size, colours or orientation", recast,
                add_recast_options);
    add_command(tool, "inspect", "Tell what image files hold", inspect, add_inspect_options);
    add_command(tool, "colours", "List a palette's colours as text, which --palette of other commands reads",
                list_colours, add_colours_options);
    add_command(tool, "faces", "List type faces, or draw what they look like", list_faces, add_faces_options);
    add_command(tool, "tidy", "Print a sheet in its standard layout", tidy, add_tidy_options);
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
