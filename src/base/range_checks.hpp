/// @file
/// Checks that values lie in their ranges, each with the message that its failure carries.
#pragma once

#include <cmath>
#include <cstdint>
#include <string_view>

namespace coldbrick {

// Exported, since components other than the core use it, too.
namespace [[gnu::visibility("default")]] base {

// Every draw call passes some of these: they are inlined.

/// Throws ArgumentError: NAME VALUE is outside LOW..HIGH.
[[noreturn]] void throw_out_of_range(std::string_view name, std::int64_t value, std::int64_t low,
                                     std::int64_t high);

/// Throws as above unless low <= value <= high.
inline void check_range(std::string_view name, std::int64_t value, std::int64_t low, std::int64_t high) {
    if (value < low || value > high) throw_out_of_range(name, value, low, high);
}

/// Throws as above unless the value is one of the enumeration's, of which `last` is the last.
template <class Enumeration>
void check_choice(std::string_view name, Enumeration value, Enumeration last) {
    check_range(name, static_cast<std::int64_t>(value), 0, static_cast<std::int64_t>(last));
}

/// Throws ArgumentError: NAME VALUE is not a finite number.
[[noreturn]] void throw_not_finite(std::string_view name, double value);

/// Throws as above if the number is infinite or not a number.
inline void check_finite(std::string_view name, double value) {
    if (!std::isfinite(value)) throw_not_finite(name, value);
}

/// Throws ArgumentError: NAME VALUE is outside 0..1.
[[noreturn]] void throw_no_share(std::string_view name, double value);

/// Throws as above unless the number is one of 0..1.
inline void check_share(std::string_view name, double value) {
    if (!(value >= 0 && value <= 1)) throw_no_share(name, value); // so that NaN is refused, too
}

} // namespace base

} // namespace coldbrick
