/// @file
/// Colours by hue, and what can be made of colours.
#pragma once

#include <coldbrick/angle.hpp>
#include <coldbrick/colour.hpp>

#include <cstddef> // numbers of colours
#include <cstdint> // seeds
#include <vector>  // series of colours

namespace coldbrick {

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

/// Between two colours: `share` 0 is the first, 1 the second; each channel in proportion, rounded.
/// @throws ArgumentError if the share is not in 0..1; likewise below.
[[nodiscard]] Colour mix(const Colour& first, const Colour& second, double share = 0.5);

/// The colour on its way to white (lighter) or black (darker), alpha kept: at 0 as it is, at 1 there.
[[nodiscard]] Colour lighter(const Colour& colour, double share);
[[nodiscard]] Colour darker(const Colour& colour, double share);

/// The relative luminance, 0 (black) to 1 (white), whatever the alpha, as the W3C recommendation Web Content
/// Accessibility Guidelines 2.2 defines it.
[[nodiscard]] double luminance(const Colour& colour);

/// The contrast ratio of the same recommendation, 1 (none) to 21 (black and white).
[[nodiscard]] double contrast(const Colour& a, const Colour& b);

/// A source of random opaque colours: the same seed gives the same colours, on every machine. The numbers are
/// those of SplitMix64 (Steele, Lea, Flood, "Fast Splittable Pseudorandom Number Generators", OOPSLA 2014).
class RandomColours {
  public:
    explicit constexpr RandomColours(std::uint64_t seed) : state_(seed) {}

    /// The next colour; all 2^24 are as likely.
    [[nodiscard]] Colour next();

  private:
    std::uint64_t state_;
};

/// Colours for `count` classes: hues evenly around the circle, in two lightnesses in turns from 7 on. The
/// seed turns the circle.
/// @param count 1..256
/// @throws ArgumentError outside that range.
[[nodiscard]] std::vector<Colour> distinct_colours(std::size_t count, std::uint64_t seed = 0);

} // namespace coldbrick
