#include "command_options.hpp"
#include "commands.hpp"

#include <cstddef>
#include <cstdint>
#include <limits>

namespace {

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
    add_json(command, arguments.json);
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
    add_json(command, arguments.json)->excludes(output);
}

void add_demo_options(CLI::App& command, DemoArguments& arguments) {
    command.add_option("FOLDER", arguments.folder, "Where to write; made if it is missing")
        ->capture_default_str();
    command.add_flag("--force", arguments.force, "Replace files that are there and differ");
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
