/// @file
/// Lengths of time.
#pragma once

#include <concepts> // durations of the standard library
#include <cstdint>  // microseconds
#include <limits>   // the longest duration

namespace [[gnu::visibility("default")]] coldbrick {

namespace detail {

/// floor(count * numerator / denominator), or the nearest number of 64 bits.
constexpr std::int64_t scaled_down(std::int64_t count, std::int64_t numerator, std::int64_t denominator) {
    using Limits = std::numeric_limits<std::int64_t>;
    std::int64_t whole = count / denominator;
    std::int64_t rest = count % denominator;
    if (rest < 0) {
        --whole;
        rest += denominator;
    }
    const std::int64_t more = rest * numerator / denominator;
    if (whole > (Limits::max() - more) / numerator) return Limits::max();
    if (whole < Limits::min() / numerator) return Limits::min();
    return whole * numerator + more;
}

/// floor(count * factor), or the nearest number of 64 bits; 0 of what is not a number.
constexpr std::int64_t scaled_down(double count, double factor) {
    const double scaled = count * factor;
    if (!(scaled == scaled)) return 0;
    if (scaled >= 0x1p63) return std::numeric_limits<std::int64_t>::max();
    if (scaled < -0x1p63) return std::numeric_limits<std::int64_t>::min();
    const auto cut = static_cast<std::int64_t>(scaled);
    return cut - (static_cast<double>(cut) > scaled ? 1 : 0);
}

constexpr std::int64_t common_divisor(std::int64_t a, std::int64_t b) {
    return b == 0 ? a : common_divisor(b, a % b);
}

/// Microseconds of a std::chrono duration.
template <class Other>
constexpr std::int64_t microseconds_of(const Other& other) {
    constexpr std::int64_t in_a_second = 1'000'000;
    constexpr std::int64_t divisor = common_divisor(in_a_second, Other::period::den);
    constexpr std::int64_t numerator = in_a_second / divisor * Other::period::num;
    constexpr std::int64_t denominator = Other::period::den / divisor;
    static_assert(denominator == 1 || numerator < std::numeric_limits<std::int64_t>::max() / denominator);
    if constexpr (std::integral<decltype(other.count())>)
        return scaled_down(static_cast<std::int64_t>(other.count()), numerator, denominator);
    else
        return scaled_down(static_cast<double>(other.count()),
                           static_cast<double>(numerator) / static_cast<double>(denominator));
}

} // namespace detail

/// A length of time in whole microseconds. Those of std::chrono become one, rounded down: `40ms`. What 64
/// bits do not hold becomes the longest duration.
struct Duration {
    std::int64_t microseconds = 0;

    constexpr Duration() = default;
    constexpr explicit Duration(std::int64_t count) : microseconds(count) {}
    template <class Other>
    requires requires(const Other& other) {
        { other.count() } -> std::convertible_to<double>;
        Other::period::num;
        Other::period::den;
    }
    constexpr Duration(const Other& other) : microseconds(detail::microseconds_of(other)) {}

    friend constexpr bool operator==(const Duration&, const Duration&) = default;
    friend constexpr bool operator<(const Duration& a, const Duration& b) {
        return a.microseconds < b.microseconds;
    }
};

} // namespace coldbrick
