/// @file
/// Runs of equal pixels, written by wide stores.
#pragma once

#include "paint/pixel_pattern.hpp"

#include <cstddef>
#include <cstdint>
#include <cstring>

namespace coldbrick::paint {

// Registers have Width bytes, 16 or 32. A function compiled for a processor with wider registers makes
// writers of Width 32, which is why everything here is inlined into it.

/// Two stores of a power of two of bytes, the largest that fits into the run, that may overlap. Calls
/// store(at, width, is_last), or store_byte(at, index) for fewer than 4 bytes.
template <std::size_t Width, class Store, class StoreByte>
[[gnu::always_inline]] inline void write_short_run(std::byte* begin, std::size_t count, Store store,
                                                   StoreByte store_byte) {
    if constexpr (Width < 4) {
        for (std::size_t i = 0; i < count; ++i) store_byte(begin + i, i);
    } else if (count >= Width) {
        constexpr std::integral_constant<std::size_t, Width> width;
        store(begin, width, std::false_type());
        store(begin + count - Width, width, std::true_type());
    } else {
        write_short_run<Width / 2>(begin, count, store, store_byte);
    }
}

/// Writes runs of pixels whose size divides 8: all words of 8 bytes are alike, so that one register is all it
/// takes.
template <std::size_t Width>
class WordRunWriter {
  public:
    [[gnu::always_inline]] explicit WordRunWriter(std::uint64_t word)
        : word_(word), words_(Register{} + word) {}

    /// Writes whole pixels over [begin, begin + count), count in bytes.
    [[gnu::always_inline]] void write(std::byte* begin, std::size_t count) const {
        if (count < Width)
            return write_short_run<Width / 2>(
                begin, count, [this](std::byte* at, auto width, auto) { std::memcpy(at, &words_, width); },
                [this](std::byte* at, std::size_t i) { *at = static_cast<std::byte>(word_ >> (8 * i)); });
        std::byte* const last = begin + count - Width;
        for (std::byte* at = begin; at < last; at += Width) std::memcpy(at, &words_, Width);
        std::memcpy(last, &words_, Width);
    }

  private:
    using Register [[gnu::vector_size(Width)]] = std::uint64_t;

    std::uint64_t word_;
    Register words_;
};

/// Writes runs of a pattern's pixels, of any size.
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
        if (count >= Width) return write_long_run(begin, begin + count);
        const std::byte* const bytes = pattern_.bytes();
        write_short_run<Width / 2>(
            begin, count,
            [&](std::byte* at, auto width, auto is_last) {
                std::memcpy(at, bytes + (is_last ? pattern_.phase_before_end(width) : 0), width);
            },
            [bytes](std::byte* at, std::size_t i) { *at = bytes[i]; });
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
    [[gnu::always_inline]] void write_long_run(std::byte* at, std::byte* end) const {
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

    const PixelPattern& pattern_;
    Register first_;
    Register second_;
    Register third_;
    Register last_;
};

} // namespace coldbrick::paint
