/// @file
/// One pixel's bytes from a colour, and back.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/pixel_format.hpp>

#include <bit>
#include <cstddef>
#include <cstdint>

namespace coldbrick::paint {

/// The brightness of a colour: the Rec. 709 weights 0.2126, 0.7152 and 0.0722 on the sRGB values (ITU-R
/// BT.709-6, section 3), rounded to the nearest, halves up.
constexpr std::uint8_t gray_of(const Colour& colour) {
    const int weighted = 2126 * colour.red + 7152 * colour.green + 722 * colour.blue;
    return static_cast<std::uint8_t>((weighted + 5000) / 10000);
}

static_assert(std::endian::native == std::endian::little, "pixels are put together as little-endian words");

/// The bytes of one pixel of up to 8 bytes, its first byte lowest. Alpha is left out where the layout has
/// none.
inline std::uint64_t encode(const Colour& colour, const PixelLayout& layout) {
    const auto at = [](std::int8_t offset, std::uint64_t value) {
        return offset == PixelLayout::none ? 0 : value << (8 * offset);
    };
    if (layout.is_gray()) return at(layout.gray, gray_of(colour)) | at(layout.alpha, colour.alpha);
    return at(layout.red, colour.red) | at(layout.green, colour.green) | at(layout.blue, colour.blue) |
           at(layout.alpha, colour.alpha);
}

/// Writes the colour as one pixel of layout.bytes bytes.
inline void encode(const Colour& colour, const PixelLayout& layout, std::byte* pixel) {
    const std::uint64_t word = encode(colour, layout);
    for (std::int8_t i = 0; i < layout.bytes; ++i) pixel[i] = static_cast<std::byte>(word >> (8 * i));
}

/// Reads one pixel. Gray gives equal red, green and blue; a layout without alpha is opaque.
inline Colour decode(const PixelLayout& layout, const std::byte* pixel) {
    const auto get = [pixel](std::int8_t offset, int otherwise) {
        return offset == PixelLayout::none ? otherwise : std::to_integer<int>(pixel[offset]);
    };
    if (layout.is_gray()) {
        const int gray = get(layout.gray, 0);
        return {gray, gray, gray, get(layout.alpha, 255)};
    }
    return {get(layout.red, 0), get(layout.green, 0), get(layout.blue, 0), get(layout.alpha, 255)};
}

} // namespace coldbrick::paint
