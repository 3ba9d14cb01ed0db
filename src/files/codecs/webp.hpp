/// @file
/// WebP: what animated ones are made of, too.
#pragma once

#include "files/codecs/codec.hpp"

#include <cstddef>
#include <memory>
#include <span>
#include <vector>

namespace coldbrick::files {

/// A whole WebP file.
std::unique_ptr<RowEncoder> webp_encoder(ByteSink& sink, const StoredPicture& picture,
                                         const EncodeOptions& options);

/// The frames of an animated WebP file, or the only one of another.
std::unique_ptr<FrameDecoder> webp_frames(std::span<const std::byte> file, const DecodeLimits& limits);

} // namespace coldbrick::files
