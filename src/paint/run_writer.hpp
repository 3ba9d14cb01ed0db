/// @file
/// Runs of equal pixels, written by wide stores.
#pragma once

#include "paint/pixel_pattern.hpp"

#include <cstddef>
#include <cstring>

namespace coldbrick::paint {

/// Writes runs of a pattern's pixels, with the pattern in registers of Width bytes, 16 or 32. A function
/// compiled for a processor with wider registers makes one with Width 32, which is why everything here is
/// inlined into it.
template <std::size_t Width>
class RunWriter {
  public:
    [[gnu::always_inline]] explicit RunWriter(const PixelPattern& pattern) : pattern_(pattern) {
        load(first_, 0);
        load(second_, Width);
        load(third_, 2 * Width % PixelPattern::period);
        load(last_, pattern.phase_before_end(Width));
    }

    /// Writes whole pixels over [begin, begin + count), count in bytes.
    [[gnu::always_inline]] void write(std::byte* begin, std::size_t count) const {
        if (count >= Width)
            write_wide(begin, begin + count);
        else
            write_narrow<Width / 2>(begin, count);
    }

  private:
    using Register [[gnu::vector_size(Width)]] = unsigned char;

    [[gnu::always_inline]] void load(Register& target, std::size_t phase) {
        std::memcpy(&target, pattern_.bytes() + phase, Width);
    }

    [[gnu::always_inline]] static void store(std::byte* at, const Register& source) {
        std::memcpy(at, &source, Width);
    }

    /// Three stores make a whole number of periods, of 16 bytes as of 32; the last store may overlap them.
    [[gnu::always_inline]] void write_wide(std::byte* at, std::byte* end) const {
        constexpr auto width = static_cast<std::ptrdiff_t>(Width);
        for (; end - at >= 3 * width; at += 3 * width) {
            store(at, first_);
            store(at + width, second_);
            store(at + 2 * width, third_);
        }
        if (end - at >= width) store(at, first_);
        if (end - at >= 2 * width) store(at + width, second_);
        store(end - width, last_);
    }

    /// Two stores that may overlap, of the largest power of two that fits.
    template <std::size_t Narrow>
    [[gnu::always_inline]] void write_narrow(std::byte* at, std::size_t count) const {
        if constexpr (Narrow < 4) {
            for (std::size_t i = 0; i < count; ++i) at[i] = pattern_.bytes()[i];
        } else if (count >= Narrow) {
            std::memcpy(at, pattern_.bytes(), Narrow);
            std::memcpy(at + count - Narrow, pattern_.bytes() + pattern_.phase_before_end(Narrow), Narrow);
        } else {
            write_narrow<Narrow / 2>(at, count);
        }
    }

    const PixelPattern& pattern_;
    Register first_;
    Register second_;
    Register third_;
    Register last_;
};

} // namespace coldbrick::paint
