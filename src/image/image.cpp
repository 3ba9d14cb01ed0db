#include <coldbrick/image.hpp>

#include "image/sizes.hpp"

#include <coldbrick/draw.hpp>

#include <cstring>

namespace coldbrick {

Image::Image(Size size, PixelFormat format, const Colour& ground)
    : size_(size), format_(format),
      bytes_(std::make_unique_for_overwrite<std::byte[]>(image_bytes(size, format))) {
    clear(view(), ground);
}

Image::Image(const Image& other)
    : size_(other.size_), format_(other.format_),
      bytes_(std::make_unique_for_overwrite<std::byte[]>(image_bytes(other.size_, other.format_))) {
    std::memcpy(bytes_.get(), other.bytes_.get(), image_bytes(size_, format_));
}

Image& Image::operator=(const Image& other) {
    if (this != &other) *this = Image(other);
    return *this;
}

} // namespace coldbrick
