/// @file
/// When frames begin and end.
#pragma once

#include "base/exact_arithmetic.hpp"

#include <coldbrick/reel.hpp>

#include <cstdint>

namespace coldbrick::files {

/// A moment of a reel, exact: so many frames of a rate, and so many microseconds.
struct Moment {
    std::int64_t frames = 0;
    std::int64_t microseconds = 0;

    /// The nearest number of units since the beginning.
    [[nodiscard]] std::int64_t in_units(std::int64_t per_second, const FrameRate& rate) const {
        constexpr std::int64_t second = 1'000'000;
        const base::Int128 exact = static_cast<base::Int128>(frames) * rate.seconds * second +
                                   static_cast<base::Int128>(microseconds) * rate.frames;
        const base::Int128 divisor = static_cast<base::Int128>(rate.frames) * second;
        return static_cast<std::int64_t>((2 * exact * per_second + divisor) / (2 * divisor));
    }
};

/// When a frame begins and ends.
struct FrameTimes {
    Moment begin;
    Moment end;
    FrameRate rate;

    /// True if it lasts one frame of the rate.
    [[nodiscard]] bool is_regular() const {
        return end.frames == begin.frames + 1 && end.microseconds == begin.microseconds;
    }

    /// How many units it lasts. Both ends are rounded, so that the errors of frames do not add up.
    [[nodiscard]] std::int64_t in_units(std::int64_t per_second) const {
        return end.in_units(per_second, rate) - begin.in_units(per_second, rate);
    }
};

} // namespace coldbrick::files
