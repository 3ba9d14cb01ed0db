/// @file
/// Colours of more than 8 bits a channel.
#pragma once

#include <coldbrick/colour.hpp>

#include <cstdint> // channels of 16 bits

namespace [[gnu::visibility("default")]] coldbrick {

/// Red, green, blue and alpha of 16 bits each; alpha 65535 is opaque.
struct Colour16 {
    std::uint16_t red = 0;
    std::uint16_t green = 0;
    std::uint16_t blue = 0;
    std::uint16_t alpha = 65535;

    friend constexpr bool operator==(const Colour16&, const Colour16&) = default;
};

/// Red, green, blue and alpha as real numbers, 0..1; alpha 1 is opaque.
struct RealColour {
    double red = 0;
    double green = 0;
    double blue = 0;
    double alpha = 1;

    friend constexpr bool operator==(const RealColour&, const RealColour&) = default;
};

// From one depth to another: each channel in proportion, rounded to the nearest, halves up.

/// The colour in 8 bits a channel.
/// @throws ArgumentError if a channel of a RealColour is not a number in 0..1; likewise below.
[[nodiscard]] Colour colour(const Colour16& deep);
[[nodiscard]] Colour colour(const RealColour& real);

/// The colour in 16 bits a channel.
[[nodiscard]] Colour16 colour16(const Colour& colour);
[[nodiscard]] Colour16 colour16(const RealColour& real);

/// The colour in real numbers.
[[nodiscard]] RealColour real_colour(const Colour& colour);
[[nodiscard]] RealColour real_colour(const Colour16& deep);

} // namespace coldbrick
