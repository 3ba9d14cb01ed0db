/// @file
/// A pixel's bytes repeated, so that runs of pixels of any size are written by the same wide stores.
#pragma once

#include <array>
#include <cstddef>
#include <cstring>

namespace coldbrick::paint {

/// One pixel repeated over 48 bytes and on to 64. 48 is a multiple of every pixel size up to 4, and of 6, 8,
/// 12 and 16, and of the 16 bytes that one store writes; so no size of pixel needs a path of its own.
class PixelPattern {
  public:
    static constexpr std::size_t period = 48;

    /// @param pixel the pixel's bytes.
    /// @param pixel_bytes a divisor of 48.
    PixelPattern(const std::byte* pixel, std::size_t pixel_bytes) : pixel_bytes_(pixel_bytes) {
        for (std::size_t i = 0; i < bytes_.size(); ++i)
            bytes_[i] = pixel[i % pixel_bytes];
    }

    [[nodiscard]] const std::byte* bytes() const { return bytes_.data(); }
    [[nodiscard]] std::size_t pixel_bytes() const { return pixel_bytes_; }

    /// Writes whole pixels over [begin, begin + count), count in bytes.
    void write(std::byte* begin, std::size_t count) const {
        if (count >= 16)
            write_wide(begin, count);
        else
            write_narrow(begin, count);
    }

  private:
    template <std::size_t Width>
    void store(std::byte* at, std::size_t phase) const {
        std::memcpy(at, bytes_.data() + phase, Width);
    }

    /// The last Width bytes of a run, which end with a pixel's end; they may overlap what is written already.
    template <std::size_t Width>
    void store_last(std::byte* end) const {
        const std::size_t rest = Width % pixel_bytes_;
        store<Width>(end - Width, rest == 0 ? 0 : pixel_bytes_ - rest);
    }

    void write_wide(std::byte* at, std::size_t count) const {
        std::byte* const end = at + count;
        for (; end - at >= static_cast<std::ptrdiff_t>(period); at += period) {
            store<16>(at, 0);
            store<16>(at + 16, 16);
            store<16>(at + 32, 32);
        }
        if (end - at >= 16)
            store<16>(at, 0);
        if (end - at >= 32)
            store<16>(at + 16, 16);
        if (end != at)
            store_last<16>(end);
    }

    void write_narrow(std::byte* at, std::size_t count) const {
        if (count >= 8) {
            store<8>(at, 0);
            store_last<8>(at + count);
        } else if (count >= 4) {
            store<4>(at, 0);
            store_last<4>(at + count);
        } else {
            for (std::size_t i = 0; i < count; ++i)
                at[i] = bytes_[i];
        }
    }

    alignas(16) std::array<std::byte, 64> bytes_;
    std::size_t pixel_bytes_;
};

} // namespace coldbrick::paint
