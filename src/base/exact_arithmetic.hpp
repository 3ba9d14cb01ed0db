/// @file
/// Exact integer arithmetic that the language leaves out: 128 bits, rounding division, square roots.
#pragma once

#include <cmath>
#include <cstdint>
#include <limits>

namespace coldbrick::base {

__extension__ using Int128 = __int128;
__extension__ using Uint128 = unsigned __int128;

/// numerator / denominator rounded down; the denominator is above 0.
constexpr std::int64_t floor_div(std::int64_t numerator, std::int64_t denominator) {
    const std::int64_t quotient = numerator / denominator;
    return numerator % denominator < 0 ? quotient - 1 : quotient;
}

/// numerator / denominator rounded down, for any 128-bit numerator; the denominator is above 0.
/// A 128-bit division costs several times a 64-bit one, so it is kept for the values that need it.
constexpr Int128 floor_div(Int128 numerator, Int128 denominator) {
    const auto small_numerator = static_cast<std::int64_t>(numerator);
    const auto small_denominator = static_cast<std::int64_t>(denominator);
    if (small_numerator == numerator && small_denominator == denominator)
        return floor_div(small_numerator, small_denominator);
    const Int128 quotient = numerator / denominator;
    return numerator % denominator < 0 ? quotient - 1 : quotient;
}

/// numerator / denominator rounded up; the denominator is above 0.
constexpr Int128 ceil_div(Int128 numerator, Int128 denominator) {
    return -floor_div(-numerator, denominator);
}

/// The largest integer whose square is not above `value`, which is below 2^52: a double's exactly, and its
/// root is further from the next integer than rounding reaches.
inline std::uint64_t floor_sqrt_below_2_52(std::uint64_t value) {
    return static_cast<std::uint64_t>(
        static_cast<std::int64_t>(std::sqrt(static_cast<double>(static_cast<std::int64_t>(value)))));
}

/// The largest integer whose square is not above `value`.
inline std::uint64_t floor_sqrt(std::uint64_t value) {
    if (value < std::uint64_t{1} << 52) return floor_sqrt_below_2_52(value);
    // Above, the root of the rounded value is at most one off, which two comparisons mend.
    constexpr std::uint64_t largest_root = std::numeric_limits<std::uint32_t>::max();
    auto root = static_cast<std::uint64_t>(std::sqrt(static_cast<double>(value)));
    if (root > largest_root) root = largest_root;
    if (root * root > value) return root - 1;
    if (root < largest_root && (root + 1) * (root + 1) <= value) return root + 1;
    return root;
}

/// The same for any value below 2^127.
inline std::uint64_t floor_sqrt(Uint128 value) {
    auto root = static_cast<std::uint64_t>(std::sqrt(static_cast<long double>(value)));
    while (Uint128{root} * root > value) --root;
    while ((Uint128{root} + 1) * (Uint128{root} + 1) <= value) ++root;
    return root;
}

/// The largest integer whose square is below a * b, both above 0 and below 2^50: a guess, at most one off,
/// mended in integers.
inline std::uint64_t floor_sqrt_below_product(std::uint64_t a, std::uint64_t b) {
    const Uint128 largest = Uint128{a} * b - 1;
    const auto root =
        static_cast<std::uint64_t>(std::sqrt(static_cast<double>(static_cast<std::int64_t>(a)) *
                                             static_cast<double>(static_cast<std::int64_t>(b))));
    if (Uint128{root} * root > largest) return root - 1;
    return Uint128{root + 1} * (root + 1) <= largest ? root + 1 : root;
}

static_assert(floor_div(std::int64_t{-7}, std::int64_t{2}) == -4 &&
              floor_div(std::int64_t{7}, std::int64_t{2}) == 3);
static_assert(ceil_div(Int128{-7}, Int128{2}) == -3 && ceil_div(Int128{7}, Int128{2}) == 4);

} // namespace coldbrick::base
