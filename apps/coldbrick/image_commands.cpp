#include "command_options.hpp"
#include "commands.hpp"

#include <cstddef>
#include <cstdint>
#include <map>
#include <string>
#include <string_view>
#include <vector>

namespace {

namespace cb = coldbrick;

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
        add_text(command, "--size", "WIDTHxHEIGHT", "The new size", arguments.size, size_of);
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
    add_frame(command, arguments.frame, "One frame of a reel, from 0 on, instead of all");
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

void check_recast(const RecastArguments& arguments) {
    const bool has_path = !arguments.output.path.empty();
    if (has_path != arguments.folder.empty())
        throw CLI::ValidationError("recast", "give one of --output and --into");
    if (has_path && arguments.inputs.size() > 1)
        throw CLI::ValidationError("--output", "several images go --into a folder");
    if (has_path) check_output(arguments.output);
}
void add_inspect_options(CLI::App& command, InspectArguments& arguments) {
    command.add_option("FILE", arguments.files, "The image files; - for standard input")->required();
    add_json(command, arguments.json);
    add_text(command, "--at", "X,Y", "Tell a pixel in every notation; may be repeated", arguments.at,
             point_of);
    add_text(command, "--part", "X,Y,WIDTHxHEIGHT", "Print the pixels of a part, row by row", arguments.part,
             box_of);
    add_choice<Notation>(
        command, "--notation", "How these pixels are written: hex, rgb, hsl, or bytes in memory order",
        {{"hex", Notation::hex}, {"rgb", Notation::rgb}, {"hsl", Notation::hsl}, {"bytes", Notation::bytes}},
        arguments.notation)
        ->needs("--part");
    add_colour(command, "--find", arguments.find, "Tell how many pixels have this colour, and where");
    add_number(command, "--within", arguments.within, 0, 255,
               "By how much a channel may differ from it, 0..255")
        ->needs("--find");
    command.add_flag("--extent", arguments.extent,
                     "Tell the box of what has not the colour of the first pixel");
    add_colour(command, "--ground", arguments.ground, "Tell the box of what has not this colour");
    add_number(command, "--colours", arguments.colours, std::size_t{1}, std::size_t{1'000'000},
               "Tell how many colours there are, and so many of the commonest");
    command.add_flag("--histogram", arguments.histogram,
                     "Tell how many pixels have each value of each channel");
}

void add_differ_options(CLI::App& command, DifferArguments& arguments) {
    command.add_option("FIRST", arguments.first, "An image file; - for standard input")->required();
    command.add_option("SECOND", arguments.second, "The image file to compare it with")->required();
    add_number(command, "--tolerance", arguments.tolerance, 0, 255,
               "How much a channel may differ in pixels that count as the same, 0..255");
    add_text(command, "--ignore", "X,Y,WIDTHxHEIGHT", "Leave out a box; may be repeated", arguments.ignored,
             box_of);
    add_json(command, arguments.json);
    add_image_output(command, arguments.output);
    CLI::Option* const output = command.get_option("--output");
    add_number(command, "--amplify", arguments.amplify, 1, 255,
               "By what differences are multiplied in the picture, 1..255; 8 if left out")
        ->needs(output);
    command
        .add_flag("--blink", arguments.blinks,
                  "Make the picture a reel that shows both images in turns: .gif, .png or .webp")
        ->needs(output);
}

void check_differ(const DifferArguments& arguments) {
    if (!arguments.output.path.empty()) check_output(arguments.output);
    if (is_standard_stream(arguments.first) && is_standard_stream(arguments.second))
        throw CLI::ValidationError("SECOND", "standard input can only be one of the images");
}

void add_mark_columns(CLI::App& command, cb::MarkColumns& columns) {
    const std::map<std::string, std::string cb::MarkColumns::*> known{{"left", &cb::MarkColumns::left},
                                                                      {"top", &cb::MarkColumns::top},
                                                                      {"right", &cb::MarkColumns::right},
                                                                      {"bottom", &cb::MarkColumns::bottom},
                                                                      {"x", &cb::MarkColumns::x},
                                                                      {"y", &cb::MarkColumns::y},
                                                                      {"width", &cb::MarkColumns::width},
                                                                      {"height", &cb::MarkColumns::height},
                                                                      {"points", &cb::MarkColumns::points},
                                                                      {"shape", &cb::MarkColumns::shape},
                                                                      {"caption", &cb::MarkColumns::caption},
                                                                      {"group", &cb::MarkColumns::group}};
    const auto take = [&columns, known](const std::vector<std::string>& texts) {
        for (const std::string& text : texts) {
            const std::size_t sign = text.find('=');
            const auto found = known.find(text.substr(0, sign));
            if (sign == std::string::npos || sign + 1 == text.size() || found == known.end()) {
                std::vector<std::string_view> words;
                words.reserve(known.size());
                for (const auto& [word, member] : known) words.push_back(word);
                throw CLI::ValidationError(
                    "--column", fmt::format("{} is not of the form WORD=COLUMN, where the word is one of {}",
                                            cb::base::in_quotes(text), fmt::join(words, ", ")));
            }
            columns.*found->second = text.substr(sign + 1);
        }
    };
    command
        .add_option_function<std::vector<std::string>>(
            "--column", take, "What a column is called, as caption=name; may be repeated")
        ->type_name("WORD=COLUMN")
        ->allow_extra_args(false);
}

void add_mark_options(CLI::App& command, MarkArguments& arguments) {
    command.add_option("IMAGE", arguments.image, "The image file to mark; - for standard input")->required();
    add_file(command, "--with", arguments.table, "The table: .csv or .json")->required();
    add_image_output(command, arguments.output);
    add_mark_columns(command, arguments.reading.columns);
    command.add_flag("--fractions", arguments.reading.fractions,
                     "Coordinates are shares of the image's width and height, 0..1");
    command.add_flag("--skip-bad-rows", arguments.skips_bad_rows, "Tell rows that are wrong, and go on");
    add_file(command, "--palette", arguments.palette,
             "Colours of the groups, in their order; distinct ones without");
    command.add_flag("--legend", arguments.legend, "List the groups in a corner");
    add_number(command, "--width", arguments.width, 1, 100, "Of outlines, in pixels, 1..100; 2 if left out");
    add_number(command, "--text-size", arguments.text_size, 6, 1000,
               "Of captions, in pixels, 6..1000; 14 if left out");
}

void add_look_options(CLI::App& command, LookArguments& arguments) {
    add_sheet(command, arguments.input, "INPUT", "The image or sheet to show; - for standard input")
        ->required();
    add_frame(command, arguments.frame);
    add_text(command, "--part", "X,Y,WIDTHxHEIGHT", "Only this part of the picture", arguments.part, box_of);
    CLI::Option* const zoom =
        add_number(command, "--zoom", arguments.zoom, 1, 64,
                   "The side of a pixel in half characters, 1..64; as the window has room");
    add_number(command, "--columns", arguments.columns, std::int32_t{1}, std::int32_t{4096},
               "How many characters wide at most; the window's if left out")
        ->excludes(zoom);
    add_choice<cb::TerminalColours>(command, "--colours",
                                    "How many colours: all, 256, 16 or none; as the terminal has if left out",
                                    {{"all", cb::TerminalColours::all},
                                     {"256", cb::TerminalColours::many},
                                     {"16", cb::TerminalColours::sixteen},
                                     {"none", cb::TerminalColours::none}},
                                    arguments.colours);
}

} // namespace

