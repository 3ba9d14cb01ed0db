/// @file
/// A straight edge's position on one row after the other, for edges that are not huge.
#pragma once

#include "base/exact_arithmetic.hpp"

#include <cstdint>

namespace coldbrick::raster {

/// floor((start + k * step) / divisor) for k = 0, 1, 2, ..., as IncrementalDivision has it, by one addition
/// each in numbers of 32 bits before and 32 after the point.
///
/// The quotients are multiples of 1 / divisor; a sum that is above one of them by less than that has the same
/// whole part. It begins above the ideal one by at most 2^-32 and gains less than 2^-30 a step: less than
/// 2^-15 over all of them.
class NearBound {
  public:
    static constexpr std::int64_t largest_divisor = 1 << 15;
    static constexpr std::int64_t largest_step = 1 << 16;
    static constexpr std::int64_t most_steps = 1 << 14;
    static constexpr std::int64_t largest_start = std::int64_t{1} << 29; ///< start / divisor

    NearBound() = default;
    /// @param divisor above 0
    NearBound(std::int64_t start, std::int64_t step, std::int64_t divisor) {
        const std::int64_t whole = base::floor_div(start, divisor);
        value_ = whole * one + (start - whole * divisor) * one / divisor + 1;
        // Cut to a whole number of units, it is above the ideal one by more than 0 and less than 4 of them.
        step_ =
            static_cast<std::int64_t>(static_cast<double>(step) / static_cast<double>(divisor) * 0x1p32) + 2;
    }

    [[nodiscard]] std::int64_t value() const { return value_ >> 32; }
    void next() { value_ += step_; }

  private:
    static constexpr std::int64_t one = std::int64_t{1} << 32;

    std::int64_t value_ = 0;
    std::int64_t step_ = 0;
};

} // namespace coldbrick::raster
