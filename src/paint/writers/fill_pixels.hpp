/// @file
/// Whole buffers of equal pixels.
#pragma once

#include "paint/formats/pixel_codec.hpp"

#include <cstddef>

namespace coldbrick::paint {

/// Writes the same pixel over and over.
/// @param bytes how many bytes there are, whole pixels
void fill_pixels(std::byte* begin, std::size_t bytes, const PixelBytes& pixel, std::ptrdiff_t pixel_bytes);

} // namespace coldbrick::paint
