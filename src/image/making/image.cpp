#include <coldbrick/image.hpp>

#include "image/making/size_checks.hpp"
#include "image/making/uninitialised_image.hpp"
#include "paint/formats/pixel_codec.hpp"
#include "paint/writers/fill_pixels.hpp"

#include <coldbrick/error.hpp>

#include <cstring>
#include <utility>

namespace coldbrick {

namespace {

void fill_with(const ImageView& view, const Colour& ground) {
    const paint::Codec codec{&layout(view.format()), view.palette()};
    paint::fill_pixels(view.bytes(), image::image_bytes(view.size(), view.format(), Image::no_limit),
                       codec.pixel(ground), codec.layout->bytes);
}

} // namespace

Image::Image(std::optional<Shared<Palette>> palette, Size size, PixelFormat format, std::size_t most_bytes)
    : size_(size), format_(format), palette_(std::move(palette)),
      bytes_(new std::byte[image::image_bytes(size, format, most_bytes)]) {}

Image::Image(Size size, PixelFormat format, const Colour& ground, std::size_t most_bytes)
    : Image(std::nullopt, size, format, most_bytes) {
    fill_with(view(), ground);
}

Image::Image(Size size, const Palette& palette, const Colour& ground, std::size_t most_bytes)
    : Image(Shared<Palette>(palette), size, PixelFormat::indexed8, most_bytes) {
    fill_with(view(), ground);
}

Image::Image(const Image& other) : Image(other.palette_, other.view().size(), other.format_, no_limit) {
    std::memcpy(bytes_, other.bytes_, image::image_bytes(size_, format_, no_limit));
}

Image::Image(Image&& other) noexcept
    : size_(other.size_), format_(other.format_), palette_(std::exchange(other.palette_, std::nullopt)),
      bytes_(std::exchange(other.bytes_, nullptr)) {}

Image& Image::operator=(const Image& other) {
    if (this != &other) *this = Image(other);
    return *this;
}

Image& Image::operator=(Image&& other) noexcept {
    if (this == &other) return *this;
    size_ = other.size_;
    format_ = other.format_;
    palette_ = std::exchange(other.palette_, std::nullopt);
    delete[] bytes_;
    bytes_ = std::exchange(other.bytes_, nullptr);
    return *this;
}

Image::~Image() {
    delete[] bytes_;
}

void Image::check_not_moved_from() const {
    if (bytes_ == nullptr)
        throw ArgumentError("a moved-from image has no pixels: it may only be assigned to");
}

ImageView Image::view() {
    check_not_moved_from();
    return {bytes_, size_, format_, image::row_bytes(size_, format_), own_palette()};
}

ConstImageView Image::view() const {
    check_not_moved_from();
    return {bytes_, size_, format_, image::row_bytes(size_, format_), own_palette()};
}

Image detail::uninitialised_image(Size size, PixelFormat format, const Palette* palette,
                                  std::size_t most_bytes) {
    if (palette == nullptr) return {std::nullopt, size, format, most_bytes};
    return {Shared<Palette>(*palette), size, format, most_bytes};
}

} // namespace coldbrick
