/// @file
/// A pixel's bytes repeated, so that runs of pixels of any size are written by the same wide stores.
#pragma once

#include "base/contract.hpp"

#include <algorithm>
#include <array>
#include <bit>
#include <cstddef>
#include <cstdint>
#include <cstring>

namespace coldbrick::paint {

/// One pixel repeated over 48 bytes and on to 64. 48 is a multiple of every pixel size up to 4, and of 6, 8,
/// 12 and 16, and of the 16 bytes that one store writes; so no size of pixel needs a path of its own.
class RepeatedPixel {
  public:
    static constexpr std::size_t period = 48;

    /// @param bytes the pixel's bytes, the first one lowest.
    /// @param pixel_bytes 1, 2, 3, 4, 6, 8 or 16.
    RepeatedPixel(const std::array<std::uint64_t, 2>& bytes, std::ptrdiff_t pixel_bytes)
        : pixel_bytes_(static_cast<std::size_t>(pixel_bytes)) {
        COLDBRICK_ASSERT(pixel_bytes > 0 && period % pixel_bytes_ == 0);
        const std::uint64_t pixel = bytes[0];
        // Every draw call passes here: whole words are put together in registers.
        if (repeats_in_words(pixel_bytes)) {
            const std::uint64_t repeated = word(pixel, pixel_bytes);
            repeat(repeated, repeated, repeated);
        } else if (pixel_bytes == 3) {
            repeat(pixel | pixel << 24 | pixel << 48, pixel >> 16 | pixel << 8 | pixel << 32 | pixel << 56,
                   pixel >> 8 | pixel << 16 | pixel << 40);
        } else {
            repeat_bytes(bytes);
        }
        last_phase_ = {find_phase(4), find_phase(8), find_phase(16), find_phase(32)};
    }

    /// True for sizes that divide 8.
    static constexpr bool repeats_in_words(std::ptrdiff_t pixel_bytes) {
        return pixel_bytes <= 8 && (pixel_bytes & (pixel_bytes - 1)) == 0;
    }

    /// Such a pixel repeated over 8 bytes.
    static constexpr std::uint64_t word(std::uint64_t pixel, std::ptrdiff_t pixel_bytes) {
        switch (pixel_bytes) {
        case 1: return pixel * 0x0101010101010101U;
        case 2: return pixel * 0x0001000100010001U;
        case 4: return pixel * 0x0000000100000001U;
        default: return pixel;
        }
    }

    [[nodiscard]] const std::byte* bytes() const { return bytes_.data(); }

    /// Where in the pattern the last `width` bytes of a run of pixels begin: they end with a pixel's end.
    /// @param width 4, 8, 16 or 32.
    [[nodiscard]] std::size_t phase_before_end(std::size_t width) const {
        return last_phase_[static_cast<std::size_t>(std::countr_zero(width)) - 2];
    }

  private:
    void repeat(std::uint64_t first, std::uint64_t second, std::uint64_t third) {
        const std::array words{first, second, third, first, second, third, first, second};
        std::memcpy(bytes_.data(), words.data(), bytes_.size());
    }

    void repeat_bytes(const std::array<std::uint64_t, 2>& pixel) {
        std::memcpy(bytes_.data(), pixel.data(), pixel_bytes_);
        for (std::size_t filled = pixel_bytes_; filled < bytes_.size(); filled *= 2)
            std::memcpy(bytes_.data() + filled, bytes_.data(), std::min(filled, bytes_.size() - filled));
    }

    [[nodiscard]] std::uint8_t find_phase(std::uint8_t width) const {
        const bool power_of_two = (pixel_bytes_ & (pixel_bytes_ - 1)) == 0;
        if (power_of_two) return 0;
        const auto rest = static_cast<std::uint8_t>(width % static_cast<std::uint8_t>(pixel_bytes_));
        return rest == 0 ? rest : static_cast<std::uint8_t>(pixel_bytes_ - rest);
    }

    alignas(16) std::array<std::byte, 64> bytes_;
    std::size_t pixel_bytes_;
    std::array<std::uint8_t, 4> last_phase_; ///< for widths 4, 8, 16 and 32
};

} // namespace coldbrick::paint
