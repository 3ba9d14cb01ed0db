/// @file
/// One colour over opaque pixels of bytes: every byte is mixed alike, an alpha byte with the opaque colour's
/// 255.
#pragma once

#include "paint/blending/composite_colour.hpp"
#include "paint/formats/pixel_codec.hpp"

#include <cstddef>
#include <cstdint>
#include <type_traits>

// Functions that are all inlined have no binary interface that registers could change.
#pragma GCC diagnostic ignored "-Wpsabi"

namespace coldbrick::paint {

// Bytes at even and odd places apart, in 16 bits each: of a number of 32 or 64 bits, or of a vector of
// numbers of 16 bits. Divided by 255 as divide_by_255() does.

/// What a colour adds to bytes: its own times its alpha, and what rounds the result.
/// @tparam Bytes a number, or a vector
template <class Bytes>
struct ByteShare {
    Bytes even;
    Bytes odd;

    /// @param opaque the colour's bytes, those of an alpha 255
    /// @param alpha a number; of a vector one for each 16 bits
    [[gnu::always_inline]] static constexpr ByteShare of(const Bytes& opaque, const Bytes& alpha) {
        return {(opaque & low) * alpha + half, (opaque >> 8 & low) * alpha + half};
    }

    /// What is there, by what it keeps, and this.
    /// @param keep 255 without the alpha, likewise
    [[gnu::always_inline]] constexpr Bytes with(const Bytes& backdrop, const Bytes& keep) const {
        const Bytes low_bytes = even + (backdrop & low) * keep;
        if constexpr (is_number) {
            const Bytes high_bytes = odd + (backdrop >> 8 & low) * keep;
            return ((low_bytes + (low_bytes >> 8 & low)) >> 8 & low) |
                   ((high_bytes + (high_bytes >> 8 & low)) & ~low);
        } else {
            const Bytes high_bytes = odd + (backdrop >> 8) * keep;
            return (low_bytes + (low_bytes >> 8)) >> 8 | ((high_bytes + (high_bytes >> 8)) & 0xFF00);
        }
    }

  private:
    static constexpr bool is_number = std::is_integral_v<Bytes>;
    /// Numbers of 16 bits that are all the same.
    static constexpr auto each(std::uint64_t number) {
        if constexpr (is_number)
            return static_cast<Bytes>(number * 0x0001000100010001);
        else
            return static_cast<std::uint16_t>(number);
    }
    static constexpr auto low = each(255);
    static constexpr auto half = each(128);
};

/// Pixels of which some are not opaque, one by one.
/// @param count in bytes
[[gnu::noinline]] void mix_singly(const Colour& colour, std::byte* at, std::size_t count, const Codec& codec);

} // namespace coldbrick::paint
