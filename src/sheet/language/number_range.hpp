/// @file
/// Numbers at equal distances.
#pragma once

#include <algorithm>
#include <cmath>
#include <cstdint>

namespace coldbrick::sheet {

/// From one number to another, both included; none if the step, which is not 0, leads away from the last.
class NumberRange {
  public:
    NumberRange(double first, double last, double step) : first_(first), step_(step) {
        constexpr double tolerance = 1e-9; // of a step: for fractions that are not exact
        constexpr double most = 1e15;      // far more than may be counted
        const double steps = std::floor((last - first) / step + tolerance);
        count_ = steps < 0 ? 0 : static_cast<std::uint64_t>(std::min(steps, most)) + 1;
    }

    [[nodiscard]] std::uint64_t count() const { return count_; }
    [[nodiscard]] double at(std::uint64_t i) const { return first_ + static_cast<double>(i) * step_; }

  private:
    double first_;
    double step_;
    std::uint64_t count_;
};

} // namespace coldbrick::sheet
