/// @file
/// Sheets read from files, as the commands take them.
#pragma once

#include <coldbrick/files.hpp>
#include <coldbrick/sheet.hpp>

#include <cstdint>
#include <filesystem>
#include <optional>
#include <string>
#include <vector>

/// The arguments of every command that reads a sheet.
struct SheetArguments {
    std::string path;                  ///< `-` for standard input
    std::vector<std::string> settings; ///< NAME=VALUE each
    bool leaves_folder = false;        ///< whether it may include files outside of its folder
    bool warns = false;                ///< whether warnings go to standard error
};

/// The format that a picture of the sheet takes in a file of this type: alpha only where the ground is
/// see-through, gray only in files that hold nothing else.
coldbrick::PixelFormat format_for(const coldbrick::Sheet& sheet, coldbrick::FileType type);

/// A sheet, of which any frame can be worked out. Its files count from the sheet's own folder, and each is
/// read once.
class SheetFile {
  public:
    /// @throws coldbrick::Error if the file cannot be read.
    explicit SheetFile(const SheetArguments& arguments);

    /// Prints the warnings of the first frame that is read, if they are asked for.
    /// @throws coldbrick::Error if the sheet has a fault or has no such frame.
    [[nodiscard]] coldbrick::Sheet read(std::int32_t frame) const;

  private:
    std::filesystem::path path_;
    std::string text_;
    std::vector<coldbrick::Setting> settings_;
    bool leaves_folder_;
    bool warns_;
    mutable std::optional<coldbrick::Sheet> sheet_; ///< as it was worked out last
};
