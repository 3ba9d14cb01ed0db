/// @file
/// Colours written as text: hexadecimal digits, functions and CSS names.
#pragma once

#include <coldbrick/colour.hpp>

#include <optional>    // a name may not be a colour's
#include <string>      // hex() returns text
#include <string_view> // colours are read from text
#include <vector>      // of names

namespace [[gnu::visibility("default")]] coldbrick {

/// The colour of a text: `#` and 3, 4, 6 or 8 hexadecimal digits (red, green, blue and perhaps alpha);
/// `rgb(RED, GREEN, BLUE)` with numbers of 0..255 or percentages, `hsl(DEGREES, SATURATION, LIGHTNESS)` with
/// percentages, both perhaps with an alpha of 0..1 or a percentage as a fourth number, and `rgba` and `hsla`
/// for the same; or a CSS colour name in any case; `transparent` is black with alpha 0. The names and
/// notations are those of the W3C recommendation CSS Color Module Level 4.
/// @throws ArgumentError if the text is none of them or a number is outside its range.
[[nodiscard]] Colour colour(std::string_view text);

/// The colour with this CSS name in any case, if there is one.
[[nodiscard]] std::optional<Colour> css_colour(std::string_view name);

/// The names that css_colour() knows, in alphabetical order.
[[nodiscard]] std::vector<std::string_view> css_colour_names();

/// The colour as `#rrggbb`, or `#rrggbbaa` where alpha is below 255. colour() reads it back.
[[nodiscard]] std::string hex(const Colour& colour);

} // namespace coldbrick
