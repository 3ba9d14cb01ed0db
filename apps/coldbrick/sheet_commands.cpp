#include "command_options.hpp"
#include "commands.hpp"

#include "base/shown_text.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <charconv>
#include <cstdint>
#include <limits>
#include <string>
#include <system_error>

namespace coldbrick::tool {

namespace {

void add_draw_options(const Command& command, DrawArguments& arguments) {
    add_sheet(command, arguments.sheet).required();
    add_warnings(command, arguments.sheet);
    add_image_output(command, arguments.output);
    add_frame(command, arguments.frame);
    command.add_flag("--quiet", "Do not tell that something lies wholly outside of the picture",
                     arguments.quiet);
    command.add_flag("--watch", "Draw again whenever the sheet or a file that it uses changes",
                     arguments.watch);
}

void check_draw(const DrawArguments& arguments) {
    check_output(arguments.output);
    if (arguments.watch && is_standard_stream(arguments.sheet.path))
        throw WrongCall("--watch", "standard input does not change: give a file");
}

void add_check_options(const Command& command, CheckArguments& arguments) {
    add_sheet(command, arguments.sheet).required();
    add_frame(command, arguments.frame, "One frame, from 0 on; all if left out");
    add_json(command, arguments.json);
}

/// X,Y or X,Y,WIDTHxHEIGHT
void take_place(ExplainArguments& arguments, const std::string& text) {
    arguments.is_pixel = std::count(text.begin(), text.end(), ',') <= 1;
    if (!arguments.is_pixel) {
        arguments.box = box_of("PLACE", text);
        return;
    }
    const Point pixel = point_of("PLACE", text);
    arguments.box = {pixel.x, pixel.y, 1, 1};
}

void add_explain_options(const Command& command, ExplainArguments& arguments) {
    add_sheet(command, arguments.sheet).required();
    command
        .add_value("PLACE", "TEXT", "A pixel as X,Y, or a box as X,Y,WIDTHxHEIGHT",
                   [&arguments](const std::string& text) { take_place(arguments, text); })
        .required();
    add_frame(command, arguments.frame);
    add_image_output(command, arguments.output);
    add_json(command, arguments.json);
}

void check_explain(const ExplainArguments& arguments) {
    if (arguments.output.path.empty()) return;
    check_output(arguments.output);
    if (arguments.is_pixel)
        throw WrongCall("--output", "a picture shows whose the pixels of a box are: give X,Y,WIDTHxHEIGHT");
}

SweptName swept_name_of(const char* name, const std::string& text) {
    try {
        return swept_name(text);
    } catch (const ArgumentError& error) {
        throw WrongCall(name, error.what());
    }
}

void add_sweep_options(const Command& command, SweepArguments& arguments) {
    add_sheet(command, arguments.sheet).required();
    add_read(command, "--over", "NAME=VALUES",
             "A name and its values: r=4..40:4 from 4 to 40 by 4, or r=3,5,9; may be repeated",
             arguments.sweep.names, swept_name_of)
        .required();
    add_image_output(command, arguments.output);
    add_frame(command, arguments.frame);
    command.add_flag("--differences", "Dim what is the same as without the values",
                     arguments.sweep.differences);
    add_read(command, "--tile", "WIDTHxHEIGHT", "Make pictures smaller that are larger than this",
             arguments.sweep.largest, size_of);
    add_number(command, "--columns", arguments.columns, std::int32_t{1}, std::int32_t{32767},
               "How many pictures stand beside each other; about as many as below if left out");
}

void add_grid_options(const Command& command, GridArguments& arguments) {
    const Option input =
        add_sheet(command, arguments.input, "INPUT", "The sheet or image to magnify; - for standard input");
    add_image_output(command, arguments.output);
    add_frame(command, arguments.frame);
    add_number(command, "--zoom", arguments.zoom, 1, 1024, "The side of a magnified pixel, 1..1024")
        .with_default(std::to_string(arguments.zoom));
    add_read(command, "--part", "X,Y,WIDTHxHEIGHT", "Only this part of the picture", arguments.part, box_of);
    command.add_flag("--no-rulers", "Leave out the rulers with their numbers",
                     [&arguments] { arguments.rulers = false; });
    command.add_flag("--no-grid", "Leave out the lines between pixels, as below a zoom of 4",
                     [&arguments] { arguments.lines = false; });
    add_read(command, "--mark", "X,Y", "Mark a pixel with its numbers; may be repeated", arguments.marks,
             point_of);
    command.add_flag("--outlines",
                     "Draw boxes round what each statement of a sheet shows, with the number of its line",
                     arguments.outlines);
    const Option page = add_read(command, "--paper", "SIZE",
                                 "Blank squared paper instead: a4, at 300 pixels an inch, or WIDTHxHEIGHT",
                                 arguments.paper, size_of)
                            .excludes(input);
    add_number(command, "--spacing", arguments.spacing, std::int32_t{2}, std::int32_t{32767},
               "The side of the paper's squares; 59, 5 mm of a4, if left out")
        .needs(page);
}

void check_grid(const GridArguments& arguments) {
    check_output(arguments.output);
    if (arguments.input.path.empty() && !arguments.paper) throw WrongCall::missing("INPUT, or --paper,");
}

/// Takes NUMBER or NUMBER/NUMBER.
FrameRate rate_of(const std::string& text) {
    FrameRate rate;
    const char* const end = text.data() + text.size();
    auto read = std::from_chars(text.data(), end, rate.frames);
    if (read.ec == std::errc() && read.ptr != end && *read.ptr == '/')
        read = std::from_chars(read.ptr + 1, end, rate.seconds);
    constexpr std::int32_t most = 1'000'000;
    if (read.ec != std::errc() || read.ptr != end || rate.frames < 1 || rate.frames > most ||
        rate.seconds < 1 || rate.seconds > most)
        throw WrongCall("--rate", fmt::format("{} is not of the form FRAMES or FRAMES/SECONDS, each of 1..{}",
                                              base::in_quotes(text), most));
    return rate;
}

void add_reel_options(const Command& command, ReelArguments& arguments) {
    constexpr std::int32_t last = std::numeric_limits<std::int32_t>::max();
    add_sheet(command, arguments.sheet).required();
    add_warnings(command, arguments.sheet);
    add_file(command, "-o,--output",
             "The reel: .png, .gif, .webp, .y4m, or a picture's name with # for numbered ones; - for "
             "standard output",
             arguments.output)
        .required();
    add_choice<ReelType>(
        command, "--type", "The type instead of what the extension tells",
        {{"png", ReelType::png}, {"gif", ReelType::gif}, {"webp", ReelType::webp}, {"y4m", ReelType::y4m}},
        arguments.type);
    add_number(command, "--from", arguments.from, std::int32_t{0}, last, "The first frame; 0 if left out");
    add_number(command, "--to", arguments.to, std::int32_t{0}, last,
               "The last frame; the sheet's if left out");
    command.add_value("--rate", "RATE", "Frames a second, such as 25 or 30000/1001; the sheet's if left out",
                      [&arguments](const std::string& text) { arguments.rate = rate_of(text); });
    add_number(command, "--repeat", arguments.options.repeats, std::int32_t{0}, std::int32_t{65535},
               "How often it plays; 0, for ever, if left out");
    add_number(command, "--quality", arguments.options.quality, 1, 100,
               "webp: 1..100; it loses nothing without it");
    add_number(command, "--compression", arguments.options.compression, 0, 9,
               "png and webp: 0..9, from fast to small");
    add_choice<ChromaSubsampling>(command, "--subsampling",
                                  "y4m: how pixels share colour differences; both if left out",
                                  {{"none", ChromaSubsampling::none}, {"both", ChromaSubsampling::both}},
                                  arguments.options.subsampling);
    add_colour(command, "--background", arguments.options.background,
               "y4m: what see-through pixels are laid on");
    command.add_flag("--no-dithering", "gif: nearest colours only",
                     [&arguments] { arguments.options.dithered = false; });
}

void add_tidy_options(const Command& command, TidyArguments& arguments) {
    command.add_text("SHEET", "TEXT", "The sheet to read", arguments.path).required();
    command.add_flag("--replace", "Write the sheet back instead of printing it", arguments.replace);
}

} // namespace

void add_sheet_commands(CommandLine& line) {
    add_command(line,
                {"draw",
                 "Draw a sheet into an image file",
                 {"draw tarn_haven_chart.brick -o chart.png",
                  "draw tarn_haven_night.brick --frame 30 -o night.webp"}},
                draw, add_draw_options, check_draw);
    add_command(line,
                {"check",
                 "Tell what of a sheet cannot be seen, and why; the exit status is 1 if anything is found",
                 {"check tarn_haven_chart.brick", "check tarn_haven_night.brick --frame 0 --json"}},
                check_sheet, add_check_options);
    add_command(line,
                {"explain",
                 "Tell how a pixel of a sheet came to its colour, or whose the pixels of a box are",
                 {"explain tarn_haven_chart.brick 320,200",
                  "explain tarn_haven_chart.brick 200,120,240x160 -o owners.png"}},
                explain, add_explain_options, check_explain);
    add_command(line,
                {"sweep",
                 "Draw a sheet many times with values run over ranges, side by side",
                 {"sweep tarn_haven_clock.brick --over hours=0..12:2 --tile 200x200 -o hours.png",
                  "sweep tarn_haven_night.brick --over reach=200..600:200 --over west=60,120 --differences "
                  "-o reach.png"}},
                sweep, add_sweep_options,
                [](const SweepArguments& arguments) { check_output(arguments.output); });
    add_command(line,
                {"grid",
                 "Draw a sheet or an image magnified, with a grid between its pixels; or squared paper",
                 {"grid tarn_haven_chart.brick --part 440,210,64x48 --zoom 14 --mark 470,240 -o light.png",
                  "grid --paper a4 -o paper.png"}},
                grid, add_grid_options, check_grid);
    add_command(line,
                {"reel",
                 "Draw a sheet's frames into a file that plays",
                 {"reel tarn_haven_night.brick --to 11 -o night.gif",
                  "reel tarn_haven_night.brick --to 3 -o night_##.png"}},
                reel, add_reel_options, [](const ReelArguments& arguments) {
                    check_option("--output", [&] { (void)arguments.reel_type(); });
                });
    add_command(line,
                {"tidy",
                 "Print a sheet in its standard layout",
                 {"tidy tarn_haven_chart.brick", "tidy --replace tarn_haven_chart.brick"}},
                tidy, add_tidy_options);
}

} // namespace coldbrick::tool
