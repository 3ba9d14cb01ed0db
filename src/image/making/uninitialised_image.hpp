/// @file
/// Images whose pixels are all written right after they are made.
#pragma once

#include <coldbrick/image.hpp>

namespace coldbrick::image {

/// An image of a format and, if it is indexed, with a palette of its own. Its pixels are whatever the memory
/// holds: all of them must be written before it is handed on.
/// @param palette null for none
/// @throws ArgumentError as the constructors of Image.
inline Image uninitialised(Size size, PixelFormat format, const Palette* palette = nullptr,
                           std::size_t most_bytes = Image::no_limit) {
    return detail::uninitialised_image(size, format, palette, most_bytes);
}

} // namespace coldbrick::image
