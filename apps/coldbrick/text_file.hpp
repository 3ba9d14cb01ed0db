/// @file
/// Text files that the commands read.
#pragma once

#include <coldbrick/palette.hpp>

#include <filesystem>
#include <string>

/// A file's text, or that of standard input for `-`. @throws coldbrick::FileError if the system refuses or
/// there are more than 256 MiB.
std::string read_text(const std::filesystem::path& path);

/// The palette in a file. @throws coldbrick::FileError if the system refuses, or if the text is none.
coldbrick::Palette read_palette_file(const std::filesystem::path& path);
