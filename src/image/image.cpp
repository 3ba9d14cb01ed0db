#include <coldbrick/image.hpp>

#include "image/size_checks.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/error.hpp>

#include <cstring>

namespace coldbrick {

Image::Image(Size size, PixelFormat format, const Colour& ground, std::size_t most_bytes)
    : size_(size), format_(format),
      bytes_(std::make_unique_for_overwrite<std::byte[]>(image::image_bytes(size, format, most_bytes))) {
    clear(view(), ground);
}

Image::Image(Size size, const Palette& palette, const Colour& ground, std::size_t most_bytes)
    : size_(size), format_(PixelFormat::indexed8), palette_(std::make_shared<const Palette>(palette)),
      bytes_(std::make_unique_for_overwrite<std::byte[]>(image::image_bytes(size, format_, most_bytes))) {
    clear(view(), ground);
}

Image::Image(const Image& other)
    : size_(other.size_), format_(other.format_), palette_(other.palette_),
      bytes_(std::make_unique_for_overwrite<std::byte[]>(image::image_bytes(size_, format_, no_limit))) {
    std::memcpy(bytes_.get(), other.view().bytes(), image::image_bytes(size_, format_, no_limit));
}

void Image::check_not_moved_from() const {
    if (!bytes_) throw ArgumentError("a moved-from image has no pixels: it may only be assigned to");
}

ImageView Image::view() {
    check_not_moved_from();
    return {bytes_.get(), size_, format_, image::row_bytes(size_, format_), palette_.get()};
}

ConstImageView Image::view() const {
    check_not_moved_from();
    return {bytes_.get(), size_, format_, image::row_bytes(size_, format_), palette_.get()};
}

Image& Image::operator=(const Image& other) {
    if (this != &other) *this = Image(other);
    return *this;
}

} // namespace coldbrick
