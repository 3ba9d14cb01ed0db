/// @file
/// How the frames of a reel are stored.
#pragma once

#include "files/stored_rows.hpp"

#include <coldbrick/reel.hpp>

namespace coldbrick::files {

/// How frames of this format are stored in files of the type that one picture of the reel would be.
/// @throws FileError if the type cannot hold them.
inline Storage frame_storage(Size size, PixelFormat format, const Palette* palette, const Codec& codec,
                             const EncodeOptions& options) {
    Storage storage = settle_storage(size, format, palette, codec, options);
    if (!storage.picture.palette) return storage;
    // Frames of a palette are stored as colours, so that each may have its own.
    storage.picture.palette.reset();
    const bool alpha = content_of(format, palette).alpha;
    storage.picture.format = alpha ? PixelFormat::rgba8 : PixelFormat::rgb8;
    return storage;
}

} // namespace coldbrick::files
