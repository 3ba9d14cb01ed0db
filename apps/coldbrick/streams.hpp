/// @file
/// What the process shares with its caller: standard streams and signals.
#pragma once

#include <string>

/// Makes sure that the numbers of the standard streams are not given to files that are opened later, and that
/// a signal that ends the process leaves no unfinished files behind.
void prepare_process();

/// Why what was printed did not all reach standard output; empty if it did.
std::string output_failure();
