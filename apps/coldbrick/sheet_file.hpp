/// @file
/// Sheets read from files, as the commands take them.
#pragma once

#include <coldbrick/files.hpp>
#include <coldbrick/sheet.hpp>

#include <cstdint>
#include <filesystem>
#include <map>
#include <string>
#include <utility>
#include <vector>

/// The arguments of every command that reads a sheet.
struct SheetArguments {
    std::string path;                  ///< `-` for standard input
    std::vector<std::string> settings; ///< NAME=VALUE each
};

/// The format that a picture of the sheet takes in a file of this type: alpha only where the ground is
/// see-through, gray only in files that hold nothing else.
coldbrick::PixelFormat format_for(const coldbrick::Sheet& sheet, coldbrick::FileType type);

/// A sheet's text, of which any frame can be read. The files of its images and faces count from the sheet's
/// own folder, and each is read once.
class SheetFile {
  public:
    /// @throws coldbrick::Error if the file cannot be read.
    explicit SheetFile(const SheetArguments& arguments);

    /// @throws coldbrick::Error if the sheet has a fault or has no such frame.
    [[nodiscard]] coldbrick::Sheet read(std::int32_t frame) const;

  private:
    [[nodiscard]] coldbrick::Face face(const coldbrick::WantedFace& wanted) const;

    std::filesystem::path path_;
    std::string text_;
    std::vector<coldbrick::Setting> settings_;
    mutable std::map<std::string, coldbrick::Image> images_; ///< by their names in the sheet
    mutable std::vector<std::pair<coldbrick::WantedFace, coldbrick::Face>> faces_;
};
