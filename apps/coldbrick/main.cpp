/// @file
/// The command-line tool: arguments in, files and messages out. All drawing is the library's.

#include "commands.hpp"

#include <exception>
#include <new>

#include <fmt/format.h>

namespace {

constexpr int job_failed = 1;
constexpr int wrong_call = 2;

void add_commands(CLI::App& tool) {
    tool.set_version_flag("--version", "coldbrick " COLDBRICK_VERSION);
    tool.require_subcommand(1);
    add_draw_command(tool);
    add_graph_command(tool);
    add_convert_command(tool);
    add_colours_command(tool);
    add_demo_command(tool);
}

int run(int argument_count, char** arguments) {
    CLI::App tool("Draws exact pixels from text sheets.", "coldbrick");
    try {
        add_commands(tool);
        tool.parse(argument_count, arguments);
        return 0;
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

} // namespace

int main(int argument_count, char** arguments) {
    return run(argument_count, arguments);
}
