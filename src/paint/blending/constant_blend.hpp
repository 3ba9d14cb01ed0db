/// @file
/// Runs of pixels mixed with one see-through colour.
#pragma once

#include "paint/blending/mixed_bytes.hpp"
#include "paint/formats/pixel_codec.hpp"
#include "paint/writers/repeated_pixel.hpp"

#include <coldbrick/colour.hpp>

#include <array>
#include <cstddef>
#include <cstdint>

namespace coldbrick::paint {

/// Mixes a colour with alpha 1..254 over runs of pixels with channels of 8 bits.
class ConstantBlend {
  public:
    /// @param pattern the pixels of the colour made opaque.
    ConstantBlend(const Colour& colour, const RepeatedPixel& pattern, const Codec& codec);

    /// Mixes over the whole pixels in [begin, begin + count), count in bytes.
    void mix(std::byte* begin, std::size_t count) const;

  private:
    using Lanes [[gnu::vector_size(32)]] = std::uint16_t;
    using Words [[gnu::vector_size(32)]] = std::uint64_t;
    /// A vector at any address; a copy of its bytes would go through memory.
    struct [[gnu::packed, gnu::may_alias]] Anywhere {
        Lanes lanes;
    };
    static constexpr std::size_t lanes_bytes = sizeof(Lanes);
    static constexpr std::size_t parts = 3;
    static constexpr std::size_t block_bytes = parts * lanes_bytes; ///< whole pixels of every size
    static_assert(block_bytes == 2 * RepeatedPixel::period);

    /// What a block is mixed with.
    struct Shares {
        std::array<ByteShare<Lanes>, parts> parts_of_block;
        Lanes keep;
        Lanes alpha; ///< all bits of the bytes that are alphas
    };

    void mix_wide(std::byte* at, std::size_t count) const;
    void mix_narrow(std::byte* at, std::size_t count) const;
    [[gnu::always_inline]] inline void mix_run(std::byte* at, std::size_t count) const;
    template <std::size_t Part>
    [[gnu::always_inline]] inline void mix_rest(std::byte* at, std::size_t count, const Shares& shares) const;
    template <std::size_t First, std::size_t Count>
    [[gnu::always_inline]] inline void mix_parts(std::byte* at, const Shares& shares) const;

    Colour colour_;
    Codec codec_;
    Shares shares_{};
};

} // namespace coldbrick::paint
