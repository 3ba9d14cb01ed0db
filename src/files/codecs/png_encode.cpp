#include "files/codecs/png.hpp"

#include "base/range_checks.hpp"
#include "base/shown_text.hpp"
#include "files/units.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>
#include <png.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstring>
#include <new>
#include <string>
#include <vector>

namespace coldbrick::files {

namespace {

/// libpng leaves by this function instead of longjmp, so that C++ objects are destroyed.
[[noreturn]] void fail_writing_png(png_structp, png_const_charp message) {
    throw FileError(fmt::format("cannot encode PNG: {}", message));
}

void ignore_write_warning(png_structp, png_const_charp) {}

void hand_on(png_structp png, png_bytep bytes, png_size_t count) {
    static_cast<ByteSink*>(png_get_io_ptr(png))->write(std::as_bytes(std::span(bytes, count)));
}

void flush_nothing(png_structp) {}

/// Throws ArgumentError unless the text can be stored.
void check_text(const FileText& text) {
    const auto is_plain = [](char c) { return c >= ' ' && c <= '~'; };
    if (text.keyword.empty() || text.keyword.size() > 79 || !std::ranges::all_of(text.keyword, is_plain))
        throw ArgumentError(
            fmt::format("the keyword {} of a text has not 1..79 printable characters of ASCII",
                        base::in_quotes(text.keyword)));
    if (text.text.find('\0') != std::string::npos)
        throw ArgumentError(fmt::format("the text of the keyword {} has a character 0", text.keyword));
}

/// True if most pixels of the row are like their left neighbours, as in what was drawn, unlike in
/// photographs.
bool is_drawn(std::span<const std::byte> row, std::size_t pixel_bytes) {
    constexpr std::size_t most_samples = 512;
    const std::size_t pixels = row.size() / pixel_bytes;
    const std::size_t step = std::max<std::size_t>(1, pixels / most_samples);
    std::size_t alike = 0;
    std::size_t samples = 0;
    for (std::size_t i = 1; i < pixels; i += step, ++samples)
        if (std::memcmp(&row[i * pixel_bytes], &row[(i - 1) * pixel_bytes], pixel_bytes) == 0) ++alike;
    return 2 * alike >= samples;
}

class PngEncoder final : public RowEncoder {
  public:
    PngEncoder(ByteSink& sink, const StoredPicture& picture, const EncodeOptions& options)
        : PngEncoder(picture) { // so that the structures are freed whatever is thrown from here on
        png_set_write_fn(png_, &sink, hand_on, flush_nothing);
        write_header(options);
    }
    PngEncoder(const PngEncoder&) = delete;
    PngEncoder& operator=(const PngEncoder&) = delete;
    ~PngEncoder() override { png_destroy_write_struct(&png_, &info_); }

    void row(std::span<const std::byte> row) override {
        // Without filters, drawn rows are smaller and faster to write; photographs are larger.
        if (may_filter_)
            png_set_filter(png_, PNG_FILTER_TYPE_BASE,
                           is_drawn(row, pixel_bytes_) ? PNG_FILTER_NONE : PNG_ALL_FILTERS);
        if (divisor_ == 1) return write(row);
        narrow_.assign(row.begin(), row.end());
        for (std::byte& gray : narrow_) gray = std::byte(std::to_integer<unsigned>(gray) / divisor_);
        write(narrow_);
    }

    void finish() override { png_write_end(png_, info_); }

  private:
    explicit PngEncoder(const StoredPicture& picture)
        : picture_(picture), pixel_bytes_(static_cast<std::size_t>(layout(picture.format).bytes)),
          png_(png_create_write_struct(PNG_LIBPNG_VER_STRING, nullptr, fail_writing_png,
                                       ignore_write_warning)) {
        if (png_ != nullptr) info_ = png_create_info_struct(png_);
        if (info_ == nullptr) throw std::bad_alloc();
    }

    void write(std::span<const std::byte> row) {
        png_write_row(png_, reinterpret_cast<png_const_bytep>(row.data()));
    }

