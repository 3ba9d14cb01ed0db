/// @file
/// Runs of equal pixels, written by wide stores.
#pragma once

#include "paint/writers/repeated_pixel.hpp"

#include <array>
#include <cstddef>
#include <cstdint>
#include <cstring>
#include <type_traits>

namespace coldbrick::paint {

// Registers have Width bytes, 16 or 32. A function compiled for a processor with wider registers makes
// writers of Width 32, which is why everything here is inlined into it.

/// Where equal runs begin.
template <std::size_t Count>
using Places = std::array<std::byte*, Count>;

/// Two stores of a power of two of bytes, the largest that fits into the run, that may overlap. Calls
/// store(offset, width, is_last), or store_byte(offset) for fewer than 4 bytes.
template <std::size_t Width, class Store, class StoreByte>
[[gnu::always_inline]] inline void write_short_run(std::size_t count, const Store& store,
                                                   const StoreByte& store_byte) {
    if constexpr (Width < 4) {
        for (std::size_t i = 0; i < count; ++i) store_byte(i);
    } else if (count >= Width) {
        constexpr std::integral_constant<std::size_t, Width> width;
        store(0, width, std::false_type());
        store(count - Width, width, std::true_type());
    } else {
        write_short_run<Width / 2>(count, store, store_byte);
    }
}

/// Writes runs of pixels whose size divides 8: all words of 8 bytes are alike, so that one register is all it
/// takes.
template <std::size_t Width>
class WordRunWriter {
  public:
    [[gnu::always_inline]] explicit WordRunWriter(std::uint64_t word)
        : word_(word), words_(Register{} + word) {}

    /// Writes whole pixels over [begin, begin + count), count in bytes, from each place on.
    template <std::size_t Count>
    [[gnu::always_inline]] void write(const Places<Count>& places, std::size_t count) const {
        if (count >= Width) {
            for (std::byte* const begin : places) write_long_run(begin, begin + count - Width);
            return;
        }
        write_short<Width / 2>(places, count);
    }

    /// The same on each of some rows, from a place on the first one on.
    [[gnu::always_inline]] void write_rows(std::byte* at, std::ptrdiff_t row_stride, std::int64_t rows,
                                           std::size_t count) const {
        if (count < Width || count > 2 * Width) {
            for (; rows > 0; --rows, at += row_stride) write(Places<1>{at}, count);
            return;
        }
        for (; rows > 0; --rows, at += row_stride) { // what most small shapes have
            std::memcpy(at, &words_, Width);
            std::memcpy(at + count - Width, &words_, Width);
        }
    }

  private:
    using Register [[gnu::vector_size(Width)]] = std::uint64_t;

    /// Two stores of the largest width that fits, which may overlap. Pixels of any size are alike at every
    /// place where one may begin.
    template <std::size_t Part, std::size_t Count>
    [[gnu::always_inline]] void write_short(const Places<Count>& places, std::size_t count) const {
        if (count >= Part) {
            for (std::byte* const begin : places) store_part<Part>(begin);
            for (std::byte* const begin : places) store_part<Part>(begin + count - Part);
        } else if constexpr (Part > 1) {
            write_short<Part / 2>(places, count);
        }
    }
    template <std::size_t Part>
    [[gnu::always_inline]] void store_part(std::byte* at) const {
        if constexpr (Part > sizeof word_)
            std::memcpy(at, &words_, Part);
        else
            std::memcpy(at, &word_, Part);
    }

    /// @param last where the last store begins, which may overlap the others
    [[gnu::always_inline]] void write_long_run(std::byte* at, std::byte* last) const {
        const Register words = words_; // stores may alias the member, which would be read again each time
        for (; at < last; at += Width) std::memcpy(at, &words, Width);
        std::memcpy(last, &words, Width);
    }

    std::uint64_t word_;
    Register words_;
};

/// Writes runs of a pattern's pixels, of any size.
template <std::size_t Width>
class RunWriter {
  public:
    [[gnu::always_inline]] explicit RunWriter(const RepeatedPixel& pattern) : pattern_(pattern) {
        load(first_, 0);
        load(second_, Width);
        load(third_, 2 * Width % RepeatedPixel::period);
        load(last_, pattern.phase_before_end(Width));
    }

    /// Writes whole pixels over [begin, begin + count), count in bytes, from each place on.
    template <std::size_t Count>
    [[gnu::always_inline]] void write(const Places<Count>& places, std::size_t count) const {
        if (count >= Width) {
            for (std::byte* const begin : places) write_long_run(begin, begin + count);
            return;
        }
        write_short_run<Width / 2>(
            count,
            [&](std::size_t offset, auto width, auto is_last) {
                const std::size_t phase = is_last ? pattern_.phase_before_end(width) : 0;
                for (std::byte* const begin : places)
                    std::memcpy(begin + offset, pattern_.bytes() + phase, width);
            },
            [&](std::size_t offset) {
                for (std::byte* const begin : places) begin[offset] = pattern_.bytes()[offset];
            });
    }

    /// The same on each of some rows, from a place on the first one on.
    [[gnu::always_inline]] void write_rows(std::byte* at, std::ptrdiff_t row_stride, std::int64_t rows,
                                           std::size_t count) const {
        for (; rows > 0; --rows, at += row_stride) write(Places<1>{at}, count);
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

    const RepeatedPixel& pattern_;
    Register first_;
    Register second_;
    Register third_;
    Register last_;
};

} // namespace coldbrick::paint
