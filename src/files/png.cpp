#include "files/png.hpp"

#include "files/channels.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>
#include <png.h>

#include <span>

namespace coldbrick::files {

namespace {

/// libpng leaves by this function instead of longjmp, so that C++ objects are destroyed.
[[noreturn]] void fail(png_structp, png_const_charp message) {
    throw FileError(fmt::format("cannot encode PNG: {}", message));
}

void ignore_warning(png_structp, png_const_charp) {}

void append(png_structp png, png_bytep bytes, png_size_t count) {
    auto& file = *static_cast<std::vector<std::byte>*>(png_get_io_ptr(png));
    const auto added = std::as_bytes(std::span(bytes, count));
    file.insert(file.end(), added.begin(), added.end());
}

/// The structures that libpng keeps while it writes.
class Writer {
  public:
    Writer() : png_(png_create_write_struct(PNG_LIBPNG_VER_STRING, nullptr, fail, ignore_warning)) {
        if (png_ != nullptr) info_ = png_create_info_struct(png_);
        if (info_ == nullptr) throw FileError("cannot encode PNG: not enough memory");
    }
    Writer(const Writer&) = delete;
    Writer& operator=(const Writer&) = delete;
    ~Writer() { png_destroy_write_struct(&png_, &info_); }

    void write(const ConstImageView& image, std::vector<std::byte>& file) {
        const int channels = channel_count(image.format());
        const int colour_type = channels == 1   ? PNG_COLOR_TYPE_GRAY
                                : channels == 3 ? PNG_COLOR_TYPE_RGB
                                                : PNG_COLOR_TYPE_RGB_ALPHA;
        png_set_write_fn(png_, &file, append, nullptr);
        png_set_IHDR(png_, info_, static_cast<png_uint_32>(image.width()),
                     static_cast<png_uint_32>(image.height()), 8, colour_type, PNG_INTERLACE_NONE,
                     PNG_COMPRESSION_TYPE_DEFAULT, PNG_FILTER_TYPE_DEFAULT);
        png_set_sRGB(png_, info_, PNG_sRGB_INTENT_PERCEPTUAL);
        // Drawn pictures are large areas of one colour: without filters they are smaller and faster to write.
        png_set_filter(png_, PNG_FILTER_TYPE_BASE, PNG_FILTER_NONE);
        png_write_info(png_, info_);
        const std::vector<std::byte> pixels = in_file_order(image, channels);
        const std::size_t row_bytes = pixels.size() / static_cast<std::size_t>(image.height());
        for (std::size_t at = 0; at < pixels.size(); at += row_bytes)
            png_write_row(png_, reinterpret_cast<png_const_bytep>(pixels.data() + at));
        png_write_end(png_, info_);
    }

  private:
    png_structp png_;
    png_infop info_ = nullptr;
};

} // namespace

std::vector<std::byte> encode_png(const ConstImageView& image) {
    std::vector<std::byte> file;
    Writer().write(image, file);
    return file;
}

} // namespace coldbrick::files
