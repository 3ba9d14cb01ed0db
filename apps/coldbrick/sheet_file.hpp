/// @file
/// Sheets read from files, as the commands take them.
#pragma once

#include <coldbrick/files.hpp>
#include <coldbrick/function_ref.hpp>
#include <coldbrick/sheet.hpp>

#include <cstdint>
#include <filesystem>
#include <optional>
#include <string>
#include <vector>

namespace coldbrick::tool {

/// The arguments of every command that reads a sheet.
struct SheetArguments {
    std::string path;                  ///< `-` for standard input
    std::vector<std::string> settings; ///< NAME=VALUE each
    bool leaves_folder = false;        ///< whether it may include files outside of its folder
    std::size_t memory_mib = 1024;     ///< what its drawing and each of its tables may take
    bool warns = false;                ///< whether warnings go to standard error
};

/// The format that a picture of the sheet takes in a file of this type: alpha only where the ground is
/// see-through, gray only in files that hold nothing else.
PixelFormat format_for(const Sheet& sheet, FileType type);

/// The text of a sheet's file. @throws FileError also if that is an image.
std::string sheet_text(const std::string& path);

/// A sheet, of which any frame can be worked out. Its files count from the sheet's own folder, and each is
/// read once.
class SheetFile {
  public:
    /// @param keeps_warnings whether each frame has its warnings, too
    /// @throws Error if the file cannot be read.
    explicit SheetFile(const SheetArguments& arguments, bool keeps_warnings = false);

    /// The same of a text that has been read already.
    SheetFile(const SheetArguments& arguments, std::string text);

    /// Prints the warnings of the first frame that is read, if they are asked for.
    /// @throws Error if the sheet has a fault or has no such frame.
    [[nodiscard]] Sheet read(std::int32_t frame) const;

    /// Calls use(reading) with what read() takes for a frame.
    template <class Use>
    auto with_reading(std::int32_t frame, const Use& use) const;

    /// The files that it has been read from or that have been asked for: its own, and those that it includes,
    /// takes data, pictures and faces from.
    [[nodiscard]] const std::vector<std::filesystem::path>& files() const { return files_; }

  private:
    [[nodiscard]] std::filesystem::path found(const std::string& file) const;

    std::filesystem::path path_;
    std::string text_;
    std::vector<Setting> settings_;
    bool leaves_folder_;
    std::size_t memory_;
    bool warns_;
    bool keeps_warnings_;
    mutable std::optional<Sheet> sheet_; ///< as it was worked out last
    mutable std::vector<std::filesystem::path> files_;

    // What the loaders of sheets call.
    [[nodiscard]] Image load_image(const std::string& file, std::size_t most_bytes) const;
    [[nodiscard]] Face load_face(const WantedFace& wanted) const;
    [[nodiscard]] std::string load_text(const std::string& file) const;
};

template <class Use>
auto SheetFile::with_reading(std::int32_t frame, const Use& use) const {
    const auto image = [this](const std::string& file, std::size_t most) { return load_image(file, most); };
    const auto face = [this](const WantedFace& wanted) { return load_face(wanted); };
    const auto text = [this](const std::string& file, std::size_t) { return load_text(file); };
    return use(SheetReading{.settings = settings_,
                            .load_image = image,
                            .load_face = face,
                            .load_text = text,
                            .leaves_folder = leaves_folder_,
                            .limits = {.data_bytes = memory_, .drawing_bytes = memory_},
                            .warns = keeps_warnings_ || (warns_ && !sheet_),
                            .frame = frame});
}

} // namespace coldbrick::tool
