/// @file
/// Runs of pixels mixed with one see-through colour.
#pragma once

#include "paint/pixel_codec.hpp"
#include "paint/pixel_pattern.hpp"

#include <coldbrick/colour.hpp>

#include <array>
#include <cstddef>
#include <cstdint>

namespace coldbrick::paint {

/// Mixes a colour with alpha 1..254 over runs of pixels.
class Mixer {
  public:
    /// @param pattern the pixels of the colour made opaque.
    Mixer(const Colour& colour, const PixelPattern& pattern, const Codec& codec);

    /// Mixes over the whole pixels in [begin, begin + count), count in bytes.
    void mix(std::byte* begin, std::size_t count) const;

  private:
    void mix_opaque(std::byte* at, std::size_t count) const;
    void mix_alpha(std::byte* at, std::size_t count) const;

    Colour colour_;
    Codec codec_;
    /// Each byte of the pattern times the colour's alpha: the source's share of a mixture.
    std::array<std::uint16_t, PixelPattern::period> weighted_;
};

} // namespace coldbrick::paint
