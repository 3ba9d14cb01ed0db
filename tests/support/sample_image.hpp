/// @file
/// Images with a different colour in every pixel.
#pragma once

#include <coldbrick/image.hpp>

namespace coldbrick::test {

inline Image sample(Size size, PixelFormat format, int seed = 0) {
    Image image(size, format);
    for (int i = 0; i < size.width * size.height; ++i)
        image.set_pixel(
            {i % size.width, i / size.width},
            Colour((i * 37 + seed) % 256, i * 91 % 256, (i * 151 + seed * 7) % 256, 255 - i * 29 % 200));
    return image;
}

} // namespace coldbrick::test
