#include "files/codecs/codec.hpp"

#include "files/fields.hpp"
#include "files/stored_format.hpp"

#include <coldbrick/colour.hpp>
#include <coldbrick/error.hpp>

#include <array>
#include <cstdint>
#include <vector>

// The Quite OK Image Format, specification of version 1.0, 2022.

namespace coldbrick::files {

namespace {

constexpr std::size_t header_bytes = 14;
constexpr std::array<std::byte, 8> end_mark{std::byte{0}, std::byte{0}, std::byte{0}, std::byte{0},
                                            std::byte{0}, std::byte{0}, std::byte{0}, std::byte{1}};

// What the upper bits of a chunk's first byte mean.
constexpr unsigned seen_before = 0x00;    // 2 bits, then where
constexpr unsigned small_change = 0x40;   // 2 bits, then 2 of each colour
constexpr unsigned luma_change = 0x80;    // 2 bits, then green's, then the others' from it
constexpr unsigned repeated_pixel = 0xC0; // 2 bits, then how often, less 1
constexpr unsigned whole_rgb = 0xFE;
constexpr unsigned whole_rgba = 0xFF;
constexpr unsigned most_repeats = 62;

/// The pixel before, and 64 that have been seen.
struct Memory {
    Colour previous{0, 0, 0, 255};
    std::array<Colour, 64> seen{};

    Memory() { seen.fill(Colour(0, 0, 0, 0)); }

    Colour& place_of(const Colour& pixel) {
        return seen[(pixel.red * 3U + pixel.green * 5U + pixel.blue * 7U + pixel.alpha * 11U) % 64];
    }
};

class QoiEncoder final : public RowEncoder {
  public:
    QoiEncoder(ByteSink& sink, const StoredPicture& picture)
        : sink_(sink), channels_(static_cast<std::size_t>(layout(picture.format).bytes)) {
        std::array<std::byte, header_bytes> header{std::byte{'q'}, std::byte{'o'}, std::byte{'i'},
                                                   std::byte{'f'}};
        const std::span<std::byte> fields(header);
        put_big_endian(fields.subspan(4, 4), static_cast<std::uint32_t>(picture.size.width));
        put_big_endian(fields.subspan(8, 4), static_cast<std::uint32_t>(picture.size.height));
        header[12] = static_cast<std::byte>(channels_);
        sink_.write(header); // the last byte: sRGB with linear alpha
    }

    void row(std::span<const std::byte> row) override {
        chunks_.clear();
        for (std::size_t at = 0; at < row.size(); at += channels_) {
            const auto channel = [&](std::size_t i) { return std::to_integer<int>(row[at + i]); };
            add(Colour(channel(0), channel(1), channel(2), channels_ == 4 ? channel(3) : 255));
        }
        sink_.write(chunks_);
    }

    void finish() override {
        chunks_.clear();
        end_repeats();
        sink_.write(chunks_);
        sink_.write(end_mark);
    }

  private:
    void put(unsigned byte) { chunks_.push_back(static_cast<std::byte>(byte)); }

    void end_repeats() {
        if (repeats_ > 0) put(repeated_pixel | (repeats_ - 1));
        repeats_ = 0;
    }

    void add(const Colour& pixel) {
        if (pixel == memory_.previous) {
            if (++repeats_ == most_repeats) end_repeats();
            return;
        }
        end_repeats();
        Colour& place = memory_.place_of(pixel);
        if (place == pixel) {
            put(seen_before | static_cast<unsigned>(&place - memory_.seen.data()));
        } else {
            place = pixel;
            add_change(pixel);
        }
        memory_.previous = pixel;
    }

    /// The difference of two bytes as the decoder adds it, -128..127.
    static int wrapped(int difference) { return (difference + 384) % 256 - 128; }

    void add_change(const Colour& pixel) {
        const Colour& before = memory_.previous;
        const auto change = [](int now, int then) { return wrapped(now - then); };
        if (pixel.alpha != before.alpha) {
            for (const unsigned byte : {whole_rgba, unsigned{pixel.red}, unsigned{pixel.green},
                                        unsigned{pixel.blue}, unsigned{pixel.alpha}})
                put(byte);
            return;
        }
        const int red = change(pixel.red, before.red);
        const int green = change(pixel.green, before.green);
        const int blue = change(pixel.blue, before.blue);
        const int red_from_green = wrapped(red - green);
        const int blue_from_green = wrapped(blue - green);
        const auto within = [](int value, int low, int high) { return value >= low && value <= high; };
        if (within(red, -2, 1) && within(green, -2, 1) && within(blue, -2, 1)) {
            put(small_change | static_cast<unsigned>((red + 2) << 4 | (green + 2) << 2 | (blue + 2)));
        } else if (within(green, -32, 31) && within(red_from_green, -8, 7) &&
                   within(blue_from_green, -8, 7)) {
            put(luma_change | static_cast<unsigned>(green + 32));
            put(static_cast<unsigned>((red_from_green + 8) << 4 | (blue_from_green + 8)));
        } else {
            for (const unsigned byte :
                 {whole_rgb, unsigned{pixel.red}, unsigned{pixel.green}, unsigned{pixel.blue}})
                put(byte);
        }
    }

    ByteSink& sink_;
    std::size_t channels_;
    Memory memory_;
    unsigned repeats_ = 0;
    std::vector<std::byte> chunks_; ///< of a row
};

class QoiRows final : public RowDecoder {
  public:
    QoiRows(std::span<const std::byte> file, const StoredPicture& picture)
        : picture_(picture), rest_(file.subspan(header_bytes)) {}