    void write_header(const EncodeOptions& options) {
        const PixelLayout& pixel = layout(picture_.format);
        const bool is_indexed = pixel.kind == PixelLayout::Kind::index;
        const int bits = pixel.is_deep() ? 16 : picture_.bits > 0 ? picture_.bits : 8;
        const int type = is_indexed ? PNG_COLOR_TYPE_PALETTE
                                    : (pixel.is_gray() ? 0 : PNG_COLOR_MASK_COLOR) |
                                          (pixel.has_alpha() ? PNG_COLOR_MASK_ALPHA : 0);
        png_set_IHDR(png_, info_, static_cast<png_uint_32>(picture_.size.width),
                     static_cast<png_uint_32>(picture_.size.height), bits, type, PNG_INTERLACE_NONE,
                     PNG_COMPRESSION_TYPE_DEFAULT, PNG_FILTER_TYPE_DEFAULT);
        png_set_sRGB(png_, info_, PNG_sRGB_INTENT_PERCEPTUAL);
        if (options.resolution) set_resolution(*options.resolution);
        if (is_indexed) set_palette(*picture_.palette);
        if (options.compression) png_set_compression_level(png_, *options.compression);
        set_texts(options.texts);
        may_filter_ = bits >= 8 && !is_indexed;
        png_set_filter(png_, PNG_FILTER_TYPE_BASE, may_filter_ ? PNG_ALL_FILTERS : PNG_FILTER_NONE);
        png_write_info(png_, info_);
        if (bits < 8) png_set_packing(png_);
        if (bits < 8 && !is_indexed) divisor_ = 255U / ((1U << static_cast<unsigned>(bits)) - 1);
        if (bits == 16) png_set_swap(png_);
    }

    void set_resolution(const Resolution& resolution) {
        png_set_pHYs(png_, info_, static_cast<png_uint_32>(std::lround(resolution.across * inches_per_metre)),
                     static_cast<png_uint_32>(std::lround(resolution.down * inches_per_metre)),
                     PNG_RESOLUTION_METER);
    }

    void set_palette(const Palette& palette) {
        std::vector<png_color> colours;
        std::vector<png_byte> alphas;
        std::size_t last_see_through = 0;
        for (const Palette::Entry& entry : palette.entries()) {
            colours.push_back({entry.colour.red, entry.colour.green, entry.colour.blue});
            alphas.push_back(entry.colour.alpha);
            if (entry.colour.alpha != 255) last_see_through = alphas.size();
        }
        png_set_PLTE(png_, info_, colours.data(), static_cast<int>(colours.size()));
        if (last_see_through > 0)
            png_set_tRNS(png_, info_, alphas.data(), static_cast<int>(last_see_through), nullptr);
    }

    void set_texts(const std::vector<FileText>& texts) {
        for (const FileText& text : texts) {
            check_text(text);
            const bool is_ascii = std::ranges::all_of(text.text, [](char c) { return c > 0; });
            png_text entry{};
            entry.compression = is_ascii ? PNG_TEXT_COMPRESSION_NONE : PNG_ITXT_COMPRESSION_NONE;
            entry.key = const_cast<char*>(text.keyword.c_str());
            entry.text = const_cast<char*>(text.text.c_str());
            entry.text_length = is_ascii ? text.text.size() : 0;
            entry.itxt_length = is_ascii ? 0 : text.text.size();
            std::string no_language;
            entry.lang = no_language.data();
            entry.lang_key = no_language.data();
            png_set_text(png_, info_, &entry, 1);
        }
    }

    StoredPicture picture_;
    std::size_t pixel_bytes_;
    png_structp png_;
    png_infop info_ = nullptr;
    bool may_filter_ = false;
    unsigned divisor_ = 1; ///< of gray values that are stored in fewer bits
    std::vector<std::byte> narrow_;
};

} // namespace

std::unique_ptr<RowEncoder> png_encoder(ByteSink& sink, const StoredPicture& picture,
                                        const EncodeOptions& options) {
    return std::make_unique<PngEncoder>(sink, picture, options);
}

} // namespace coldbrick::files
