#include "files/codecs/png.hpp"

#include "base/limits.hpp"
#include "files/codecs/png_chunks.hpp"
#include "files/codecs/png_gamma.hpp"
#include "files/palette_numbers.hpp"
#include "files/stored_format.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>
#include <png.h>

#include <algorithm>
#include <cmath>
#include <cstring>
#include <new>
#include <optional>
#include <utility>
#include <vector>

namespace coldbrick::files {

namespace {

[[noreturn]] void fail_reading_png(png_structp, png_const_charp message) {
    throw FileError(fmt::format("cannot decode PNG: {}", message));
}

void ignore_read_warning(png_structp, png_const_charp) {}

void take_png_bytes(png_structp png, png_bytep target, png_size_t count) {
    auto& source = *static_cast<ByteSource*>(png_get_io_ptr(png));
    if (read_fully(source, std::as_writable_bytes(std::span(target, count))) < count)
        png_error(png, "the file ends too early");
}

class PngRows final : public RowDecoder {
  public:
    /// @param file_bytes how many the file has, if that is known
    PngRows(ByteSource& source, const DecodeLimits& limits, std::optional<std::size_t> file_bytes)
        : PngRows() { // so that the structures are freed whatever is thrown from here on
        png_set_read_fn(png_, &source, take_png_bytes);
        constexpr png_uint_32 largest = base::last_coordinate;
        png_set_user_limits(png_, largest, largest);
        // What chunks beside the pixels become when they are inflated.
        constexpr std::size_t usual_chunk = std::size_t{1} << 16;
        png_set_chunk_malloc_max(png_, std::max(file_bytes.value_or(16 * usual_chunk), usual_chunk));
        png_set_chunk_cache_max(png_, 64);
        png_set_crc_action(png_, PNG_CRC_ERROR_QUIT, PNG_CRC_ERROR_QUIT);
        png_read_info(png_, info_);
        if (file_bytes) check_length(*file_bytes);
        settle_picture();
        check_limits(picture_.size, picture_.format, limits);
        const int passes = png_set_interlace_handling(png_);
        png_read_update_info(png_, info_);
        if (passes > 1) read_interlaced(passes, limits);
    }
    PngRows(const PngRows&) = delete;
    PngRows& operator=(const PngRows&) = delete;
    ~PngRows() override { png_destroy_read_struct(&png_, &info_, nullptr); }

    [[nodiscard]] StoredPicture picture() const override { return picture_; }

    void row(std::span<std::byte> row) override {
        if (interlaced_)
            std::ranges::copy(std::as_const(*interlaced_).view().row(next_row_++), row.begin());
        else
            png_read_row(png_, reinterpret_cast<png_bytep>(row.data()), nullptr);
        if (picture_.palette) check_numbers(row, *picture_.palette);
        gamma_.correct(row, picture_.format);
    }

    void finish() override { png_read_end(png_, nullptr); }

  private:
    PngRows()
        : png_(
              png_create_read_struct(PNG_LIBPNG_VER_STRING, nullptr, fail_reading_png, ignore_read_warning)) {
        if (png_ != nullptr) info_ = png_create_info_struct(png_);
        if (info_ == nullptr) throw std::bad_alloc();
    }

    /// The deflated rows take at least a 1032th of their bytes (RFC 1951: 258 bytes in two bits).
    void check_length(std::size_t file_bytes) {
        const std::size_t row_bytes = png_get_rowbytes(png_, info_); // below 2^35, of at most 2^31 rows
        const std::size_t rows = png_get_image_height(png_, info_);
        if (rows > 1032 * (file_bytes + 1) || row_bytes > 1032 * (file_bytes + 1) / rows)
            png_error(png_, "the file ends too early");
    }

    /// Palettes stay; everything else becomes channels of 8 or 16 bits.
    void settle_picture() {
        const int bits = png_get_bit_depth(png_, info_);
        const int type = png_get_color_type(png_, info_);
        settle_gamma(bits == 16 ? 16 : 8);
        picture_.size = {static_cast<std::int32_t>(png_get_image_width(png_, info_)),
                         static_cast<std::int32_t>(png_get_image_height(png_, info_))};
        if (type == PNG_COLOR_TYPE_PALETTE) {
            png_set_packing(png_);
            picture_.format = PixelFormat::indexed8;
            picture_.palette = palette();
            return;
        }
        png_set_expand(png_);
        png_set_swap(png_); // only 16 bits have bytes to exchange
        const bool alpha =
            (type & PNG_COLOR_MASK_ALPHA) != 0 || png_get_valid(png_, info_, PNG_INFO_tRNS) != 0;
        const bool gray = (type & PNG_COLOR_MASK_COLOR) == 0;
        picture_.format = format_with(!gray, alpha, bits == 16);
        if (gray && alpha && bits == 16) png_set_gray_to_rgb(png_);
    }

    /// What the file tells of its gamma counts only if it tells nothing better.
    void settle_gamma(int bits) {
        double gamma = 0;
        constexpr double of_srgb = 0.45455;
        if (png_get_valid(png_, info_, PNG_INFO_sRGB) != 0 ||
            png_get_valid(png_, info_, PNG_INFO_iCCP) != 0 || png_get_gAMA(png_, info_, &gamma) == 0 ||
            !(gamma > 0.01) || std::abs(gamma / of_srgb - 1) < 0.05)
            return;
        gamma_ = GammaCorrection(gamma, bits);
    }

    Palette palette() {
        png_colorp colours = nullptr;
        int count = 0;
        png_get_PLTE(png_, info_, &colours, &count);
        png_bytep alphas = nullptr;
        int alpha_count = 0;
        png_get_tRNS(png_, info_, &alphas, &alpha_count, nullptr);
        std::vector<Palette::Entry> entries;
        entries.reserve(static_cast<std::size_t>(count));
        for (int i = 0; i < count; ++i)
            entries.push_back({Colour(colours[i].red, colours[i].green, colours[i].blue,
                                      i < alpha_count ? alphas[i] : 255)});
        gamma_.correct(entries);
        return Palette(std::move(entries));
    }

    void read_interlaced(int passes, const DecodeLimits& limits) {
        interlaced_ = image_within(limits, picture_.size, picture_.format,
                                   picture_.palette ? &*picture_.palette : nullptr);
        for (int pass = 0; pass < passes; ++pass)
            for (std::int32_t y = 0; y < picture_.size.height; ++y)
                png_read_row(png_, reinterpret_cast<png_bytep>(interlaced_->view().row(y).data()), nullptr);
    }

    png_structp png_;
    png_infop info_ = nullptr;
    StoredPicture picture_{};
    GammaCorrection gamma_;
    std::optional<Image> interlaced_; ///< all of it, as stored
    std::int32_t next_row_ = 0;
};

} // namespace

std::unique_ptr<RowDecoder> png_rows(ByteSource& source, const DecodeLimits& limits) {
    return std::make_unique<PngRows>(source, limits, std::nullopt);
}

Image decode_png(std::span<const std::byte> file, const DecodeLimits& limits) {
    check_png_is_whole(file); // libpng takes the memory that a chunk claims before it looks
    MemorySource source(file);
    PngRows rows(source, limits, file.size());
    return decode_rows(rows, limits);
}

} // namespace coldbrick::files