void add_image_commands(CommandLine& line) {
    add_command(
        line,
        {"recast",
         "Change images' type, format, size, colours or orientation",
         {"recast tarn_haven_camera.jpg --size 320x200 -o small.png",
          "recast tarn_haven_chart.png tarn_haven_watch.png --into thumbs --size 160x100 --type webp"}},
        recast, add_recast_options, check_recast);
    add_command(line,
                {"inspect",
                 "Tell what image files hold, and what their pixels are",
                 {"inspect tarn_haven_camera.jpg tarn_haven_chart.png",
                  "inspect tarn_haven_chart.png --at 320,120 --find gold --within 8 --colours 5"}},
                inspect, add_inspect_options);
    add_command(line,
                {"differ",
                 "Tell how two images differ; the exit status is 0 if not, 1 if so, 2 for an error",
                 {"differ tarn_haven_chart.png tarn_haven_chart.png",
                  "differ tarn_haven_camera.jpg tarn_haven_quay.png -o changes.png || true"}},
                differ, add_differ_options, check_differ);
    add_command(
        line,
        {"mark",
         "Mark on an image what a table tells of: boxes, ellipses, polygons and points with captions",
         {"mark tarn_haven_camera.jpg --with tarn_haven_vessels.csv --column caption=name -o marked.png",
          "mark tarn_haven_camera.jpg --with tarn_haven_vessels.csv --column group=name --legend -o "
          "named.png"}},
        mark, add_mark_options, [](const MarkArguments& arguments) { check_output(arguments.output); });
    add_command(
        line,
        {"look",
         "Show an image or a sheet in the terminal",
         {"look tarn_haven_chart.png --columns 80", "look tarn_haven_clock.brick --colours 16 --columns 60"}},
        look, add_look_options);
}
