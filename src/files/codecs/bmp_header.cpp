#include "files/codecs/bmp_header.hpp"

#include "files/fields.hpp"
#include "files/stored_format.hpp"
#include "files/units.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <bit>
#include <limits>

namespace coldbrick::files {

namespace {

constexpr std::size_t file_header_bytes = 14;
constexpr std::size_t core_header_bytes = 12; // that of OS/2 1, with sizes of 16 bits

BmpChannel masked_channel(std::uint32_t mask) {
    if (mask == 0) return {};
    const auto shift = static_cast<unsigned>(std::countr_zero(mask));
    const auto bits = static_cast<unsigned>(std::popcount(mask));
    if (std::popcount((mask >> shift) + 1) != 1 &&
        (mask >> shift) != std::numeric_limits<std::uint32_t>::max())
        fail_decoding_bmp(fmt::format("the mask {:#010x} of a channel has gaps", mask));
    return {shift, bits};
}

class BmpHeaderReader {
  public:
    explicit BmpHeaderReader(std::span<const std::byte> file)
        : fields_(file, "cannot decode BMP: the file ends too early"), header_bytes_(fields_.little(14, 4)) {}

    BmpHeader read() {
        if (header_bytes_ != core_header_bytes && (header_bytes_ < 40 || header_bytes_ > 1024))
            fail_decoding_bmp(fmt::format("its header of {} bytes is of no known kind", header_bytes_));
        header_.pixels_at = fields_.little(10, 4);
        if (header_bytes_ == core_header_bytes)
            read_core();
        else
            read_info();
        check_packing();
        if (header_.bits == 16 || header_.bits == 32) read_channels();
        if (header_.bits <= 8) read_palette();
        return header_;
    }

  private:
    void read_core() {
        set_size(static_cast<std::int32_t>(fields_.little(18, 2)),
                 static_cast<std::int32_t>(fields_.little(20, 2)));
        header_.bits = static_cast<int>(fields_.little(24, 2));
    }

    void read_info() {
        set_size(static_cast<std::int32_t>(fields_.little(18, 4)),
                 static_cast<std::int32_t>(fields_.little(22, 4)));
        header_.bits = static_cast<int>(fields_.little(28, 2));
        const std::uint32_t packing = fields_.little(30, 4);
        constexpr std::uint32_t masks_with_alpha = 6;
        if (packing > 3 && packing != masks_with_alpha)
            fail_decoding_bmp(fmt::format("its compression {} is none of 0, 1, 2, 3 and 6", packing));
        header_.packing = packing == masks_with_alpha ? BmpHeader::Packing::masks
                                                      : static_cast<BmpHeader::Packing>(packing);
        masks_in_all_ = packing == masks_with_alpha || header_bytes_ >= 56 ? 4 : 3;
        const double across = fields_.little(38, 4);
        const double down = fields_.little(42, 4);
        if (across > 0 && down > 0) header_.resolution = {across / inches_per_metre, down / inches_per_metre};
        entries_told_ = fields_.little(46, 4);
    }

    void set_size(std::int32_t width, std::int32_t height) {
        if (width < 1 || height == 0 || height == std::numeric_limits<std::int32_t>::min())
            fail_decoding_bmp(fmt::format("its size of {} x {} pixels is none", width, height));
        header_.top_down = height < 0;
        header_.size = {width, height < 0 ? -height : height};
    }

    void check_packing() const {
        constexpr std::array known{1, 4, 8, 16, 24, 32};
        if (std::ranges::find(known, header_.bits) == known.end())
            fail_decoding_bmp(
                fmt::format("its pixels of {} bits are none of 1, 4, 8, 16, 24 and 32", header_.bits));
        using enum BmpHeader::Packing;
        const bool fits = header_.packing == none ||
                          (header_.packing == runs_of_bytes && header_.bits == 8) ||
                          (header_.packing == runs_of_halves && header_.bits == 4) ||
                          (header_.packing == masks && (header_.bits == 16 || header_.bits == 32));
        if (!fits)
            fail_decoding_bmp(fmt::format("its compression {} does not fit pixels of {} bits",
                                          static_cast<int>(header_.packing), header_.bits));
        if (header_.top_down && (header_.packing == runs_of_bytes || header_.packing == runs_of_halves))
            fail_decoding_bmp("its packed rows are top-down");
    }

    /// Without masks, pixels are 5 or 8 bits of blue, green and red from the lowest bit up.
    void read_channels() {
        if (header_.packing != BmpHeader::Packing::masks) {
            const unsigned bits = header_.bits == 16 ? 5 : 8;
            header_.channels = {{{2 * bits, bits}, {bits, bits}, {0, bits}, {}}};
            return;
        }
        constexpr std::size_t masks_at = 54;
        for (std::size_t i = 0; i < masks_in_all_; ++i) {
            header_.channels[i] = masked_channel(fields_.little(masks_at + 4 * i, 4));
            if (header_.channels[i].shift + header_.channels[i].bits > static_cast<unsigned>(header_.bits))
                fail_decoding_bmp("the mask of a channel reaches beyond the pixel");
        }
    }

    void read_palette() {
        const std::size_t entry_bytes = header_bytes_ == core_header_bytes ? 3 : 4;
        const std::size_t at = file_header_bytes + header_bytes_;
        const std::size_t most = std::size_t{1} << static_cast<unsigned>(header_.bits);
        const std::size_t count = entries_told_ == 0 ? most : std::min<std::size_t>(entries_told_, most);
        for (std::size_t i = 0; i < count; ++i) {
            const auto channel = [&](std::size_t offset) {
                return static_cast<int>(fields_.byte(at + i * entry_bytes + offset));
            };
            header_.palette.push_back({Colour(channel(2), channel(1), channel(0))});
        }
    }

    Fields fields_;
    std::size_t header_bytes_;
    std::size_t masks_in_all_ = 3;
    std::uint32_t entries_told_ = 0;
    BmpHeader header_;
};

} // namespace

void fail_decoding_bmp(std::string_view message) {
    throw FileError(fmt::format("cannot decode BMP: {}", message));
}

PixelFormat BmpHeader::format() const {
    return bits <= 8 ? PixelFormat::indexed8 : format_with(true, has_alpha(), false);
}

std::size_t BmpHeader::stored_row_bytes() const {
    return (static_cast<std::size_t>(size.width) * static_cast<std::size_t>(bits) + 31) / 32 * 4;
}

BmpHeader read_bmp_header(std::span<const std::byte> file) {
    return BmpHeaderReader(file).read();
}

} // namespace coldbrick::files
