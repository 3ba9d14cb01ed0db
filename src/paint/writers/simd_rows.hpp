/// @file
/// Rows of pixels with channels of 8 bits, worked several at a time.
#pragma once

#include "paint/formats/pixel_codec.hpp"

#include <coldbrick/colour.hpp>

#include <array>
#include <cstddef>
#include <cstdint>
#include <span>

namespace coldbrick::paint {

/// True if red, green and blue of the format are bytes, so that the functions below work on it.
bool has_byte_colours(const PixelLayout& layout);

/// Copies pixels from one such format to another, whose rows have no gaps.
class Shuffle {
  public:
    Shuffle(const PixelLayout& from, const PixelLayout& to);

    void row(const std::byte* from, std::byte* to, std::size_t pixels) const;

  private:
    std::size_t from_bytes_;
    std::size_t to_bytes_;
    std::array<std::uint8_t, 16> order_{};  ///< where each byte of four pixels comes from, 128 if it is 255
    std::array<std::uint8_t, 16> opaque_{}; ///< 255 for those
};

/// Composites colours source-over with the pixels of a row, in such a format, without gaps.
void composite_over_row(std::span<const Colour> colours, std::byte* pixels, const Codec& codec);

} // namespace coldbrick::paint
