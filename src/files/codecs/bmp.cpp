#include "files/codecs/codec.hpp"

#include "files/codecs/bmp_header.hpp"
#include "files/fields.hpp"
#include "files/palette_numbers.hpp"
#include "files/units.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <vector>

namespace coldbrick::files {

namespace {

// ----------------------------------------------------------------------------------------- decoding

/// A channel of the pixel, spread over 8 bits.
std::byte channel_of(std::uint32_t pixel, const BmpChannel& channel) {
    if (channel.bits == 0) return std::byte{0};
    const std::uint64_t most = (std::uint64_t{1} << channel.bits) - 1;
    const std::uint64_t value = pixel >> channel.shift & most;
    return static_cast<std::byte>((2 * value * 255 + most) / (2 * most));
}

/// Reads rows that are not packed.
class BmpRows {
  public:
    BmpRows(const BmpHeader& header, std::span<const std::byte> file)
        : header_(header), fields_(file, "cannot decode BMP: the file ends within the pixels") {}

    void read(const ImageView& image) const {
        const std::size_t bytes = header_.stored_row_bytes();
        for (std::int32_t y = 0; y < image.height(); ++y) {
            const auto stored = static_cast<std::size_t>(header_.top_down ? y : image.height() - 1 - y);
            read_row(fields_.part(header_.pixels_at + stored * bytes, bytes), image.row(y));
        }
    }

  private:
    void read_row(std::span<const std::byte> stored, std::span<std::byte> row) const {
        if (header_.bits <= 8)
            read_numbers(stored, row);
        else if (header_.bits == 24)
            for (std::size_t i = 0; i < row.size(); ++i) row[i] = stored[i / 3 * 3 + 2 - i % 3];
        else
            read_masked(stored, row);
    }

    void read_numbers(std::span<const std::byte> stored, std::span<std::byte> row) const {
        const auto bits = static_cast<std::size_t>(header_.bits);
        const std::size_t in_a_byte = 8 / bits;
        for (std::size_t x = 0; x < row.size(); ++x) {
            const auto shift = static_cast<unsigned>(8 - bits - x % in_a_byte * bits);
            const unsigned mask = (1U << bits) - 1;
            row[x] = std::byte(std::to_integer<unsigned>(stored[x / in_a_byte]) >> shift & mask);
        }
    }

    void read_masked(std::span<const std::byte> stored, std::span<std::byte> row) const {
        const auto bytes = static_cast<std::size_t>(header_.bits / 8);
        const std::size_t channels = header_.has_alpha() ? 4 : 3;
        for (std::size_t x = 0; x * channels < row.size(); ++x) {
            const std::uint32_t pixel = little_endian(stored.subspan(x * bytes, bytes));
            for (std::size_t i = 0; i < channels; ++i)
                row[x * channels + i] = channel_of(pixel, header_.channels[i]);
        }
    }

    const BmpHeader& header_;
    Fields fields_;
};

/// Reads rows packed as runs of bytes or of half bytes. What they leave out is entry 0.
class BmpRuns {
  public:
    BmpRuns(const BmpHeader& header, std::span<const std::byte> file)
        : halves_(header.packing == BmpHeader::Packing::runs_of_halves),
          fields_(file, "cannot decode BMP: the file ends within the pixels"), at_(header.pixels_at) {}

    void read(const ImageView& image) {
        for (std::int32_t y = 0; y < image.height(); ++y) std::ranges::fill(image.row(y), std::byte{0});
        while (true) {
            const unsigned count = next();
            const unsigned value = next();
            if (count > 0) {
                put_run(image, count, value);
            } else if (value == 0) { // the end of the row
                x_ = 0;
                ++y_;
            } else if (value == 1) { // the end of the picture
                return;
            } else if (value == 2) { // a step to the right and up
                x_ += next();
                y_ += next();
            } else {
                put_literal(image, value);
            }
        }
    }

  private:
    unsigned next() { return fields_.byte(at_++); }

    void put(const ImageView& image, unsigned number) {
        const auto width = static_cast<std::size_t>(image.width());
        const auto height = static_cast<std::size_t>(image.height());
        if (x_ >= width || y_ >= height) fail_decoding_bmp("a run reaches beyond the picture");
        image.row(static_cast<std::int32_t>(height - 1 - y_))[x_++] = static_cast<std::byte>(number);
    }

    [[nodiscard]] unsigned half(unsigned byte, unsigned i) const {
        return !halves_ ? byte : i % 2 == 0 ? byte >> 4U : byte & 15U;
    }

    void put_run(const ImageView& image, unsigned count, unsigned value) {
        for (unsigned i = 0; i < count; ++i) put(image, half(value, i));
    }

    /// Pixels as they are, up to an even number of bytes.
    void put_literal(const ImageView& image, unsigned count) {
        const unsigned bytes = halves_ ? (count + 1) / 2 : count;
        for (unsigned i = 0; i < count; ++i) put(image, half(fields_.byte(at_ + (halves_ ? i / 2 : i)), i));
        at_ += bytes + bytes % 2;
    }

