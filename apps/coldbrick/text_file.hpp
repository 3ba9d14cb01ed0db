/// @file
/// Text files that the commands read and write.
#pragma once

#include <coldbrick/palette.hpp>

#include <filesystem>
#include <string>
#include <string_view>

/// A file's text. @throws coldbrick::FileError if the system refuses.
std::string read_text(const std::filesystem::path& path);

/// Writes a text file. @throws coldbrick::FileError if the system refuses.
void write_text(const std::filesystem::path& path, std::string_view text);

/// The palette in a file. @throws coldbrick::FileError if the system refuses, or if the text is none.
coldbrick::Palette read_palette_file(const std::filesystem::path& path);
