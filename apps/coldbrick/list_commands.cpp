#include "command_options.hpp"
#include "commands.hpp"

#include <cstddef>
#include <cstdint>
#include <limits>

namespace coldbrick::tool {

namespace {

void add_colours_options(const Command& command, ColoursArguments& arguments) {
    const Option file =
        add_file(command, "--palette", "A palette file instead of the tool's own colours", arguments.palette);
    const Option distinct = add_number(command, "--distinct", arguments.distinct, std::size_t{1},
                                       std::size_t{256}, "So many colours that are easily told apart, 1..256")
                                .excludes(file);
    add_number(command, "--seed", arguments.seed, std::uint64_t{0}, std::numeric_limits<std::uint64_t>::max(),
               "Turns the distinct colours' hues")
        .needs(distinct);
    add_json(command, arguments.json);
}

void add_faces_options(const Command& command, FacesArguments& arguments) {
    const Option face = command.add_text(
        "FACE", "TEXT", "A built-in face, an installed family or a font file to draw", arguments.face);
    add_image_output(command, arguments.output);
    const Option output = command.option("--output");
    face.needs(output);
    add_number(command, "--weight", arguments.weight, 1, 1000,
               "How heavy the face is, 1..1000; 400 if left out")
        .needs(face);
    command.add_flag("--slanted", "The slanted face of the family", arguments.slanted).needs(face);
    command.add_text("--sample", "TEXT", "What the picture says", arguments.sample).needs(output);
    add_json(command, arguments.json).excludes(output);
}

void add_demo_options(const Command& command, DemoArguments& arguments) {
    command.add_text("FOLDER", "TEXT", "Where to write; made if it is missing", arguments.folder)
        .with_default(arguments.folder);
    command.add_flag("--force", "Replace files that are there and differ", arguments.force);
}

} // namespace

void add_list_commands(CommandLine& line) {
    add_command(line,
                {"colours",
                 "List a palette's colours as text, which --palette of other commands reads",
                 {"colours", "colours --distinct 6"}},
                list_colours, add_colours_options);
    add_command(line,
                {"faces",
                 "List type faces, or draw what they look like",
                 {"faces", "faces stroke --sample \"Tarn Haven\" -o face.png"}},
                list_faces, add_faces_options, [](const FacesArguments& arguments) {
                    if (!arguments.output.path.empty()) check_output(arguments.output);
                });
    add_command(line,
                {"demo", "Write the sample sheets and draw them", {"demo samples", "demo --force samples"}},
                write_demo, add_demo_options);
}

} // namespace coldbrick::tool
