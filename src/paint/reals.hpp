/// @file
/// All channels of a colour of real numbers at once.
#pragma once

#include "paint/channel_depth.hpp"

#include <bit>
#include <cstdint>

// Functions that are all inlined have no binary interface that registers could change.
#pragma GCC diagnostic ignored "-Wpsabi"

namespace coldbrick::paint {

using Reals [[gnu::vector_size(32)]] = double;               ///< red, green, blue, alpha
using ChoiceOfReals [[gnu::vector_size(32)]] = std::int64_t; ///< all ones where something is true

[[gnu::always_inline]] inline Reals reals(const RealColour& colour) {
    return Reals{colour.red, colour.green, colour.blue, colour.alpha};
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

/// What to_depth<Colour>() makes of them.
[[gnu::always_inline]] inline Colour to_bytes(const Reals& value) {
    using Numbers [[gnu::vector_size(16)]] = std::int32_t;
    using Bytes [[gnu::vector_size(4)]] = std::uint8_t;
    const Reals scaled = in_range(value) * 255 + (0.5 + near_half);
    const auto bytes = __builtin_convertvector(__builtin_convertvector(scaled, Numbers), Bytes);
    return std::bit_cast<Colour>(bytes);
}

} // namespace coldbrick::paint
