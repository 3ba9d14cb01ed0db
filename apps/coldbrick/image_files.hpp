/// @file
/// Image files as the commands take them: `-` stands for a standard stream.
#pragma once

#include <coldbrick/files.hpp>
#include <coldbrick/image.hpp>

#include <cstddef>
#include <optional>
#include <string>
#include <vector>

/// Where an image goes to, and how it is written.
struct ImageOutput {
    std::string path;                        ///< `-` for standard output
    std::optional<coldbrick::FileType> type; ///< if it is told apart from the path
    coldbrick::EncodeOptions options;

    /// The type that is written. @throws coldbrick::FileError if neither tells it.
    [[nodiscard]] coldbrick::FileType file_type() const;
};

/// True for `-`.
bool is_standard_stream(const std::string& path);

/// The bytes of a file or of standard input. @throws coldbrick::FileError
std::vector<std::byte> read_bytes(const std::string& path, std::size_t most_bytes);

coldbrick::Image load_image(const std::string& path);

/// What a file tells; `-` is read from standard input.
coldbrick::ImageInfo inspect_image(const std::string& path);

void save_image(const coldbrick::Image& image, const ImageOutput& output);
