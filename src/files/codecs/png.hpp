/// @file
/// Portable Network Graphics: what animated ones are made of, too.
#pragma once

#include "files/codecs/codec.hpp"
#include "files/fields.hpp"

#include <cstdint>
#include <memory>
#include <span>

namespace coldbrick::files {

/// A whole PNG file, row by row.
std::unique_ptr<RowEncoder> png_encoder(ByteSink& sink, const StoredPicture& picture,
                                        const EncodeOptions& options);

/// The rows of a PNG file; all of them are kept if it is interlaced.
std::unique_ptr<RowDecoder> png_rows(ByteSource& source, const DecodeLimits& limits);

/// The picture of a file in memory, of which it is known how much it can hold.
Image decode_png(std::span<const std::byte> file, const DecodeLimits& limits);

/// How long a frame lasts, from the data of its chunk fcTL.
Duration png_frame_duration(const Fields& control);

/// The frames of an animated PNG file, or the only one of another.
std::unique_ptr<FrameDecoder> png_frames(std::span<const std::byte> file, const DecodeLimits& limits);

} // namespace coldbrick::files
