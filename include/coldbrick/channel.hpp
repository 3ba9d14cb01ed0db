/// @file
/// Single channels of pixels.
#pragma once

#include <bit>     // four channels compared at once
#include <cstdint> // the enumeration's underlying type

namespace [[gnu::visibility("default")]] coldbrick {

/// A channel of a pixel.
enum class Channel : std::uint8_t { red, green, blue, alpha, gray };

/// The channels that painting may change. Gray may change if red, green or blue may.
struct ChannelMask {
    bool red = true;
    bool green = true;
    bool blue = true;
    bool alpha = true;

    /// True if painting may change all of them.
    [[nodiscard]] constexpr bool all() const { // one comparison: every draw call asks
        return std::bit_cast<std::uint32_t>(*this) == std::bit_cast<std::uint32_t>(ChannelMask{});
    }

    friend constexpr bool operator==(const ChannelMask&, const ChannelMask&) = default;
};

} // namespace coldbrick