    [[nodiscard]] StoredPicture picture() const override { return picture_; }

    void row(std::span<std::byte> row) override {
        const auto channels = static_cast<std::size_t>(layout(picture_.format).bytes);
        for (std::size_t at = 0; at < row.size(); at += channels) {
            if (repeats_ > 0)
                --repeats_;
            else
                read_chunk();
            const Colour& pixel = memory_.previous;
            row[at] = std::byte{pixel.red};
            row[at + 1] = std::byte{pixel.green};
            row[at + 2] = std::byte{pixel.blue};
            if (channels == 4) row[at + 3] = std::byte{pixel.alpha};
        }
    }

    void finish() override {
        if (repeats_ > 0) throw FileError("cannot decode QOI: it has more pixels than it says");
        for (const std::byte byte : end_mark)
            if (next() != std::to_integer<unsigned>(byte))
                throw FileError("cannot decode QOI: the mark of its end is missing");
    }

  private:
    unsigned next() {
        if (rest_.empty()) throw FileError("cannot decode QOI: the file ends too early");
        const auto byte = std::to_integer<unsigned>(rest_[0]);
        rest_ = rest_.subspan(1);
        return byte;
    }

    void read_chunk() {
        Colour& pixel = memory_.previous;
        const unsigned tag = next();
        if (tag == whole_rgb || tag == whole_rgba) {
            for (std::uint8_t* const channel : {&pixel.red, &pixel.green, &pixel.blue})
                *channel = static_cast<std::uint8_t>(next());
            if (tag == whole_rgba) pixel.alpha = static_cast<std::uint8_t>(next());
        } else {
            read_short_chunk(tag & 0xC0U, tag & 0x3FU);
        }
        memory_.place_of(pixel) = pixel;
    }

    void read_short_chunk(unsigned kind, unsigned value) {
        Colour& pixel = memory_.previous;
        const auto change = [](std::uint8_t& channel, unsigned by) {
            channel = static_cast<std::uint8_t>(channel + by);
        };
        if (kind == seen_before) {
            pixel = memory_.seen[value];
        } else if (kind == small_change) {
            change(pixel.red, (value >> 4U) - 2);
            change(pixel.green, (value >> 2U & 3U) - 2);
            change(pixel.blue, (value & 3U) - 2);
        } else if (kind == luma_change) {
            const unsigned others = next();
            change(pixel.red, value - 32 + (others >> 4U) - 8);
            change(pixel.green, value - 32);
            change(pixel.blue, value - 32 + (others & 15U) - 8);
        } else {
            repeats_ = value; // beside this pixel
        }
    }

    StoredPicture picture_;
    std::span<const std::byte> rest_;
    Memory memory_;
    unsigned repeats_ = 0;
};

StoredPicture read_qoi_header(std::span<const std::byte> file) {
    const Fields fields(file, "cannot decode QOI: the file ends too early");
    const std::uint32_t width = fields.big(4, 4);
    const std::uint32_t height = fields.big(8, 4);
    const unsigned channels = fields.byte(12);
    if (width < 1 || height < 1 || width > 0x7FFFFFFF || height > 0x7FFFFFFF)
        throw FileError("cannot decode QOI: the width or the height is not in 1..2147483647");
    if (channels != 3 && channels != 4) throw FileError("cannot decode QOI: it has neither 3 nor 4 channels");
    (void)fields.byte(13);
    return {.size = {static_cast<std::int32_t>(width), static_cast<std::int32_t>(height)},
            .format = format_with(true, channels == 4, false)};
}

/// A byte makes up to 62 pixels.
void check_qoi_length(std::span<const std::byte> file, const StoredPicture& picture) {
    const std::uint64_t pixels =
        static_cast<std::uint64_t>(picture.size.width) * static_cast<std::uint64_t>(picture.size.height);
    if (pixels / most_repeats > file.size()) throw FileError("cannot decode QOI: the file ends too early");
}

Image decode_qoi(std::span<const std::byte> file, const DecodeLimits& limits) {
    const StoredPicture picture = read_qoi_header(file);
    check_qoi_length(file, picture);
    QoiRows rows(file, picture);
    return decode_rows(rows, limits);
}

ImageInfo inspect_qoi(std::span<const std::byte> file) {
    const StoredPicture picture = read_qoi_header(file);
    const Fields fields(file, "");
    return {.type = FileType::qoi,
            .size = picture.size,
            .format = picture.format,
            .channels = layout(picture.format).bytes,
            .bits = 8,
            .colour_profile = fields.byte(13) == 0 ? "sRGB" : "linear"};
}

std::unique_ptr<RowEncoder> qoi_encoder(ByteSink& sink, const StoredPicture& picture, const EncodeOptions&) {
    return std::make_unique<QoiEncoder>(sink, picture);
}

bool begins_as_qoi(std::span<const std::byte> file) {
    return says(file, 0, "qoif");
}

constexpr std::string_view qoi_extensions[] = {".qoi"};

} // namespace

const Codec qoi_codec{
    .type = FileType::qoi,
    .name = "QOI",
    .extensions = qoi_extensions,
    .holds = {.alpha = true},
    .takes = {},
    .begins = begins_as_qoi,
    .inspect = inspect_qoi,
    .decode = decode_qoi,
    .encoder = qoi_encoder,
};

} // namespace coldbrick::files
