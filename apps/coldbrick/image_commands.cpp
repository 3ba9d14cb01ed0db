#include "command_options.hpp"
#include "commands.hpp"

#include "base/shown_text.hpp"

#include <fmt/format.h>
#include <fmt/ranges.h>

#include <cstddef>
#include <cstdint>
#include <map>
#include <string>
#include <string_view>
#include <vector>

namespace coldbrick::tool {

namespace {

/// All formats by their names.
std::map<std::string, PixelFormat> formats() {
    std::map<std::string, PixelFormat> result;
    for (std::size_t i = 0; i < pixel_layouts.size(); ++i)
        result.emplace(pixel_layouts[i].name, static_cast<PixelFormat>(i));
    return result;
}

/// Takes quarter turns.
int quarters_of(const std::string& text) {
    for (int degrees = -270; degrees <= 270; degrees += 90)
        if (text == std::to_string(degrees)) return degrees / 90;
    throw WrongCall("--turn",
                    fmt::format("{} is none of -270, -180, -90, 0, 90, 180, 270", base::in_quotes(text)));
}

void add_size_options(const Command& command, RecastArguments& arguments) {
    const Option size = add_read(command, "--size", "WIDTHxHEIGHT", "The new size", arguments.size, size_of);
    add_choice<Fit>(command, "--fit", "How the image fits the size; exact if left out",
                    {{"exact", Fit::exact}, {"contain", Fit::contain}, {"cover", Fit::cover}},
                    arguments.resizing.fit)
        .needs(size);
    add_choice<Resampling>(command, "--resampling", "How pixels are made; area if left out",
                           {{"area", Resampling::area},
                            {"nearest", Resampling::nearest},
                            {"bilinear", Resampling::bilinear},
                            {"bicubic", Resampling::bicubic}},
                           arguments.resizing.resampling)
        .needs(size);
}

void add_recast_options(const Command& command, RecastArguments& arguments) {
    command.add_texts("IMAGE", "The image files to read; - for standard input", arguments.inputs).required();
    add_image_output(command, arguments.output);
    add_file(command, "--into", "A folder instead of -o, for several images; made if it is missing",
             arguments.folder);
    add_frame(command, arguments.frame, "One frame of a reel, from 0 on, instead of all");
    command.add_flag("--keep-texts", "Keep the texts with their keywords, from png to png",
                     arguments.keep_texts);
    const Option format = add_choice(command, "--format", "The pixel format, such as gray8 or rgb16",
                                     formats(), arguments.format);
    command
        .add_flag("--linear-gray", "Make gray in linear light, with a gray --format",
                  [&arguments] { arguments.gray_rule = GrayRule::linear; })
        .needs(format);
    add_file(command, "--palette", "Take the nearest colours of this palette file", arguments.palette)
        .excludes(format);
    add_size_options(command, arguments);
    command.add_value(
        "--turn", "DEGREES", "Quarter turns in degrees, clockwise",
        [&arguments](const std::string& text) { arguments.orientation.quarters = quarters_of(text); });
    command.add_flag("--mirror", "Exchange left and right, before the turn", arguments.orientation.mirrored);
}

void check_recast(const RecastArguments& arguments) {
    const bool has_path = !arguments.output.path.empty();
    if (has_path != arguments.folder.empty()) throw WrongCall("recast", "give one of --output and --into");
    if (has_path && arguments.inputs.size() > 1)
        throw WrongCall("--output", "several images go --into a folder");
    if (has_path) check_output(arguments.output);
}
void add_inspect_options(const Command& command, InspectArguments& arguments) {
    command.add_texts("FILE", "The image files; - for standard input", arguments.files).required();
    add_json(command, arguments.json);
    add_read(command, "--at", "X,Y", "Tell a pixel in every notation; may be repeated", arguments.at,
             point_of);
    add_read(command, "--part", "X,Y,WIDTHxHEIGHT", "Print the pixels of a part, row by row", arguments.part,
             box_of);
    add_choice<Notation>(
        command, "--notation", "How these pixels are written: hex, rgb, hsl, or bytes in memory order",
        {{"hex", Notation::hex}, {"rgb", Notation::rgb}, {"hsl", Notation::hsl}, {"bytes", Notation::bytes}},
        arguments.notation)
        .needs(command.option("--part"));
    add_colour(command, "--find", arguments.find, "Tell how many pixels have this colour, and where");
    add_number(command, "--within", arguments.within, 0, 255,
               "By how much a channel may differ from it, 0..255")
        .needs(command.option("--find"));
    command.add_flag("--extent", "Tell the box of what has not the colour of the first pixel",
                     arguments.extent);
    add_colour(command, "--ground", arguments.ground, "Tell the box of what has not this colour");
    add_number(command, "--colours", arguments.colours, std::size_t{1}, std::size_t{1'000'000},
               "Tell how many colours there are, and so many of the commonest");
    command.add_flag("--histogram", "Tell how many pixels have each value of each channel",
                     arguments.histogram);
}

void add_differ_options(const Command& command, DifferArguments& arguments) {
    command.add_text("FIRST", "TEXT", "An image file; - for standard input", arguments.first).required();
    command.add_text("SECOND", "TEXT", "The image file to compare it with", arguments.second).required();
    add_number(command, "--tolerance", arguments.tolerance, 0, 255,
               "How much a channel may differ in pixels that count as the same, 0..255");
    add_read(command, "--ignore", "X,Y,WIDTHxHEIGHT", "Leave out a box; may be repeated", arguments.ignored,
             box_of);
    add_json(command, arguments.json);
    add_image_output(command, arguments.output);
    const Option output = command.option("--output");
    add_number(command, "--amplify", arguments.amplify, 1, 255,
               "By what differences are multiplied in the picture, 1..255; 8 if left out")
        .needs(output);
    command
        .add_flag("--blink", "Make the picture a reel that shows both images in turns: .gif, .png or .webp",
                  arguments.blinks)
        .needs(output);
}

void check_differ(const DifferArguments& arguments) {
    if (!arguments.output.path.empty()) check_output(arguments.output);
    if (is_standard_stream(arguments.first) && is_standard_stream(arguments.second))
        throw WrongCall("SECOND", "standard input can only be one of the images");
}

using KnownColumns = std::map<std::string, std::string MarkColumns::*>;

[[noreturn]] void refuse_column(const std::string& text, const KnownColumns& known) {
    std::vector<std::string_view> words;
    words.reserve(known.size());
    for (const auto& [word, member] : known) words.push_back(word);
    throw WrongCall("--column", fmt::format("{} is not of the form WORD=COLUMN, where the word is one of {}",
                                            base::in_quotes(text), fmt::join(words, ", ")));
}

void add_mark_columns(const Command& command, MarkColumns& columns) {
    const KnownColumns known{{"left", &MarkColumns::left},
                             {"top", &MarkColumns::top},
                             {"right", &MarkColumns::right},
                             {"bottom", &MarkColumns::bottom},
                             {"x", &MarkColumns::x},
                             {"y", &MarkColumns::y},
                             {"width", &MarkColumns::width},
                             {"height", &MarkColumns::height},
                             {"points", &MarkColumns::points},
                             {"shape", &MarkColumns::shape},
                             {"caption", &MarkColumns::caption},
                             {"group", &MarkColumns::group}};
    command.add_values("--column", "WORD=COLUMN", "What a column is called, as caption=name; may be repeated",
                       [&columns, known](const std::string& text) {
                           const std::size_t sign = text.find('=');
                           const auto found = known.find(text.substr(0, sign));
                           if (sign == std::string::npos || sign + 1 == text.size() || found == known.end())
                               refuse_column(text, known);
                           columns.*found->second = text.substr(sign + 1);
                       });
}

void add_mark_options(const Command& command, MarkArguments& arguments) {
    command.add_text("IMAGE", "TEXT", "The image file to mark; - for standard input", arguments.image)
        .required();
    add_file(command, "--with", "The table: .csv or .json", arguments.table).required();
    add_image_output(command, arguments.output);
    add_mark_columns(command, arguments.reading.columns);
    command.add_flag("--fractions", "Coordinates are shares of the image's width and height, 0..1",
                     arguments.reading.fractions);
    command.add_flag("--skip-bad-rows", "Tell rows that are wrong, and go on", arguments.skips_bad_rows);
    add_file(command, "--palette", "Colours of the groups, in their order; distinct ones without",
             arguments.palette);
    command.add_flag("--legend", "List the groups in a corner", arguments.legend);
    add_number(command, "--width", arguments.width, 1, 100, "Of outlines, in pixels, 1..100; 2 if left out");
    add_number(command, "--text-size", arguments.text_size, 6, 1000,
               "Of captions, in pixels, 6..1000; 14 if left out");
}

void add_look_options(const Command& command, LookArguments& arguments) {
    add_sheet(command, arguments.input, "INPUT", "The image or sheet to show; - for standard input")
        .required();
    add_frame(command, arguments.frame);
    add_read(command, "--part", "X,Y,WIDTHxHEIGHT", "Only this part of the picture", arguments.part, box_of);
    const Option zoom = add_number(command, "--zoom", arguments.zoom, 1, 64,
                                   "The side of a pixel in half characters, 1..64; as the window has room");
    add_number(command, "--columns", arguments.columns, std::int32_t{1}, std::int32_t{4096},
               "How many characters wide at most; the window's if left out")
        .excludes(zoom);
    add_choice<TerminalColours>(command, "--colours",
                                "How many colours: all, 256, 16 or none; as the terminal has if left out",
                                {{"all", TerminalColours::all},
                                 {"256", TerminalColours::many},
                                 {"16", TerminalColours::sixteen},
                                 {"none", TerminalColours::none}},
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

} // namespace coldbrick::tool
