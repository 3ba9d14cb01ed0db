/// @file
/// How a paint and what is there already make a new colour.
#pragma once

#include <cstdint> // the enumeration's underlying type

namespace [[gnu::visibility("default")]] coldbrick {

/// The operators and blend modes of the W3C recommendation Compositing and Blending Level 1, sections 9.1 and
/// 10, with the paint as the source; then some for marking. Only a shape's own pixels change. Where a format
/// has no alpha, what is there is opaque, and of the result the colour stays. Onto gray, the paint's own gray
/// counts.
enum class BlendMode : std::uint8_t {
    source_over, ///< the paint as a film over what is there
    copy,        ///< the paint, alpha included
    clear,       ///< see-through black
    destination_over,
    source_in,
    destination_in,
    source_out,
    destination_out,
    source_atop,
    destination_atop,
    exclusive_or, ///< Porter's and Duff's xor
    lighter,      ///< their sum

    // These mix colours, then lay the mixture over what is there.
    multiply,
    screen,
    overlay,
    darken,
    lighten,
    colour_dodge,
    colour_burn,
    hard_light,
    soft_light,
    difference,
    exclusion,
    hue,
    saturation,
    colour,
    luminosity,

    // These change the numbers of red, green and blue, or gray, wherever the paint is not wholly see-through;
    // alpha stays.
    invert,   ///< the largest number minus what is there, whatever the paint's colour
    bits_and, ///< bit by bit; these three not in formats of floats
    bits_or,
    bits_xor, ///< painted twice, what was there is back
};

/// In which numbers colours are mixed.
enum class BlendSpace : std::uint8_t {
    encoded, ///< as they are stored
    linear,  ///< in linear light, so that thin strokes and smooth edges weigh the same on dark and on light:
             ///< channels are taken for sRGB. `invert` and the bit modes change the stored numbers
             ///< nevertheless
};

/// The blend mode, and how opaque the paint is.
struct Blending {
    BlendMode mode = BlendMode::source_over;
    std::uint8_t opacity = 255; ///< multiplies the paint's alpha: 0 is wholly see-through, 255 leaves it
    BlendSpace space = BlendSpace::encoded;

    friend constexpr bool operator==(const Blending&, const Blending&) = default;
};

} // namespace coldbrick
