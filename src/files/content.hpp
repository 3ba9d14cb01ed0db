/// @file
/// What the pixels of an image need of a file.
#pragma once

#include <coldbrick/image_view.hpp>
#include <coldbrick/palette.hpp>

#include <optional>

namespace coldbrick::files {

/// What a file must be able to hold so that nothing is lost.
struct Content {
    bool colours = false;       ///< red, green and blue that are not all equal
    bool alpha = false;         ///< an alpha that is not the largest everywhere
    bool partial_alpha = false; ///< one that is neither that nor 0
    bool deep = false;          ///< more than 8 bits a channel
    bool floats = false;        ///< more than 16
    int gray_bits = 8;          ///< how many are enough for the gray of opaque pixels: 1, 2, 4 or 8
    std::optional<Palette> few; ///< the colours, if they fit a palette; only looked for if asked
};

/// What any image of the format may need.
Content content_of(PixelFormat format, const Palette* palette);

/// What the pixels need.
Content examined(const ConstImageView& image, bool look_for_few);

} // namespace coldbrick::files
