/// @file
/// What the process shares with its caller: standard streams and signals.
#pragma once

#include <string>
#include <string_view>

namespace coldbrick::tool {

/// Makes sure that the numbers of the standard streams are not given to files that are opened later, and that
/// a signal that ends the process leaves no unfinished files behind.
void prepare_process();

/// Prints a message to standard error. What cannot be printed there is lost: nothing else can tell of it.
void print_message(std::string_view text);

/// Why what was printed did not all reach standard output; empty if it did.
std::string output_failure();

} // namespace coldbrick::tool
