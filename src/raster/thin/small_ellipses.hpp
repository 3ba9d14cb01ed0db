/// @file
/// The outlines of small upright ellipses, worked out when compiling.
#pragma once

#include <array>
#include <cstddef>
#include <cstdint>
#include <span>

namespace coldbrick::raster {

/// The semi-axes, in half pixels, of ellipses that the table has.
constexpr std::int64_t smallest_tabled_axis = 2;
constexpr std::int64_t largest_tabled_axis = 16;

/// A pixel of the upper left quarter, from the top left corner of the ellipse's box.
struct QuarterPixel {
    std::uint8_t x;
    std::uint8_t y;
};

/// The quarter's pixels, of which some may be there twice. The others are their reflections.
struct QuarterOutline {
    std::array<QuarterPixel, 20> pixels{};
    std::uint8_t count = 0;
};

constexpr std::size_t tabled_axes = largest_tabled_axis - smallest_tabled_axis + 1;
extern const std::array<std::array<QuarterOutline, tabled_axes>, tabled_axes> small_ellipses;

/// @param a,b the semi-axes in half pixels, each smallest_tabled_axis..largest_tabled_axis
inline std::span<const QuarterPixel> small_ellipse(std::int64_t a, std::int64_t b) {
    const QuarterOutline& tabled = small_ellipses[static_cast<std::size_t>(a - smallest_tabled_axis)]
                                                 [static_cast<std::size_t>(b - smallest_tabled_axis)];
    return {tabled.pixels.data(), tabled.count};
}

} // namespace coldbrick::raster
