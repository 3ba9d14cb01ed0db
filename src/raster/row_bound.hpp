/// @file
/// A straight edge's position on one row after the other.
#pragma once

#include "geometry/exact.hpp"

#include <cstdint>

namespace coldbrick::raster {

/// floor((start + k * step) / divisor) for k = 0, 1, 2, ..., without a division for each.
/// @tparam Value holds all results; 128 bits where nothing bounds them.
template <class Value = Int128>
class RowBound {
  public:
    /// @param divisor above 0, below 2^62.
    RowBound(Int128 start, Int128 step, std::int64_t divisor) : divisor_(divisor) {
        const Int128 value = floor_div(start, Int128{divisor});
        const Int128 value_step = floor_div(step, Int128{divisor});
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
    Value value_;
    std::int64_t remainder_;
    Value value_step_;
    std::int64_t remainder_step_;
    std::int64_t divisor_;
};

} // namespace coldbrick::raster
