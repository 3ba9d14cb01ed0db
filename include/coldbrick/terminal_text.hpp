/// @file
/// Images as text for a terminal.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/image_view.hpp>

#include <cstdint> // the enumeration's underlying type
#include <string>  // the text

namespace [[gnu::visibility("default")]] coldbrick {

/// How many colours a terminal shows.
enum class TerminalColours : std::uint8_t {
    none,    ///< shades of one colour
    sixteen, ///< those of ECMA-48, with their bright ones
    many,    ///< 256: a cube of 6 x 6 x 6 and 24 greys, as xterm has them
    all      ///< 24 bits
};

/// An image in the characters of a terminal, each of which shows two pixels, one above the other: as the
/// upper half block in two colours (ECMA-48, select graphic rendition), or as a shade of their mean
/// luminance. Each row ends with a line feed and, where there are colours, with the terminal's own ones.
/// Colours are the nearest ones.
/// @param ground what see-through pixels are laid on
/// @throws ArgumentError if a pixel's number is beyond the palette.
[[nodiscard]] std::string terminal_text(const ConstImageView& image, TerminalColours colours,
                                        const Colour& ground = {0, 0, 0});

/// Two blanks on a ground of this colour, as a swatch; nothing where there are no colours.
[[nodiscard]] std::string terminal_swatch(const Colour& colour, TerminalColours colours);

} // namespace coldbrick
