/// @file
/// A straight edge's position on one row after the other.
#pragma once

#include "geometry/exact.hpp"

#include <cstdint>

namespace coldbrick::raster {

/// floor((start + k * step) / divisor) for k = 0, 1, 2, ..., without a division for each.
class RowBound {
  public:
    /// @param divisor above 0, below 2^62.
    RowBound(Int128 start, Int128 step, std::int64_t divisor)
        : value_(floor_div(start, Int128{divisor})),
          remainder_(static_cast<std::int64_t>(start - value_ * divisor)),
          value_step_(floor_div(step, Int128{divisor})),
          remainder_step_(static_cast<std::int64_t>(step - value_step_ * divisor)), divisor_(divisor) {}

    [[nodiscard]] Int128 value() const { return value_; }

    void next() {
        value_ += value_step_;
        remainder_ += remainder_step_;
        if (remainder_ < divisor_) return;
        remainder_ -= divisor_;
        ++value_;
    }

  private:
    Int128 value_;
    std::int64_t remainder_;
    Int128 value_step_;
    std::int64_t remainder_step_;
    std::int64_t divisor_;
};

} // namespace coldbrick::raster
