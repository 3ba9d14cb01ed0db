/// @file
/// Colours, by numbers, hexadecimal digits and CSS names.
#pragma once

#include <cstdint>     // channels of 8 bits
#include <optional>    // a name may not be a colour's
#include <string>      // hex() returns text
#include <string_view> // colours are read from text

namespace coldbrick {

/// Throws ArgumentError: CHANNEL VALUE is outside 0..255.
[[noreturn]] void throw_channel_out_of_range(const char* channel, int value);

/// Red, green, blue and alpha of 8 bits each, always in this order; a buffer knows the order of its own
/// bytes. Alpha is opacity: 0 is wholly see-through, 255 is opaque. The colours are not premultiplied by it.
struct Colour {
    std::uint8_t red = 0;
    std::uint8_t green = 0;
    std::uint8_t blue = 0;
    std::uint8_t alpha = 255;

    /// Opaque black.
    constexpr Colour() = default;

    /// @param red_value,green_value,blue_value,alpha_value 0..255 each.
    /// @throws ArgumentError outside that range.
    constexpr Colour(int red_value, int green_value, int blue_value, int alpha_value = 255)
        : red(channel("red", red_value)), green(channel("green", green_value)),
          blue(channel("blue", blue_value)), alpha(channel("alpha", alpha_value)) {}

    friend constexpr bool operator==(const Colour&, const Colour&) = default;

  private:
    static constexpr std::uint8_t channel(const char* name, int value) {
        if (value < 0 || value > 255) throw_channel_out_of_range(name, value);
        return static_cast<std::uint8_t>(value);
    }
};

/// The colour of a text: `#` and 3, 4, 6 or 8 hexadecimal digits (red, green, blue and perhaps alpha);
/// `rgb(RED, GREEN, BLUE)` with numbers of 0..255 or percentages, `hsl(DEGREES, SATURATION, LIGHTNESS)` with
/// percentages, both perhaps with an alpha of 0..1 or a percentage as a fourth number, and `rgba` and `hsla`
/// for the same; or a CSS colour name in any case; `transparent` is black with alpha 0. The names and
/// notations are those of the W3C recommendation CSS Color Module Level 4.
/// @throws ArgumentError if the text is none of them or a number is outside its range.
[[nodiscard]] Colour colour(std::string_view text);

/// The colour with this CSS name in any case, if there is one.
[[nodiscard]] std::optional<Colour> css_colour(std::string_view name);

/// The colour as `#rrggbb`, or `#rrggbbaa` where alpha is below 255. colour() reads it back.
[[nodiscard]] std::string hex(const Colour& colour);

} // namespace coldbrick
