#include "files/codecs/codec.hpp"

#include "files/codecs/pnm_header.hpp"
#include "files/stored_format.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <cstring>
#include <iterator>
#include <string>
#include <vector>

namespace coldbrick::files {

namespace {

// ----------------------------------------------------------------------------------------- decoding

class PnmRows final : public RowDecoder {
  public:
    explicit PnmRows(ByteSource& source)
        : text_(source), header_(read_pnm_header(text_)),
          samples_(static_cast<std::size_t>(header_.size.width) *
                   static_cast<std::size_t>(header_.channels)) {}

    [[nodiscard]] const PnmHeader& header() const { return header_; }
    [[nodiscard]] StoredPicture picture() const override {
        return {.size = header_.size, .format = header_.format()};
    }

    void row(std::span<std::byte> row) override {
        if (header_.largest == 255 && !header_.is_text()) return text_.bytes(row);
        read_samples();
        if (header_.is_deep())
            put_deep(row);
        else
            std::ranges::transform(samples_, row.begin(),
                                   [](std::uint16_t sample) { return static_cast<std::byte>(sample); });
    }

  private:
    /// Reads the row's values, spread over 8 or 16 bits.
    void read_samples() {
        if (header_.kind == 4)
            read_bits();
        else if (header_.is_bitmap())
            for (std::uint16_t& sample : samples_) sample = bit();
        else if (header_.is_text())
            for (std::uint16_t& sample : samples_)
                sample = spread(text_.number("a value", 0, header_.largest));
        else
            read_bytes();
    }

    /// A pixel of a bitmap: 1 is black.
    std::uint16_t bit() {
        const char c = text_.character();
        if (c != '0' && c != '1') fail_decoding_anymap("a pixel of a bitmap is neither 0 nor 1");
        return c == '0' ? 255 : 0;
    }

    void read_bits() {
        stored_.resize(header_.stored_row_bytes());
        text_.bytes(stored_);
        for (std::size_t x = 0; x < samples_.size(); ++x) {
            const bool black = (std::to_integer<unsigned>(stored_[x / 8]) >> (7 - x % 8) & 1U) != 0;
            samples_[x] = black ? 0 : 255;
        }
    }

    void read_bytes() {
        stored_.resize(header_.stored_row_bytes());
        text_.bytes(stored_);
        const std::size_t width = header_.is_deep() ? 2 : 1;
        for (std::size_t i = 0; i < samples_.size(); ++i) {
            int value = std::to_integer<int>(stored_[width * i]);
            if (width == 2) value = value << 8 | std::to_integer<int>(stored_[2 * i + 1]);
            if (value > header_.largest)
                fail_decoding_anymap(
                    fmt::format("the value {} is above the largest, {}", value, header_.largest));
            samples_[i] = spread(value);
        }
    }

    [[nodiscard]] std::uint16_t spread(std::int32_t value) const {
        const std::int64_t most = header_.is_deep() ? 65535 : 255;
        const std::int64_t largest = header_.largest;
        return static_cast<std::uint16_t>((2 * std::int64_t{value} * most + largest) / (2 * largest));
    }

    /// Gray and alpha of 16 bits, for which there is no format, become four channels.
    void put_deep(std::span<std::byte> row) const {
        if (header_.channels != 2) return (void)std::memcpy(row.data(), samples_.data(), row.size());
        for (std::size_t i = 0; i < samples_.size(); i += 2) {
            const std::array<std::uint16_t, 4> pixel{samples_[i], samples_[i], samples_[i], samples_[i + 1]};
            std::memcpy(&row[4 * i], pixel.data(), sizeof pixel);
        }
    }

    PnmText text_;
    PnmHeader header_;
    std::vector<std::uint16_t> samples_; ///< of a row
    std::vector<std::byte> stored_;      ///< a row as it is in the file
};

std::unique_ptr<RowDecoder> pnm_rows(ByteSource& source, const DecodeLimits& limits) {
    auto rows = std::make_unique<PnmRows>(source);
    check_limits(rows->header().size, rows->header().format(), limits);
    return rows;
}

Image decode_pnm(std::span<const std::byte> file, const DecodeLimits& limits) {
    MemorySource header_source(file);
    PnmText text(header_source);
    const PnmHeader header = read_pnm_header(text); // before memory is taken for a row
    check_limits(header.size, header.format(), limits);
    if (file.size() / header.stored_row_bytes() < static_cast<std::size_t>(header.size.height))
        fail_decoding_anymap("the file ends within the pixels");
    MemorySource source(file);
    PnmRows rows(source);
    return decode_rows(rows, limits);
}

ImageInfo inspect_pnm(std::span<const std::byte> file) {
    MemorySource source(file);
    PnmText text(source);
    const PnmHeader header = read_pnm_header(text);
    constexpr std::array types{FileType::pbm, FileType::pgm, FileType::ppm};
    const FileType type =
        header.kind == 7 ? FileType::pam : types.at(static_cast<std::size_t>(header.kind - 1) % 3);
    int bits = 1;
    while ((1 << bits) <= header.largest) ++bits;
    return {.type = type,
            .size = header.size,
            .format = header.format(),
            .channels = header.channels,
            .bits = bits};
}

// ----------------------------------------------------------------------------------------- encoding

/// The digit after the P.
int kind_of(FileType type, const PixelLayout& pixel) {
    if (type == FileType::pnm)
        type = pixel.has_alpha() ? FileType::pam : pixel.is_gray() ? FileType::pgm : FileType::ppm;
    switch (type) {
    case FileType::pbm: return 4;
    case FileType::pgm: return 5;
    case FileType::ppm: return 6;
    default: return 7;
    }
}

class PnmEncoder final : public RowEncoder {
  public:
    PnmEncoder(ByteSink& sink, FileType type, const StoredPicture& picture, const EncodeOptions& options)
        : sink_(sink), pixel_(layout(picture.format)), kind_(kind_of(type, pixel_)),
          plain_(options.plain_text) {
        if (plain_ && kind_ == 7)
            throw FileError(fmt::format("a portable anymap of text cannot hold the alpha of {}: give a "
                                        "background",
                                        pixel_.name));
        write_header(picture.size);
    }

