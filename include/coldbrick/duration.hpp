/// @file
/// Lengths of time.
#pragma once

#include <concepts> // durations of the standard library
#include <cstdint>  // microseconds

namespace [[gnu::visibility("default")]] coldbrick {

/// A length of time in whole microseconds. Those of std::chrono become one, rounded down: `40ms`.
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
    constexpr Duration(const Other& other)
        : microseconds(static_cast<std::int64_t>(other.count() * 1'000'000 * Other::period::num /
                                                 Other::period::den)) {}

    friend constexpr bool operator==(const Duration&, const Duration&) = default;
    friend constexpr bool operator<(const Duration& a, const Duration& b) {
        return a.microseconds < b.microseconds;
    }
};

} // namespace coldbrick
