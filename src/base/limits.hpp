/// @file
/// The limits that shapes and styles are held to, and the proofs that what is worked out from them fits its
/// type. Algorithms with narrower limits of their own name and prove them where they use them.
#pragma once

#include "base/exact_arithmetic.hpp"

#include <cstdint>
#include <limits>

namespace coldbrick::base {

/// Coordinates, radii, image sizes and stroke widths have 32 bits.
constexpr std::int32_t first_coordinate = std::numeric_limits<std::int32_t>::min();
constexpr std::int32_t last_coordinate = std::numeric_limits<std::int32_t>::max();
constexpr std::int64_t end_coordinate = std::int64_t{last_coordinate} + 1;
constexpr std::int64_t coordinates = std::int64_t{1} << 32; ///< how many there are

/// A stroke outside an edge is cut from a centred one of this width.
constexpr std::int64_t widest_pen = 2 * std::int64_t{last_coordinate} + 1;
static_assert(widest_pen < coordinates);

/// The width and height of an ellipse's box; its semi-axes, in half pixels, are one less.
constexpr std::int64_t largest_ellipse = std::numeric_limits<std::uint32_t>::max();

/// Boxes reach further than any pixel, so that those that are worked out from others need no care.
constexpr std::int64_t furthest_box = std::int64_t{1} << 61;
constexpr std::int64_t largest_rounded_box = std::int64_t{1} << 60;

/// Further from any place than all pixels, but far from the end of 64 bits.
constexpr std::int64_t beyond_all_pixels = std::int64_t{1} << 40;

/// The steepest edges: the coefficients of half-planes, and what they are divided by row by row.
constexpr std::int64_t steepest_slope = std::int64_t{1} << 62;

constexpr Int128 int64_max = std::numeric_limits<std::int64_t>::max();
constexpr Uint128 uint128_max = ~Uint128{0};

// A box's far side, and its centre in half pixels: 2 x + width.
static_assert(3 * Int128{furthest_box} <= int64_max);
// A box grown by half of a pen's width, and by a rounded box's double size in half pixels.
static_assert(Int128{furthest_box} + widest_pen + 2 * Int128{largest_rounded_box} <= int64_max);
// What lies beyond all pixels is further than a shape's own reach and a pen's together, in half pixels, too.
static_assert(2 * (coordinates + largest_ellipse + widest_pen) < beyond_all_pixels);
// The square of a radius and of a pen's width.
static_assert(Int128{last_coordinate} * last_coordinate <= int64_max);
static_assert(Uint128{widest_pen} * widest_pen <= std::numeric_limits<std::uint64_t>::max());
// An ellipse's a^2 b^2 in half pixels, for the largest a and b.
static_assert(uint128_max / (Uint128{largest_ellipse} * largest_ellipse) >=
              Uint128{largest_ellipse} * largest_ellipse);
// A remainder of such a division and a step of it.
static_assert(2 * Int128{steepest_slope - 1} <= int64_max);
// A half-plane's a x + b y, for pixels and what lies beyond them.
static_assert(Uint128{steepest_slope} * beyond_all_pixels < uint128_max / 8);
// The square of a line's length.
static_assert(2 * Uint128{coordinates} * coordinates < uint128_max);

} // namespace coldbrick::base
