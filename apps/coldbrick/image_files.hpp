/// @file
/// Image files as the commands take them: `-` stands for a standard stream.
#pragma once

#include <coldbrick/files.hpp>
#include <coldbrick/function_ref.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/reel.hpp>
#include <coldbrick/row_files.hpp>

#include <cstddef>
#include <filesystem>
#include <optional>
#include <span>
#include <string>
#include <vector>

namespace coldbrick::tool {

/// Where an image goes to, and how it is written.
struct ImageOutput {
    std::string path;             ///< `-` for standard output
    std::optional<FileType> type; ///< if it is told apart from the path
    EncodeOptions options;

    /// The type that is written. @throws FileError if neither tells it.
    [[nodiscard]] FileType file_type() const;
};

/// Whether bytes begin as those of an image file do.
bool is_image(std::span<const std::byte> bytes);

/// True for `-`.
bool is_standard_stream(const std::string& path);

/// The bytes of a file or of standard input. @throws FileError
std::vector<std::byte> read_bytes(const std::string& path, std::size_t most_bytes);

/// An image file at a path, or standard input, which is read whole. What is wrong with it is told with
/// its name.
class ImageInput {
  public:
    /// @throws FileError if it cannot be read, or is of no known type.
    explicit ImageInput(const std::string& path);

    [[nodiscard]] const ImageInfo& info() const { return info_; }
    [[nodiscard]] Image image() const;

    /// Calls use(frame) with each frame of a reel.
    void for_each_frame(FunctionRef<void(Frame& frame)> use) const;

  private:
    std::string path_;
    std::vector<std::byte> bytes_; ///< of standard input
    ImageInfo info_;
};

/// @throws FileError if a file that is to be written is one of those that are read, which it would
/// replace.
void refuse_to_replace(const std::string& output, const std::vector<std::filesystem::path>& inputs);

void save_image(const Image& image, const ImageOutput& output);

/// What writes such an image row by row.
RowWriter row_writer(const ImageOutput& output, Size size, PixelFormat format);

} // namespace coldbrick::tool
