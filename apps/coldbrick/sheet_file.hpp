/// @file
/// Sheets read from files, as the commands take them.
#pragma once

#include <coldbrick/files.hpp>
#include <coldbrick/sheet.hpp>

#include <filesystem>
#include <string>
#include <vector>

/// The arguments of every command that reads a sheet.
struct SheetArguments {
    std::string path;
    std::vector<std::string> settings; ///< NAME=VALUE each
};

/// The format that a picture of the sheet takes in a file of this type: alpha only where the ground is
/// see-through, gray only in files that hold nothing else.
coldbrick::PixelFormat format_for(const coldbrick::Sheet& sheet, coldbrick::FileType type);

/// Opens a sheet's images, whose names count from the sheet's own folder.
coldbrick::ImageLoader images_beside(const std::filesystem::path& sheet);

/// Reads the sheet. @throws coldbrick::Error if the file cannot be read or the sheet has a fault.
coldbrick::Sheet read_sheet_file(const SheetArguments& arguments);
