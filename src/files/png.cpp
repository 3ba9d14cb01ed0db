#include "files/png.hpp"

#include "base/limits.hpp"
#include "files/channels.hpp"
#include "image/uninitialised_image.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>
#include <png.h>

#include <algorithm>
#include <array>
#include <cstring>
#include <limits>
#include <span>

namespace coldbrick::files {

namespace {

/// libpng leaves by this function instead of longjmp, so that C++ objects are destroyed.
[[noreturn]] void fail(png_structp, png_const_charp message) {
    throw FileError(fmt::format("cannot encode PNG: {}", message));
}

[[noreturn]] void fail_reading(png_structp, png_const_charp message) {
    throw FileError(fmt::format("cannot decode PNG: {}", message));
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
        const FileChannels channels = channels_needed(image, ".png");
        constexpr std::array types{PNG_COLOR_TYPE_GRAY, PNG_COLOR_TYPE_GRAY_ALPHA, PNG_COLOR_TYPE_RGB,
                                   PNG_COLOR_TYPE_RGB_ALPHA};
        const int colour_type = types.at(static_cast<std::size_t>(channels.count - 1));
        png_set_write_fn(png_, &file, append, nullptr);
        png_set_IHDR(png_, info_, static_cast<png_uint_32>(image.width()),
                     static_cast<png_uint_32>(image.height()), channels.bits, colour_type, PNG_INTERLACE_NONE,
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

/// Throws unless all chunks that the file tells of are there, up to the last one. libpng takes the memory
/// that a chunk claims before it looks.
void check_chunks(std::span<const std::byte> file) {
    constexpr std::size_t frame = 12; // length, name and checksum
    for (std::span<const std::byte> rest = file.subspan(std::min<std::size_t>(8, file.size()));;) {
        std::size_t length = 0;
        if (rest.size() < frame) break;
        for (const std::byte digit : rest.first(4))
            length = length << 8U | std::to_integer<std::size_t>(digit);
        if (rest.size() - frame < length) break;
        if (std::memcmp(rest.data() + 4, "IEND", 4) == 0) return;
        rest = rest.subspan(frame + length);
    }
    throw FileError("cannot decode PNG: the file ends too early");
}

/// What is left of a file that is being read.
struct Rest {
    std::span<const std::byte> bytes;
};

void take(png_structp png, png_bytep target, png_size_t count) {
    auto& rest = static_cast<Rest*>(png_get_io_ptr(png))->bytes;
    if (count > rest.size()) png_error(png, "the file ends too early");
    std::memcpy(target, rest.data(), count);
    rest = rest.subspan(count);
}

/// The structures that libpng keeps while it reads.
class Reader {
  public:
    Reader() : png_(png_create_read_struct(PNG_LIBPNG_VER_STRING, nullptr, fail_reading, ignore_warning)) {
        if (png_ != nullptr) info_ = png_create_info_struct(png_);
        if (info_ == nullptr) throw FileError("cannot decode PNG: not enough memory");
    }
    Reader(const Reader&) = delete;
    Reader& operator=(const Reader&) = delete;
    ~Reader() { png_destroy_read_struct(&png_, &info_, nullptr); }

    Image read(std::span<const std::byte> file, std::size_t most_bytes) {
        check_chunks(file);
        Rest rest{file};
        png_set_read_fn(png_, &rest, take);
        constexpr png_uint_32 largest = base::last_coordinate;
        png_set_user_limits(png_, largest, largest);
        // What chunks beside the pixels become when they are inflated.
        png_set_chunk_malloc_max(png_, std::max<std::size_t>(file.size(), std::size_t{1} << 16));
        png_set_chunk_cache_max(png_, 64);
        png_read_info(png_, info_);
        check_length(file.size());
        const FileChannels channels = settle_channels();
        Image image = image::uninitialised({static_cast<std::int32_t>(png_get_image_width(png_, info_)),
                                            static_cast<std::int32_t>(png_get_image_height(png_, info_))},
                                           format_of(channels), nullptr, most_bytes);
        const int passes = png_set_interlace_handling(png_);
        png_read_update_info(png_, info_);
        for (int pass = 0; pass < passes; ++pass)
            for (std::int32_t y = 0; y < image.height(); ++y)
                png_read_row(png_, reinterpret_cast<png_bytep>(image.view().row(y).data()), nullptr);
        png_read_end(png_, nullptr);
        return image;
    }

  private:
    /// The deflated rows take at least a 1032th of their bytes (RFC 1951: 258 bytes in two bits).
    void check_length(std::size_t file_bytes) {
        const std::size_t row_bytes = png_get_rowbytes(png_, info_); // below 2^35, of at most 2^31 rows
        const std::size_t rows = png_get_image_height(png_, info_);
        if (rows > 1032 * (file_bytes + 1) || row_bytes > 1032 * (file_bytes + 1) / rows)
            png_error(png_, "the file ends too early");
    }

    /// Whatever the file holds becomes channels of 8 or 16 bits.
    FileChannels settle_channels() {
        png_set_expand(png_);
        png_set_swap(png_); // only 16 bits have bytes to exchange
        const int type = png_get_color_type(png_, info_);
        const bool alpha =
            (type & PNG_COLOR_MASK_ALPHA) != 0 || png_get_valid(png_, info_, PNG_INFO_tRNS) != 0;
        FileChannels result{((type & PNG_COLOR_MASK_COLOR) != 0 ? 3 : 1) + (alpha ? 1 : 0),
                            png_get_bit_depth(png_, info_) == 16 ? 16 : 8};
        if (result.count == 2 && result.bits == 16) {
            png_set_gray_to_rgb(png_);
            result.count = 4;
        }
        return result;
    }

    png_structp png_;
    png_infop info_ = nullptr;
};

} // namespace

Image decode_png(std::span<const std::byte> file, std::size_t most_bytes) {
    return Reader().read(file, most_bytes);
}

std::vector<std::byte> encode_png(const ConstImageView& image) {
    std::vector<std::byte> file;
    Writer().write(image, file);
    return file;
}

} // namespace coldbrick::files
