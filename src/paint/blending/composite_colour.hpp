/// @file
/// One colour and what is there make a new one.
#pragma once

#include "paint/formats/channel_depth.hpp"

#include <coldbrick/blend.hpp>

#include <concepts>
#include <cstdint>
#include <type_traits>

namespace coldbrick::paint {

/// round(value / 255), halves up, for value in 0..65535. Blinn, "Three Wrongs Make a Right",
/// IEEE Computer Graphics and Applications 15(6), 1995.
constexpr std::uint32_t divide_by_255(std::uint32_t value) {
    const std::uint32_t biased = value + 128;
    return (biased + (biased >> 8)) >> 8;
}

/// The colour with its alpha multiplied by opacity / 255, rounded, halves up.
template <class C>
constexpr C with_opacity(C colour, std::uint8_t opacity) {
    if (opacity == 255) return colour;
    if constexpr (std::same_as<C, RealColour>)
        colour.alpha = colour.alpha * opacity / 255;
    else
        colour.alpha =
            static_cast<typename ChannelDepth<C>::Value>((2U * colour.alpha * opacity + 255) / 510);
    return colour;
}

/// `source` with its alpha over `backdrop`, straight alpha: the formula of source-over in the W3C
/// recommendation Compositing and Blending Level 1, section 9.1.4, in integers, rounded once at the end.
template <class C>
constexpr C source_over(const C& source, const C& backdrop) {
    using Wide =
        std::conditional_t<std::same_as<C, Colour>, std::uint32_t, std::uint64_t>; // for two products
    constexpr Wide most = ChannelDepth<C>::most;
    const Wide source_weight = most * source.alpha;
    const Wide backdrop_weight = backdrop.alpha * (most - source.alpha);
    const Wide weight = source_weight + backdrop_weight; // `most` times the resulting alpha
    if (weight == 0) return backdrop;
    const auto mix = [&](Wide over, Wide under) {
        return static_cast<typename ChannelDepth<C>::Value>(
            (2 * (over * source_weight + under * backdrop_weight) + weight) / (2 * weight));
    };
    C result = backdrop;
    result.red = mix(source.red, backdrop.red);
    result.green = mix(source.green, backdrop.green);
    result.blue = mix(source.blue, backdrop.blue);
    result.alpha = static_cast<typename ChannelDepth<C>::Value>((2 * weight + most) / (2 * most));
    return result;
}

/// What a pixel becomes: 0 in all channels where its alpha is 0.
template <class C>
constexpr C settled(const C& colour) {
    return colour.alpha == 0 ? C{0, 0, 0, 0} : colour;
}

/// Any mode in real numbers.
RealColour composite(BlendMode mode, const RealColour& source, const RealColour& backdrop);

constexpr bool is_for_bits(BlendMode mode) {
    return mode == BlendMode::bits_and || mode == BlendMode::bits_or || mode == BlendMode::bits_xor;
}

/// True of the modes that change the numbers of channels and leave alpha.
constexpr bool only_changes_numbers(BlendMode mode) {
    return is_for_bits(mode) || mode == BlendMode::invert;
}

/// True if a source that is wholly see-through changes what is there.
constexpr bool erases(BlendMode mode) {
    switch (mode) {
    case BlendMode::copy:
    case BlendMode::clear:
    case BlendMode::source_in:
    case BlendMode::destination_in:
    case BlendMode::source_out:
    case BlendMode::destination_atop: return true;
    default: return false;
    }
}

/// Any mode, in integers where that is exact, and otherwise rounded once from real numbers, halves up.
Colour composite(BlendMode mode, const Colour& source, const Colour& backdrop);
Colour16 composite(BlendMode mode, const Colour16& source, const Colour16& backdrop);

/// The same in the numbers that the blending asks for, and where the paint covers only part of the pixel:
/// `coverage` 255 is all of it, 0 none. In most modes it multiplies the source's alpha first, rounded; where
/// the backdrop would vanish without a source, the result and the backdrop are mixed instead, by their
/// alphas; what only changes numbers changes those of pixels that are covered by half and more.
Colour composite(const Blending& blending, const Colour& source, const Colour& backdrop,
                 std::uint8_t coverage);
Colour16 composite(const Blending& blending, const Colour16& source, const Colour16& backdrop,
                   std::uint8_t coverage);
RealColour composite(const Blending& blending, const RealColour& source, const RealColour& backdrop,
                     std::uint8_t coverage);

} // namespace coldbrick::paint
