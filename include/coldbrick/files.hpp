/// @file
/// Image files.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/file_type.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/image_info.hpp>
#include <coldbrick/image_view.hpp>

#include <cstddef>  // bytes
#include <cstdint>  // limits
#include <iosfwd>   // streams
#include <optional> // options that may be left out
#include <span>     // bytes of files
#include <vector>   // encoded files

namespace [[gnu::visibility("default")]] coldbrick {

/// What a file may claim before anything is allocated for it. A file beyond any of them is refused.
struct DecodeLimits {
    std::int32_t width = 1'000'000;              ///< 1 and up
    std::int32_t height = 1'000'000;             ///< 1 and up
    std::int64_t pixels = std::int64_t{1} << 30; ///< 1 and up
    std::size_t bytes = std::size_t{1} << 30;    ///< of the image's pixels, and of a reel's canvas
};

/// How files are read.
struct DecodeOptions {
    DecodeLimits limits = {};
    bool upright = true;                    ///< mirrored and turned as the file says it is to be shown
    std::optional<PixelFormat> format = {}; ///< converted to this one; if left out, what the file holds
};

/// How many of a picture's pixels share a colour difference.
enum class ChromaSubsampling : std::uint8_t {
    none,   ///< each has its own ("4:4:4")
    across, ///< two side by side ("4:2:2")
    both,   ///< four ("4:2:0")
};

/// How files are written. A value that means nothing to the type is refused, as is one outside its range.
struct EncodeOptions {
    /// jpeg and webp: 1..100, more is better. Without it, jpeg takes 90 and webp loses nothing.
    std::optional<int> quality = {};
    ChromaSubsampling subsampling = ChromaSubsampling::both; ///< jpeg
    bool progressive = false;                                ///< jpeg: coarse at first, then finer
    /// png and lossless webp: 0..9, from fast to small. Without it, 6.
    std::optional<int> compression = {};
    /// png: the smallest colour type and depth that hold these pixels, not only this format. jpeg: codes made
    /// for these pixels, a tenth smaller in twice the time.
    bool smallest = false;
    bool plain_text = false; ///< pbm, pgm, ppm and pnm: numbers as text, "P1" to "P3"
    /// What see-through pixels are laid on if the type holds no alpha. Without it, they are refused.
    std::optional<Colour> background = {};
    /// True if the type may round channels to its own depth, make colours gray or few, and alpha all or
    /// nothing. Without it, what would be lost is refused.
    bool allow_loss = false;
    bool dithered = true;                      ///< gif with colours made few: by an ordered pattern
    std::vector<FileText> texts = {};          ///< png
    std::optional<Resolution> resolution = {}; ///< png, jpeg and bmp
};

/// The bytes of a file that holds the image's pixels, in or outside the clip. Of a format that the type does
/// not have, the smallest that holds the same colours is stored: an alpha that is 255 everywhere is left out
/// where there is none.
/// @throws FileError if the type cannot hold the image without loss, naming the way out; ArgumentError if an
/// option is outside its range or means nothing to the type.
[[nodiscard]] std::vector<std::byte> encode(const ConstImageView& image, FileType type,
                                            const EncodeOptions& options = {});

/// Writes the image to a file whose type the extension tells, in one step, as write_file() does.
/// @throws FileError if the extension is unknown, the type cannot hold the image, or the system refuses.
void save(const ConstImageView& image, const FileName& path, const EncodeOptions& options = {});

/// The same, of a type that is told apart from the path.
void save(const ConstImageView& image, const FileName& path, FileType type,
          const EncodeOptions& options = {});

/// Writes the image to a stream. @throws FileError as encode(), or if the stream does not take it all.
void save(const ConstImageView& image, std::ostream& stream, FileType type,
          const EncodeOptions& options = {});

/// The image in the bytes of a file of any type, which its first bytes tell. Of a reel, it is the first
/// frame. The format is the smallest that holds what the file does: a palette gives indexed8, so that drawing
/// finds only its colours; DecodeOptions::format asks for another. Gray with an alpha of 16 bits becomes
/// rgba16, values of other depths are spread over 8 or 16 bits in proportion, and those that a png file
/// stores with another gamma are put into sRGB.
/// @throws FileError if the bytes are of no known type or not of a whole file, or if they claim more than the
/// limits.
[[nodiscard]] Image decode(std::span<const std::byte> file, const DecodeOptions& options = {});

/// The image in a file, whatever its name.
/// @throws FileError naming the path, as above, or if the system refuses, or if the file itself takes more
/// than 64 MiB beyond the limit of its pixels.
[[nodiscard]] Image load(const FileName& path, const DecodeOptions& options = {});

/// The image in the rest of a stream. @throws FileError as above.
[[nodiscard]] Image load(std::istream& stream, const DecodeOptions& options = {});

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

/// The bytes of a file. @throws FileError naming the path if there are more than `most_bytes`, or if the
/// system refuses.
[[nodiscard]] std::vector<std::byte> read_file(const FileName& path,
                                               std::size_t most_bytes = DecodeLimits{}.bytes);

} // namespace coldbrick
