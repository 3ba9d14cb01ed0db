/// @file
/// Source-over blending of 8-bit channels, rounded once.
#pragma once

#include <coldbrick/colour.hpp>

#include <cstdint>

namespace coldbrick::paint {

/// round(value / 255), halves up, for value in 0..65535. Blinn, "Three Wrongs Make a Right",
/// IEEE Computer Graphics and Applications 15(6), 1995.
constexpr std::uint32_t divide_by_255(std::uint32_t value) {
    const std::uint32_t biased = value + 128;
    return (biased + (biased >> 8)) >> 8;
}

/// `source` with its alpha over `backdrop`, straight alpha: the formula of source-over in the W3C
/// recommendation Compositing and Blending Level 1, section 9.1.4, in integers, rounded once at the end.
constexpr Colour source_over(const Colour& source, const Colour& backdrop) {
    const int source_weight = 255 * source.alpha;
    const int backdrop_weight = backdrop.alpha * (255 - source.alpha);
    const int weight = source_weight + backdrop_weight; // 255 times the resulting alpha
    if (weight == 0) return backdrop;
    const auto mix = [&](int over, int under) {
        return (2 * (over * source_weight + under * backdrop_weight) + weight) / (2 * weight);
    };
    return {mix(source.red, backdrop.red), mix(source.green, backdrop.green), mix(source.blue, backdrop.blue),
            (2 * weight + 255) / 510};
}

} // namespace coldbrick::paint
