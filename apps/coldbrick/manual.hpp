/// @file
/// What is made of the same texts as the help: the manual page, and what bash completes words by.
#pragma once

#include <string>

namespace coldbrick::tool {

class CommandLine;

/// The manual page of the tool with all its commands, in the format of man(7).
std::string manual_page(const CommandLine& tool);

/// A script for bash, which completes commands, options and names of files.
std::string bash_completion(const CommandLine& tool);

} // namespace coldbrick::tool
