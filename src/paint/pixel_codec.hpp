/// @file
/// One pixel's bytes from a colour, and back.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/pixel_format.hpp>

#include <cstddef>

namespace coldbrick::paint {

/// The brightness of a colour: the Rec. 709 weights 0.2126, 0.7152 and 0.0722 on the sRGB values (ITU-R
/// BT.709-6, section 3), rounded to the nearest, halves up.
constexpr std::uint8_t gray_of(const Colour& colour) {
    const int weighted = 2126 * colour.red + 7152 * colour.green + 722 * colour.blue;
    return static_cast<std::uint8_t>((weighted + 5000) / 10000);
}

/// Writes the colour as one pixel of layout.bytes bytes. Alpha is left out where the layout has none.
inline void encode(const Colour& colour, const PixelLayout& layout, std::byte* pixel) {
    const auto put = [pixel](std::int8_t offset, std::uint8_t value) {
        if (offset != PixelLayout::none)
            pixel[offset] = std::byte{value};
    };
    put(layout.red, colour.red);
    put(layout.green, colour.green);
    put(layout.blue, colour.blue);
    put(layout.alpha, colour.alpha);
    if (layout.is_gray())
        put(layout.gray, gray_of(colour));
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
