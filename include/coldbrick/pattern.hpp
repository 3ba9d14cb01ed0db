/// @file
/// Colours that differ from pixel to pixel: gradients, hatches, stipples and textures.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/deep_colour.hpp>
#include <coldbrick/point.hpp>

#include <array>   // rows of a stipple
#include <cstdint> // bits of a stipple
#include <variant> // the kinds of patterns
#include <vector>  // stops and pixels

namespace [[gnu::visibility("default")]] coldbrick {

/// What a pattern's coordinates are counted from.
enum class PatternOrigin : std::uint8_t {
    image, ///< pixel (0, 0) of the image: patterns of neighbouring shapes join
    shape, ///< the top-left pixel of the shape's bounds: the pattern moves along with the shape
};

/// A colour at a place of a gradient, 0 at its beginning and 1 at its end.
struct ColourStop {
    double place;
    Colour colour;

    friend constexpr bool operator==(const ColourStop&, const ColourStop&) = default;
};

/// Colours along a line: each pixel has the place where the perpendicular through its centre meets the line
/// from `from` to `to`. Between stops red, green, blue and alpha change in proportion; before the first and
/// after the last stop they stay.
struct LinearGradient {
    Point from;
    Point to;                      ///< another point than `from`
    std::vector<ColourStop> stops; ///< one or more, their places in 0..1 and in order
    PatternOrigin origin = PatternOrigin::image;

    friend bool operator==(const LinearGradient&, const LinearGradient&) = default;
};

/// Colours around a point: each pixel has the place of its centre's distance from the centre, in radii.
struct RadialGradient {
    Point centre;
    std::int32_t radius;           ///< in pixels, 1..2147483647
    std::vector<ColourStop> stops; ///< as of a LinearGradient
    PatternOrigin origin = PatternOrigin::image;

    friend bool operator==(const RadialGradient&, const RadialGradient&) = default;
};

/// Parallel lines, or lines in two directions.
struct Hatch {
    enum class Direction : std::uint8_t {
        level,
        upright,
        rising,  ///< by 45 degrees to the right and up
        falling, ///< by 45 degrees to the right and down
        grid,    ///< level and upright
        lattice, ///< rising and falling
    };

    Direction direction = Direction::rising;
    std::int32_t spacing = 8; ///< from line to line along rows and columns, in pixels, 1..2147483647
    std::int32_t width = 1;   ///< of a line, likewise, 1..2147483647
    Colour colour;
    Colour ground = {0, 0, 0, 0};
    PatternOrigin origin = PatternOrigin::image;

    friend bool operator==(const Hatch&, const Hatch&) = default;
};

/// 8 x 8 pixels of two colours, repeated.
struct Stipple {
    std::array<std::uint8_t, 8> rows; ///< from the top; the highest bit is the leftmost pixel
    Colour colour;                    ///< of set bits
    Colour ground = {0, 0, 0, 0};
    PatternOrigin origin = PatternOrigin::image;

    friend bool operator==(const Stipple&, const Stipple&) = default;
};

/// An image repeated in both directions; texture() makes one.
struct Texture {
    Size size;
    std::vector<Colour16> pixels; ///< row by row
    PatternOrigin origin = PatternOrigin::image;

    friend bool operator==(const Texture&, const Texture&) = default;
};

/// Colours that differ from pixel to pixel.
using Pattern = std::variant<LinearGradient, RadialGradient, Hatch, Stipple, Texture>;

} // namespace coldbrick
