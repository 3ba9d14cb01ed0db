/// @file
/// The chunks that PNG files consist of.
#pragma once

#include "files/byte_sink.hpp"

#include <cstddef>
#include <cstdint>
#include <optional>
#include <span>
#include <string_view>

namespace coldbrick::files {

/// The eight bytes that PNG files begin with.
std::span<const std::byte> png_signature();

bool begins_as_png(std::span<const std::byte> file);

struct PngChunk {
    std::string_view type; ///< four letters
    std::span<const std::byte> data;
};

/// Goes through the chunks of a file in memory.
class PngChunks {
  public:
    enum class Checksums : std::uint8_t { checked, ignored };

    /// @param file begins with the signature
    explicit PngChunks(std::span<const std::byte> file, Checksums checksums = Checksums::checked);

    /// The next chunk; nothing after IEND. @throws FileError if the file ends before, or if the chunk's
    /// checksum is wrong.
    std::optional<PngChunk> next();

  private:
    std::span<const std::byte> rest_;
    Checksums checksums_;
    bool ended_ = false;
};

/// Throws FileError unless all chunks that the file tells of are there, up to the last one.
void check_png_is_whole(std::span<const std::byte> file);

/// Writes a chunk whose data are these two parts, one after the other.
void write_png_chunk(ByteSink& sink, std::string_view type, std::span<const std::byte> data,
                     std::span<const std::byte> more = {});

} // namespace coldbrick::files
