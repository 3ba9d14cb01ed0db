/// @file
/// Images enlarged so that single pixels can be seen.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/image_view.hpp>

#include <cstdint> // the zoom

namespace [[gnu::visibility("default")]] coldbrick {

/// How magnified() draws.
struct Magnification {
    std::int32_t zoom = 16;          ///< each pixel becomes a square with sides of this many pixels, 1..1024
    Colour grid{128, 128, 128, 110}; ///< of the lines between pixels; none where its alpha is 0
    Colour tenth_grid{128, 128, 128, 230}; ///< of the lines before every tenth column and row
};

/// The image with each pixel as a square, in the image's own format and palette, and a grid of one-pixel
/// lines on the left and top side of the squares and along the far edges: width * zoom + 1 by height * zoom +
/// 1 pixels; where both colours of lines are see-through, width * zoom by height * zoom.
/// @throws ArgumentError if the zoom is outside its range or the result too large for an image.
[[nodiscard]] Image magnified(const ConstImageView& image, const Magnification& magnification = {});

} // namespace coldbrick
