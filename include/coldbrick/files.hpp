/// @file
/// Image files.
#pragma once

#include <coldbrick/image_view.hpp>

#include <cstddef>    // bytes
#include <cstdint>    // the enumeration's underlying type
#include <filesystem> // paths
#include <vector>     // encoded files

namespace coldbrick {

/// The kinds of image files that can be written.
enum class FileType : std::uint8_t {
    png, ///< Portable Network Graphics (ISO/IEC 15948), 8 bits a channel, gray or colour, with alpha if the
         ///< format has it
    pgm, ///< binary portable graymap, "P5": gray formats only
    ppm, ///< binary portable pixmap, "P6": formats without alpha
    pam, ///< portable arbitrary map, "P7": every format
    pnm, ///< the smallest of P5, P6 and P7 that holds the format
};

/// The type that a path's extension (.png, .pgm, .ppm, .pam, .pnm, in any case) stands for.
/// @throws FileError for any other extension, naming those known.
[[nodiscard]] FileType file_type(const std::filesystem::path& path);

/// The bytes of the file that holds the image's pixels, in or outside the clip, with the channels put in the
/// file's own order.
/// @throws FileError if the file type cannot hold the format without loss.
[[nodiscard]] std::vector<std::byte> encode(const ConstImageView& image, FileType type);

/// Writes the image to a file whose type the extension tells. A file that was there is replaced in one step
/// once the new one is safely on the disk, and stays as it was if anything fails.
/// @throws FileError if the extension is unknown, the type cannot hold the format, or the system refuses.
void save(const ConstImageView& image, const std::filesystem::path& path);

} // namespace coldbrick
