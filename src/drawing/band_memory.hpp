/// @file
/// Views of pictures of which only some rows are there.
#pragma once

#include <coldbrick/box.hpp>
#include <coldbrick/image_view.hpp>

#include <cstddef>

namespace coldbrick {
class Palette;
}

namespace coldbrick::drawing {

/// The bytes that the rows of a box take, each as long as the picture is wide.
/// @throws ArgumentError if the picture's rows exceed what addresses can be counted in
[[nodiscard]] std::size_t bytes_of_rows(Size size, PixelFormat format, const Box& rows);

/// A view of a picture with the coordinates of all of it, whose clip is the box; memory holds the box's rows
/// only, each as long as the picture is wide.
[[nodiscard]] ImageView view_of_rows(std::byte* memory, Size size, PixelFormat format, const Box& rows,
                                     const Palette* palette = nullptr);

} // namespace coldbrick::drawing
