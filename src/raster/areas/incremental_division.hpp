/// @file
/// A straight edge's position on one row after the other.
#pragma once

#include "base/contract.hpp"
#include "base/exact_arithmetic.hpp"
#include "base/limits.hpp"

#include <cstdint>

namespace coldbrick::raster {

/// floor((start + k * step) / divisor) for k = 0, 1, 2, ..., without a division for each.
/// @tparam Value holds all results; 128 bits where nothing bounds them.
template <class Value = base::Int128>
class IncrementalDivision {
  public:
    /// 0.
    IncrementalDivision() = default;

    /// @param divisor above 0, below base::steepest_slope.
    IncrementalDivision(base::Int128 start, base::Int128 step, std::int64_t divisor) : divisor_(divisor) {
        COLDBRICK_ASSERT(divisor > 0 && divisor < base::steepest_slope);
        const base::Int128 value = base::floor_div(start, base::Int128{divisor});
        const base::Int128 value_step = base::floor_div(step, base::Int128{divisor});
        value_ = static_cast<Value>(value);
        remainder_ = static_cast<std::int64_t>(start - value * divisor);
        value_step_ = static_cast<Value>(value_step);
        remainder_step_ = static_cast<std::int64_t>(step - value_step * divisor);
    }

    [[nodiscard]] Value value() const { return value_; }

    void next() {
        value_ += value_step_;
        remainder_ += remainder_step_;
        if (remainder_ < divisor_) return;
        remainder_ -= divisor_;
        ++value_;
    }

  private:
    Value value_ = 0;
    std::int64_t remainder_ = 0;
    Value value_step_ = 0;
    std::int64_t remainder_step_ = 0;
    std::int64_t divisor_ = 1;
};

} // namespace coldbrick::raster
