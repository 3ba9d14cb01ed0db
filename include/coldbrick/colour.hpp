/// @file
/// Colours of 8 bits a channel.
#pragma once

#include <cstdint>     // channels of 8 bits
#include <iosfwd>      // colours are printed
#include <type_traits> // shares are no channels

namespace [[gnu::visibility("default")]] coldbrick {

namespace detail {
/// Throws ArgumentError: colour channel CHANNEL VALUE is outside 0..255.
[[noreturn]] void throw_channel_out_of_range(const char* channel, int value);
} // namespace detail

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

    /// Shares of 0 to 1 are refused when compiling, rather than cut to whole numbers.
    template <class Red, class Green, class Blue, class... Alpha>
    requires(std::is_floating_point_v<Red> || std::is_floating_point_v<Green> ||
             std::is_floating_point_v<Blue> ||
             (std::is_floating_point_v<Alpha> || ...)) constexpr Colour(Red, Green, Blue, Alpha...) {
        static_assert(sizeof(Red) == 0, "a Colour has channels of 0..255, a RealColour those of 0..1");
    }

    friend constexpr bool operator==(const Colour&, const Colour&) = default;

  private:
    static constexpr std::uint8_t channel(const char* name, int value) {
        if (value < 0 || value > 255) detail::throw_channel_out_of_range(name, value);
        return static_cast<std::uint8_t>(value);
    }
};

/// Prints #rrggbb, or #rrggbbaa if the colour is not opaque.
std::ostream& operator<<(std::ostream& out, const Colour& colour);

} // namespace coldbrick