    void row(std::span<const std::byte> row) override {
        if (plain_) return write_text(row);
        if (kind_ == 4) return write_bits(row);
        if (!pixel_.is_deep()) return sink_.write(row);
        swapped_.assign(row.begin(), row.end());
        swap_bytes(swapped_);
        sink_.write(swapped_);
    }

    void finish() override {}

  private:
    void write_header(Size size) {
        const int largest = pixel_.is_deep() ? 65535 : 255;
        if (kind_ == 7) {
            const int channels = pixel_.bytes / pixel_.channel_bytes();
            constexpr std::array names{"GRAYSCALE", "GRAYSCALE_ALPHA", "RGB", "RGB_ALPHA"};
            sink_.write(fmt::format("P7\nWIDTH {}\nHEIGHT {}\nDEPTH {}\nMAXVAL {}\nTUPLTYPE {}\nENDHDR\n",
                                    size.width, size.height, channels, largest,
                                    names.at(static_cast<std::size_t>(channels - 1))));
            return;
        }
        sink_.write(fmt::format("P{}\n{} {}\n", plain_ ? kind_ - 3 : kind_, size.width, size.height));
        if (kind_ != 4) sink_.write(fmt::format("{}\n", largest));
    }

    static bool is_black(std::byte gray) { return std::to_integer<unsigned>(gray) < 128; }

    void write_bits(std::span<const std::byte> row) {
        std::vector<std::byte> bits((row.size() + 7) / 8);
        for (std::size_t x = 0; x < row.size(); ++x)
            if (is_black(row[x])) bits[x / 8] |= std::byte(0x80U >> x % 8);
        sink_.write(bits);
    }

    /// Lines of at most 70 characters, as the format asks for.
    void write_text(std::span<const std::byte> row) {
        std::string text;
        std::size_t line_begin = 0;
        const std::size_t width = pixel_.is_deep() ? 2 : 1;
        for (std::size_t at = 0; at < row.size(); at += width) {
            unsigned value = std::to_integer<unsigned>(row[at]);
            if (width == 2) {
                std::uint16_t deep = 0;
                std::memcpy(&deep, &row[at], sizeof deep);
                value = deep;
            }
            if (kind_ == 4) value = is_black(row[at]) ? 1 : 0;
            if (text.size() - line_begin > 64) {
                text += '\n';
                line_begin = text.size();
            }
            fmt::format_to(std::back_inserter(text), "{}{}", text.size() > line_begin ? " " : "", value);
        }
        sink_.write(text + '\n');
    }

    ByteSink& sink_;
    const PixelLayout& pixel_;
    int kind_;
    bool plain_;
    std::vector<std::byte> swapped_;
};

// ----------------------------------------------------------------------------------------- the types

template <FileType Type>
std::unique_ptr<RowEncoder> encoder(ByteSink& sink, const StoredPicture& picture,
                                    const EncodeOptions& options) {
    return std::make_unique<PnmEncoder>(sink, Type, picture, options);
}

/// True if the file begins with P and one of the digits.
template <char... Digits>
bool begins(std::span<const std::byte> file) {
    return file.size() >= 2 && file[0] == std::byte{'P'} && ((file[1] == std::byte{Digits}) || ...);
}

bool begins_never(std::span<const std::byte>) {
    return false; // what is written as .pnm is one of the others
}

constexpr std::string_view pbm_extensions[] = {".pbm"};
constexpr std::string_view pgm_extensions[] = {".pgm"};
constexpr std::string_view ppm_extensions[] = {".ppm"};
constexpr std::string_view pam_extensions[] = {".pam"};
constexpr std::string_view pnm_extensions[] = {".pnm"};

template <FileType Type>
constexpr Codec codec(std::string_view name, std::span<const std::string_view> extensions, const Holds& holds,
                      bool plain_text, bool (*begins)(std::span<const std::byte>)) {
    return {.type = Type,
            .name = name,
            .extensions = extensions,
            .holds = holds,
            .takes = {.plain_text = plain_text},
            .begins = begins,
            .inspect = inspect_pnm,
            .decode = decode_pnm,
            .encoder = encoder<Type>,
            .row_decoder = pnm_rows};
}

} // namespace

constexpr Codec pbm_codec = codec<FileType::pbm>(
    "PBM", pbm_extensions, {.gray = true, .colours = false, .black_and_white = true}, true, begins<'1', '4'>);
constexpr Codec pgm_codec = codec<FileType::pgm>(
    "PGM", pgm_extensions, {.gray = true, .colours = false, .deep = true}, true, begins<'2', '5'>);
constexpr Codec ppm_codec =
    codec<FileType::ppm>("PPM", ppm_extensions, {.deep = true}, true, begins<'3', '6'>);
constexpr Codec pam_codec = codec<FileType::pam>(
    "PAM", pam_extensions, {.gray = true, .alpha = true, .deep = true}, false, begins<'7'>);
constexpr Codec pnm_codec = codec<FileType::pnm>(
    "PNM", pnm_extensions, {.gray = true, .alpha = true, .deep = true}, true, begins_never);

} // namespace coldbrick::files
