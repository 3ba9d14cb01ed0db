/// @file
/// Colours by hue.
#pragma once

#include <coldbrick/angle.hpp>
#include <coldbrick/colour.hpp>

#include <cstdint> // alpha of 8 bits

namespace [[gnu::visibility("default")]] coldbrick {

/// Hue, saturation and lightness of a colour; alpha as in Colour.
struct Hsl {
    Angle hue;             ///< red at 0, green at 120, blue at 240 degrees
    double saturation = 0; ///< 0..1; 0 is gray
    double lightness = 0;  ///< 0..1; 0 is black, 1 is white
    std::uint8_t alpha = 255;
};

/// Hue, saturation and value of a colour; alpha as in Colour.
struct Hsv {
    Angle hue;             ///< red at 0, green at 120, blue at 240 degrees
    double saturation = 0; ///< 0..1; 0 is gray
    double value = 0;      ///< 0..1, of the largest channel; 0 is black
    std::uint8_t alpha = 255;
};

/// The nearest colour. The formulas are those of Smith, "Color Gamut Transform Pairs", Computer Graphics
/// 12(3), 1978, and of the W3C recommendation CSS Color Module Level 4, section 7.
/// @throws ArgumentError if saturation, lightness or value are outside 0..1, or the hue is not finite.
[[nodiscard]] Colour colour(const Hsl& hsl);
[[nodiscard]] Colour colour(const Hsv& hsv);

/// The colour's hue, 0 to 360 degrees, and the rest; colour() gives the same colour back. A gray's hue is 0.
[[nodiscard]] Hsl hsl(const Colour& colour);
[[nodiscard]] Hsv hsv(const Colour& colour);

} // namespace coldbrick
