/// @file
/// What shapes are painted with: a colour, or colours that differ from pixel to pixel.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/deep_colour.hpp>
#include <coldbrick/point.hpp>

#include <array>    // rows of a stipple
#include <concepts> // the kinds of patterns
#include <cstdint>  // bits of a stipple
#include <memory>   // patterns are shared
#include <variant>  // the kinds of patterns
#include <vector>   // stops and pixels

namespace coldbrick {

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

using Pattern = std::variant<Colour16, RealColour, LinearGradient, RadialGradient, Hatch, Stipple, Texture>;

/// A colour or a pattern. Copying it copies no pattern.
class Paint {
  public:
    /// Opaque black.
    constexpr Paint() = default;

    /// One colour everywhere.
    constexpr Paint(const Colour& colour) : colour_(colour) {}

    /// A pattern, or one of its kinds.
    /// @throws ArgumentError if a value is outside its range: no stops, stops out of order or outside 0..1,
    /// a gradient from a point to itself, a radius, spacing or width below 1, a texture without pixels, a
    /// channel outside 0..1.
    Paint(Pattern pattern);
    template <class Kind>
    requires(!std::same_as<Kind, Pattern> && !std::same_as<Kind, Paint> &&
             !std::convertible_to<Kind, Colour> && std::convertible_to<Kind, Pattern>) Paint(const Kind& kind)
        : Paint(Pattern(kind)) {}

    /// The pattern, or null if the paint is one colour of 8 bits a channel.
    [[nodiscard]] const Pattern* pattern() const { return pattern_.get(); }

    /// The colour if there is no pattern.
    [[nodiscard]] const Colour& plain_colour() const { return colour_; }

    friend bool operator==(const Paint& a, const Paint& b) {
        return a.colour_ == b.colour_ &&
               (a.pattern_ && b.pattern_ ? *a.pattern_ == *b.pattern_ : a.pattern_ == b.pattern_);
    }

  private:
    Colour colour_;
    std::shared_ptr<const Pattern> pattern_;
};

} // namespace coldbrick
