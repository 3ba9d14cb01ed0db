/// @file
/// The command-line tool: arguments in, files and messages out. All drawing is the library's.

#include "command_line.hpp"

int main(int argument_count, char** arguments) {
    return run_command_line(argument_count, arguments);
}
