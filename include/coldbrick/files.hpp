/// @file
/// Image files.
#pragma once

#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>

#include <concepts>    // what can name a file
#include <cstddef>     // bytes
#include <cstdint>     // the enumeration's underlying type
#include <span>        // bytes of files
#include <string_view> // names
#include <vector>      // encoded files

namespace [[gnu::visibility("default")]] coldbrick {

/// The path of a file, as the system takes it: any text or std::filesystem::path becomes one. It does not
/// copy what it is made from, which must outlive the call that it is for.
class FileName {
  public:
    template <class Text>
    requires std::convertible_to<const Text&, std::string_view> FileName(const Text& text) : text_(text) {}
    template <class Path>
    requires requires(const Path& path) { std::string_view(path.native()); }
    FileName(const Path& path) : text_(path.native()) {}

    [[nodiscard]] std::string_view text() const { return text_; }

  private:
    std::string_view text_;
};

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
[[nodiscard]] FileType file_type(const FileName& path);

/// The bytes of the file that holds the image's pixels, in or outside the clip, with the channels put in the
/// file's own order. Of an indexed image, the entries' colours are written.
/// @throws FileError if the file type cannot hold the format without loss, as none can the formats of floats.
[[nodiscard]] std::vector<std::byte> encode(const ConstImageView& image, FileType type);

/// Writes the image to a file whose type the extension tells, as write_file() does.
/// @throws FileError if the extension is unknown, the type cannot hold the format, or the system refuses.
void save(const ConstImageView& image, const FileName& path);

/// Writes bytes to a file. One that was there is replaced in one step once the new one is safely on the disk,
/// and stays as it was if anything fails; nothing fails after that step.
/// - The new file keeps the owner and the group, as far as the process may give them away, and the
///   permissions, but no set-user-id, set-group-id or sticky bit. A read-only file is refused.
/// - Symbolic links stay, and the file they lead to is written, also one that was not there yet.
/// - What is not a regular file, such as a pipe or a device, is written straight.
/// - Until the step, the bytes are in a file `.*.unsaved` in the same folder. If the process is killed, the
///   next call for the same path removes it.
/// Threads and processes may write the same path at the same time: one of the files is there then, whole.
/// @throws FileError naming the path and the reason.
void write_file(const FileName& path, std::span<const std::byte> bytes);

/// Removes the files of write_file() calls that are under way, which fail then. For handlers of signals that
/// end the process: it neither allocates nor locks.
void remove_unfinished_files() noexcept;

/// What the pixels of a file that is read may take unless a call says otherwise: 1 GiB.
constexpr std::size_t default_decode_limit_bytes = std::size_t{1} << 30;

/// The bytes of a file. @throws FileError naming the path if there are more than `most_bytes`, or if the
/// system refuses.
[[nodiscard]] std::vector<std::byte> read_file(const FileName& path,
                                               std::size_t most_bytes = default_decode_limit_bytes);

/// The image in the bytes of a PNG file or a portable anymap ("P5", "P6" or "P7" with a largest value of 255
/// or 65535), in the smallest format that holds it; gray with an alpha of 16 bits becomes rgba16.
/// @param most_bytes what its pixels may take; nothing is allocated for a file that says it has more, or that
/// is too short to have as many as it says.
/// @throws FileError if the bytes are not those of such a file, or not of a whole one, or if the pixels take
/// more than the limit.
[[nodiscard]] Image decode(std::span<const std::byte> file,
                           std::size_t most_bytes = default_decode_limit_bytes);

/// The image in a file, whatever its name.
/// @throws FileError naming the path, as above, or if the system refuses, or if the file itself takes more
/// than 64 MiB beyond the limit of its pixels.
[[nodiscard]] Image load(const FileName& path, std::size_t most_bytes = default_decode_limit_bytes);

} // namespace coldbrick