    bool halves_;
    Fields fields_;
    std::size_t at_;
    std::size_t x_ = 0;
    std::size_t y_ = 0; ///< from the bottom
};

Image decode_bmp(std::span<const std::byte> file, const DecodeLimits& limits) {
    const BmpHeader header = read_bmp_header(file);
    check_limits(header.size, header.format(), limits);
    const bool packed = header.packing == BmpHeader::Packing::runs_of_bytes ||
                        header.packing == BmpHeader::Packing::runs_of_halves;
    if (!packed && file.size() / header.stored_row_bytes() < static_cast<std::size_t>(header.size.height))
        fail_decoding_bmp("the file ends within the pixels");
    if (header.bits > 8) {
        Image image = image_within(limits, header.size, header.format());
        BmpRows(header, file).read(image);
        return image;
    }
    const Palette palette(header.palette);
    Image image = image_within(limits, header.size, header.format(), &palette);
    if (packed)
        BmpRuns(header, file).read(image);
    else
        BmpRows(header, file).read(image);
    for (std::int32_t y = 0; y < image.height(); ++y) check_numbers(image.view().row(y), palette);
    return image;
}

ImageInfo inspect_bmp(std::span<const std::byte> file) {
    const BmpHeader header = read_bmp_header(file);
    const bool indexed = header.bits <= 8;
    return {.type = FileType::bmp,
            .size = header.size,
            .format = header.format(),
            .channels = indexed              ? 1
                        : header.has_alpha() ? 4
                                             : 3,
            .bits = indexed             ? header.bits
                    : header.bits == 16 ? 5
                                        : 8,
            .resolution = header.resolution};
}

// ----------------------------------------------------------------------------------------- encoding

/// Bottom-up rows of 24 bits, or of 32 with a mask for alpha.
class BmpEncoder final : public RowEncoder {
  public:
    BmpEncoder(ByteSink& sink, const StoredPicture& picture, const EncodeOptions& options)
        : sink_(sink), channels_(static_cast<std::size_t>(layout(picture.format).bytes)),
          row_bytes_((static_cast<std::size_t>(picture.size.width) * channels_ + 3) / 4 * 4) {
        const std::uint64_t pixels = row_bytes_ * static_cast<std::uint64_t>(picture.size.height);
        if (pixels > std::numeric_limits<std::uint32_t>::max() - header_bytes())
            throw FileError(fmt::format("a BMP file cannot hold {} x {} pixels: it has at most 2^32 bytes",
                                        picture.size.width, picture.size.height));
        write_header(picture.size, static_cast<std::uint32_t>(pixels), options.resolution);
    }

    void row(std::span<const std::byte> row) override {
        std::vector<std::byte> stored(row_bytes_);
        for (std::size_t at = 0; at < row.size(); at += channels_) {
            stored[at] = row[at + 2];
            stored[at + 1] = row[at + 1];
            stored[at + 2] = row[at];
            if (channels_ == 4) stored[at + 3] = row[at + 3];
        }
        rows_.push_back(std::move(stored));
    }

    void finish() override {
        for (auto row = rows_.rbegin(); row != rows_.rend(); ++row) sink_.write(*row);
    }

  private:
    static constexpr std::size_t info_bytes = 40;
    static constexpr std::size_t info_bytes_with_masks = 108; // version 4

    [[nodiscard]] std::size_t header_bytes() const {
        return 14 + (channels_ == 4 ? info_bytes_with_masks : info_bytes);
    }

    void write_header(Size size, std::uint32_t pixel_bytes, const std::optional<Resolution>& resolution) {
        std::vector<std::byte> header(header_bytes());
        const auto put = [&header](std::size_t at, std::size_t count, std::uint32_t value) {
            put_little_endian(std::span(header).subspan(at, count), value);
        };
        const auto header_size = static_cast<std::uint32_t>(header.size());
        header[0] = std::byte{'B'};
        header[1] = std::byte{'M'};
        put(2, 4, header_size + pixel_bytes);
        put(10, 4, header_size);
        put(14, 4, header_size - 14);
        put(18, 4, static_cast<std::uint32_t>(size.width));
        put(22, 4, static_cast<std::uint32_t>(size.height));
        put(26, 2, 1); // plane
        put(28, 2, static_cast<std::uint32_t>(8 * channels_));
        put(34, 4, pixel_bytes);
        if (resolution) {
            put(38, 4, static_cast<std::uint32_t>(std::lround(resolution->across * inches_per_metre)));
            put(42, 4, static_cast<std::uint32_t>(std::lround(resolution->down * inches_per_metre)));
        }
        if (channels_ == 4) {
            put(30, 4, 3); // masks
            constexpr std::array<std::uint32_t, 4> masks{0xFF0000, 0xFF00, 0xFF, 0xFF000000};
            for (std::size_t i = 0; i < masks.size(); ++i) put(54 + 4 * i, 4, masks[i]);
            put(70, 4, 0x73524742); // sRGB
        }
        sink_.write(header);
    }

    ByteSink& sink_;
    std::size_t channels_;
    std::size_t row_bytes_;
    std::vector<std::vector<std::byte>> rows_;
};

std::unique_ptr<RowEncoder> bmp_encoder(ByteSink& sink, const StoredPicture& picture,
                                        const EncodeOptions& options) {
    return std::make_unique<BmpEncoder>(sink, picture, options);
}

bool begins_as_bmp(std::span<const std::byte> file) {
    return says(file, 0, "BM");
}

constexpr std::string_view bmp_extensions[] = {".bmp"};

} // namespace

const Codec bmp_codec{
    .type = FileType::bmp,
    .name = "BMP",
    .extensions = bmp_extensions,
    .holds = {.alpha = true},
    .takes = {.resolution = true},
    .begins = begins_as_bmp,
    .inspect = inspect_bmp,
    .decode = decode_bmp,
    .encoder = bmp_encoder,
};

} // namespace coldbrick::files
