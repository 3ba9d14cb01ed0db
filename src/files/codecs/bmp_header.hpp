/// @file
/// The headers of Windows bitmaps, from Windows 2 to 5 and OS/2 1.
#pragma once

#include <coldbrick/image_info.hpp>
#include <coldbrick/palette.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>

#include <array>
#include <cstddef>
#include <cstdint>
#include <optional>
#include <span>
#include <string_view>
#include <vector>

namespace coldbrick::files {

[[noreturn]] void fail_decoding_bmp(std::string_view message);

/// The bits of a pixel that hold a channel.
struct BmpChannel {
    unsigned shift = 0;
    unsigned bits = 0; ///< 0 if there is none
};

struct BmpHeader {
    enum class Packing : std::uint8_t { none = 0, runs_of_bytes = 1, runs_of_halves = 2, masks = 3 };

    Size size;
    bool top_down = false;
    int bits = 0; ///< of a pixel: 1, 4, 8, 16, 24 or 32
    Packing packing = Packing::none;
    std::array<BmpChannel, 4> channels{}; ///< red, green, blue, alpha of pixels of 16 and 32 bits
    std::vector<Palette::Entry> palette;
    std::size_t pixels_at = 0;
    std::optional<Resolution> resolution;

    [[nodiscard]] bool has_alpha() const { return channels[3].bits > 0; }
    [[nodiscard]] PixelFormat format() const;

    /// The bytes of a row that is not packed; rows begin at multiples of four.
    [[nodiscard]] std::size_t stored_row_bytes() const;
};

/// @throws FileError if there is no whole header of a known kind.
BmpHeader read_bmp_header(std::span<const std::byte> file);

} // namespace coldbrick::files
