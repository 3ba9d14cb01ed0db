/// @file
/// The command-line tool: arguments in, files and messages out. All drawing is the library's.

#include "command_line.hpp"
#include "streams.hpp"

int main(int argument_count, char** arguments) {
    coldbrick::tool::prepare_process();
    return coldbrick::tool::run_command_line(argument_count, arguments);
}
