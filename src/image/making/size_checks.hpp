/// @file
/// Checks of image sizes and the bytes they take.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>

#include <cstddef>

namespace coldbrick::image {

/// Throws ArgumentError unless width and height are in 1..2147483647.
void check_size(Size size);

/// Throws ArgumentError unless the box of pixels is not empty and lies inside an image of this size.
/// @param what the message's name for it
void check_inside(const char* what, const Box& box, Size size);

/// The bytes of a row without padding.
std::ptrdiff_t row_bytes(Size size, PixelFormat format);

/// The bytes of all rows without padding. @throws ArgumentError if they exceed the address space or `most`.
std::size_t image_bytes(Size size, PixelFormat format, std::size_t most);

} // namespace coldbrick::image
