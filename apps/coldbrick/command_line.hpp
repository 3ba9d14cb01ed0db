/// @file
/// The tool's arguments, which only this part reads.
#pragma once

namespace coldbrick::tool {

/// Reads the arguments, runs the command that they name and returns the exit status: 0, 1 if the job failed
/// or 2 if the call was wrong. What is wrong is printed to standard error, the help to standard output.
int run_command_line(int argument_count, char** arguments);

} // namespace coldbrick::tool
