/// @file
/// Images with a different colour in every pixel, and the bytes of images.
#pragma once

#include <coldbrick/image.hpp>

#include <string>

namespace coldbrick::test {

inline Image sample(Size size, PixelFormat format, int seed = 0) {
    Image image(size, format);
    for (int i = 0; i < size.width * size.height; ++i)
        image.set_pixel(
            {i % size.width, i / size.width},
            Colour((i * 37 + seed) % 256, i * 91 % 256, (i * 151 + seed * 7) % 256, 255 - i * 29 % 200));
    return image;
}

/// All bytes of the rows, one after the other.
inline std::string bytes_of(const ConstImageView& image) {
    std::string result;
    for (std::int32_t y = 0; y < image.height(); ++y) {
        const auto row = image.row(y);
        result.append(reinterpret_cast<const char*>(row.data()), row.size());
    }
    return result;
}

} // namespace coldbrick::test
