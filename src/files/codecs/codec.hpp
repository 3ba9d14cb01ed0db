/// @file
/// What the library knows of a type of files: a Codec each, all of them in the table of codecs.cpp.
#pragma once

#include "files/byte_sink.hpp"
#include "files/byte_source.hpp"

#include <coldbrick/files.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/image_info.hpp>
#include <coldbrick/palette.hpp>
#include <coldbrick/reel.hpp>

#include <memory>
#include <optional>
#include <span>
#include <string_view>

namespace coldbrick::files {

/// What files of a type hold of a picture without loss.
struct Holds {
    bool gray = false;            ///< as a channel of its own; where not, gray is stored as colours
    bool colours = true;          ///< red, green and blue
    bool alpha = false;           ///< of 8 bits, or 16 if it is deep
    bool on_off_alpha = false;    ///< alpha that is all or nothing
    bool deep = false;            ///< channels of 16 bits
    bool black_and_white = false; ///< gray, but only 0 and 255
    bool palette = false;         ///< numbers of a palette's entries
    std::size_t most_colours = 0; ///< how many different ones; 0 for any
};

/// Which of the options mean something to files of a type, quality and the like.
struct Takes {
    bool quality = false;
    bool subsampling = false; ///< and progressive
    bool compression = false;
    bool smallest = false;
    bool plain_text = false;
    bool texts = false;
    bool resolution = false;
};

/// The pixels of a file that is to be written: rows of one format, as they lie in memory. Bytes of 16-bit
/// channels are in the machine's order.
struct StoredPicture {
    Size size = {};
    PixelFormat format{};                ///< one that the type holds
    std::optional<Palette> palette = {}; ///< of indexed8
    int bits =
        0; ///< of gray8 and indexed8, how many bits are enough for each pixel: 1, 2, 4 or 8; 0 if unknown
};

/// Writes a picture's rows, from the top.
class RowEncoder {
  public:
    RowEncoder() = default;
    RowEncoder(const RowEncoder&) = delete;
    RowEncoder& operator=(const RowEncoder&) = delete;
    virtual ~RowEncoder() = default;

    virtual void row(std::span<const std::byte> row) = 0;

    /// Called once, after the last row.
    virtual void finish() = 0;
};

/// Reads a picture's rows, from the top.
class RowDecoder {
  public:
    RowDecoder() = default;
    RowDecoder(const RowDecoder&) = delete;
    RowDecoder& operator=(const RowDecoder&) = delete;
    virtual ~RowDecoder() = default;

    [[nodiscard]] virtual StoredPicture picture() const = 0;

    /// Fills the next row, without padding.
    virtual void row(std::span<std::byte> row) = 0;

    /// Called once, after the last row: looks whether the file ends as it should.
    virtual void finish() {}
};

/// Reads a reel's frames, each as it is shown.
class FrameDecoder {
  public:
    FrameDecoder() = default;
    FrameDecoder(const FrameDecoder&) = delete;
    FrameDecoder& operator=(const FrameDecoder&) = delete;
    virtual ~FrameDecoder() = default;

    [[nodiscard]] virtual Size size() const = 0;
    [[nodiscard]] virtual std::int32_t repeats() const = 0;
    virtual std::optional<Frame> next() = 0;
};

/// A type of files. All functions throw FileError for what is wrong with the bytes and ArgumentError for an
/// image beyond the limits or its palette, which callers make a FileError.
struct Codec {
    FileType type;
    std::string_view name;                        ///< as messages say it
    std::span<const std::string_view> extensions; ///< the usual one first
    Holds holds;
    Takes takes;

    /// True if a file that begins so is of the type.
    bool (*begins)(std::span<const std::byte> file);

    ImageInfo (*inspect)(std::span<const std::byte> file);
    Image (*decode)(std::span<const std::byte> file, const DecodeLimits& limits);
    std::unique_ptr<RowEncoder> (*encoder)(ByteSink& sink, const StoredPicture& picture,
                                           const EncodeOptions& options);

    /// How the stored pixels are mirrored and turned to be upright; null if the type tells nothing of it.
    Orientation (*orientation)(std::span<const std::byte> file) = nullptr;

    /// For rows one after another from a file that is read in parts; null if the type has no such way.
    std::unique_ptr<RowDecoder> (*row_decoder)(ByteSource& source, const DecodeLimits& limits) = nullptr;

    /// Null if the type has no reels. The bytes must outlive the decoder.
    std::unique_ptr<FrameDecoder> (*frames)(std::span<const std::byte> file,
                                            const DecodeLimits& limits) = nullptr;
};

/// All of them: each type of files once, in the order of FileType.
std::span<const Codec* const> codecs();

const Codec& codec_of(FileType type);

/// The codec of a file that begins so, or null.
const Codec* codec_of(std::span<const std::byte> beginning);

extern const Codec png_codec;
extern const Codec jpeg_codec;
extern const Codec webp_codec;
extern const Codec gif_codec;
extern const Codec bmp_codec;
extern const Codec qoi_codec;
extern const Codec pbm_codec;
extern const Codec pgm_codec;
extern const Codec ppm_codec;
extern const Codec pam_codec;
extern const Codec pnm_codec;

/// Throws ArgumentError if a picture of this size and format is beyond the limits; to be called before
/// anything is allocated for it.
void check_limits(Size size, PixelFormat format, const DecodeLimits& limits);

/// An image within the limits whose pixels are all to be written yet.
Image image_within(const DecodeLimits& limits, Size size, PixelFormat format,
                   const Palette* palette = nullptr);

/// All rows of a decoder.
Image decode_rows(RowDecoder& decoder, const DecodeLimits& limits);

} // namespace coldbrick::files
