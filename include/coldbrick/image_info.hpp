/// @file
/// What image files tell of themselves.
#pragma once

#include <coldbrick/duration.hpp>
#include <coldbrick/file_type.hpp>
#include <coldbrick/orientation.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>

#include <cstddef>  // bytes
#include <cstdint>  // counts
#include <optional> // most of it may be missing
#include <span>     // bytes of files
#include <string>   // texts
#include <vector>   // texts

namespace [[gnu::visibility("default")]] coldbrick {

/// A text in a file with its keyword, such as "Title" or "Author". Both are UTF-8; files that hold only
/// Latin-1 are translated.
struct FileText {
    std::string keyword;
    std::string text;

    friend bool operator==(const FileText&, const FileText&) = default;
};

/// How many pixels lie on an inch.
struct Resolution {
    double across = 0;
    double down = 0;

    friend bool operator==(const Resolution&, const Resolution&) = default;
};

/// What a file tells of its picture.
struct ImageInfo {
    FileType type{};
    Size size;            ///< of the picture as load() lays it, with its orientation applied
    PixelFormat format{}; ///< that load() gives it
    /// Stored: 1 is gray or numbers of a palette, 2 gray and alpha, 3 colours, 4 colours and alpha or black.
    int channels = 0;
    int bits = 0;                 ///< stored for each channel, or for each number
    std::int64_t frames = 1;      ///< of a reel; 1 of a picture
    Duration duration = {};       ///< of all frames together; none of a picture
    std::int32_t repeats = 1;     ///< how often a reel plays; 0 for ever
    Orientation orientation = {}; ///< how the stored pixels are mirrored and turned to be upright
    std::optional<Resolution> resolution = {};
    std::string colour_profile = {}; ///< "sRGB", a profile's name, or empty if the file tells nothing
    std::vector<FileText> texts = {};
};

/// What the file in these bytes tells. The pixels are not decoded.
/// @throws FileError if the bytes are of no known type or broken before the pixels.
[[nodiscard]] ImageInfo inspect(std::span<const std::byte> file);

/// What a file tells, whatever its name. @throws FileError naming the path, as above, or if the system
/// refuses.
[[nodiscard]] ImageInfo inspect(const FileName& path);

} // namespace coldbrick
