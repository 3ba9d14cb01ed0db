/// @file
/// What is made of the same texts as the help: the manual page, and what bash completes words by.
#pragma once

#include <string>

namespace CLI { // NOLINT(readability-identifier-naming): the other library's
class App;
}

/// The manual page of the tool with all its commands, in the format of man(7).
std::string manual_page(const CLI::App& tool);

/// A script for bash, which completes commands, options and names of files.
std::string bash_completion(const CLI::App& tool);
