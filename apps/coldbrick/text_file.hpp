/// @file
/// Text files that the commands read.
#pragma once

#include <coldbrick/palette.hpp>

#include <filesystem>
#include <string>

namespace coldbrick::tool {

/// A file's text, or that of standard input for `-`. @throws FileError if the system refuses or
/// there are more than 256 MiB.
std::string read_text(const std::filesystem::path& path);

/// The palette in a file. @throws FileError if the system refuses, or if the text is none.
Palette read_palette_file(const std::filesystem::path& path);

} // namespace coldbrick::tool
