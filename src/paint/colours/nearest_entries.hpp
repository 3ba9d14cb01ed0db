/// @file
/// The nearest entries of a palette, found once for each colour.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/palette.hpp>

#include <array>
#include <bit>
#include <cstddef>
#include <cstdint>

namespace coldbrick::paint {

/// A table of colours whose nearest entries are known, in which a new one takes the place of an old one. For
/// one thread at a time, and one palette.
class NearestEntries {
  public:
    /// @param palette outlives this and stays as it is
    explicit NearestEntries(const Palette& palette) : palette_(palette) {}

    [[nodiscard]] std::uint8_t find(const Colour& colour) {
        const auto number = std::bit_cast<std::uint32_t>(colour);
        Known& known = known_[number * 0x9E3779B1U >> (32 - bits)]; // Fibonacci hashing
        if (known.colour != number || !known.is_there)
            known = {number, static_cast<std::uint8_t>(palette_.nearest(colour)), true};
        return known.entry;
    }

  private:
    static constexpr unsigned bits = 11;
    struct Known {
        std::uint32_t colour = 0;
        std::uint8_t entry = 0;
        bool is_there = false;
    };

    const Palette& palette_;
    std::array<Known, std::size_t{1} << bits> known_{};
};

} // namespace coldbrick::paint
