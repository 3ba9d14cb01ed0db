/// @file
/// All channels of a colour of real numbers at once.
#pragma once

#include "paint/formats/channel_depth.hpp"

#include <array>
#include <bit>
#include <concepts>
#include <cstddef>
#include <cstdint>

// Functions that are all inlined have no binary interface that registers could change.
#pragma GCC diagnostic ignored "-Wpsabi"

namespace coldbrick::paint {

using Reals [[gnu::vector_size(32)]] = double;               ///< red, green, blue, alpha
using ChoiceOfReals [[gnu::vector_size(32)]] = std::int64_t; ///< all ones where something is true

[[gnu::always_inline]] inline Reals reals(const RealColour& colour) {
    return Reals{colour.red, colour.green, colour.blue, colour.alpha};
}
/// What to_depth<RealColour>() makes of colours of 8 or 16 bits: of bytes from a table, which is quicker than
/// a division.
inline constexpr auto bytes_as_reals = [] {
    std::array<double, 256> result{};
    for (std::size_t i = 0; i < result.size(); ++i) result[i] = static_cast<double>(i) / 255;
    return result;
}();
[[gnu::always_inline]] inline Reals reals(const Colour& colour) {
    return Reals{bytes_as_reals[colour.red], bytes_as_reals[colour.green], bytes_as_reals[colour.blue],
                 bytes_as_reals[colour.alpha]};
}
[[gnu::always_inline]] inline Reals reals(const Colour16& colour) {
    using Numbers [[gnu::vector_size(16)]] = std::int32_t;
    using Channels [[gnu::vector_size(8)]] = std::uint16_t;
    const auto numbers = __builtin_convertvector(std::bit_cast<Channels>(colour), Numbers);
    return __builtin_convertvector(numbers, Reals) / 65535.0;
}
[[gnu::always_inline]] inline Reals four_times(double value) {
    return Reals{value, value, value, value};
}

/// @tparam Choice what comparisons of Reals make, which differs from compiler to compiler
template <class Choice>
[[gnu::always_inline]] inline Reals chosen(const Choice& choice, const Reals& one, const Reals& other) {
    return choice ? one : other;
}

/// Cut to 0..1; what is not a number is 0.
[[gnu::always_inline]] inline Reals in_range(const Reals& value) {
    return chosen(value >= four_times(1), four_times(1), chosen(value > four_times(0), value, four_times(0)));
}

/// What to_depth() makes of them, which are in 0..1.
template <class C>
[[gnu::always_inline]] inline C to_depth_of(const Reals& value) {
    if constexpr (std::same_as<C, RealColour>) {
        return {value[0], value[1], value[2], value[3]};
    } else {
        using Numbers [[gnu::vector_size(16)]] = std::int32_t;
        using Channels [[gnu::vector_size(sizeof(C))]] = typename ChannelDepth<C>::Value;
        const Reals scaled = value * static_cast<double>(ChannelDepth<C>::most) + (0.5 + near_half);
        const auto channels = __builtin_convertvector(__builtin_convertvector(scaled, Numbers), Channels);
        return std::bit_cast<C>(channels);
    }
}

} // namespace coldbrick::paint
