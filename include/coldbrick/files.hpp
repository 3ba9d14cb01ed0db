/// @file
/// Image files.
#pragma once

#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>

#include <cstddef>    // bytes
#include <cstdint>    // the enumeration's underlying type
#include <filesystem> // paths
#include <span>       // bytes of files
#include <vector>     // encoded files

namespace coldbrick {

/// The kinds of image files.
enum class FileType : std::uint8_t {
    png, ///< Portable Network Graphics (ISO/IEC 15948), 8 or 16 bits a channel, gray or colour, with alpha if
         ///< the format has it
    pgm, ///< binary portable graymap, "P5": gray formats without alpha
    ppm, ///< binary portable pixmap, "P6": formats without alpha
    pam, ///< portable arbitrary map, "P7": every format
    pnm, ///< the smallest of P5, P6 and P7 that holds the format
};

/// The type that a path's extension (.png, .pgm, .ppm, .pam, .pnm, in any case) stands for.
/// @throws FileError for any other extension, naming those known.
[[nodiscard]] FileType file_type(const std::filesystem::path& path);

/// The bytes of the file that holds the image's pixels, in or outside the clip, with the channels put in the
/// file's own order. Of an indexed image, the entries' colours are written.
/// @throws FileError if the file type cannot hold the format without loss, as none can the formats of floats.
[[nodiscard]] std::vector<std::byte> encode(const ConstImageView& image, FileType type);

/// Writes the image to a file whose type the extension tells. A file that was there is replaced in one step
/// once the new one is safely on the disk, and stays as it was if anything fails.
/// @throws FileError if the extension is unknown, the type cannot hold the format, or the system refuses.
void save(const ConstImageView& image, const std::filesystem::path& path);

/// What the pixels of a file that is read may take unless a call says otherwise.
constexpr std::size_t usual_limit = std::size_t{1} << 30;

/// The image in the bytes of a PNG file or a portable anymap ("P5", "P6" or "P7" with a largest value of 255
/// or 65535), in the smallest format that holds it; gray with an alpha of 16 bits becomes rgba16.
/// @param most_bytes what its pixels may take; nothing is allocated for a file that says it has more.
/// @throws FileError if the bytes are not those of such a file, or not of a whole one; ArgumentError if the
/// pixels take more than the limit.
[[nodiscard]] Image decode(std::span<const std::byte> file, std::size_t most_bytes = usual_limit);

/// The image in a file, whatever its name. @throws FileError as above, or if the system refuses.
[[nodiscard]] Image load(const std::filesystem::path& path, std::size_t most_bytes = usual_limit);

} // namespace coldbrick
