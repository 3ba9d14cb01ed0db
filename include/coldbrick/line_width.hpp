/// @file
/// Widths of strokes.
#pragma once

#include <concepts> // made from any number

namespace [[gnu::visibility("default")]] coldbrick {

/// A stroke's width in pixels, from any number. Crisp strokes of shapes on pixels have whole widths,
/// 1..2147483647; smooth ones and those of paths any width above 0 up to that.
class LineWidth {
  public:
    template <std::integral Number>
    constexpr LineWidth(Number pixels) : pixels_(static_cast<double>(pixels)) {}
    template <std::floating_point Number>
    constexpr LineWidth(Number pixels) : pixels_(static_cast<double>(pixels)) {}

    constexpr operator double() const { return pixels_; }

  private:
    double pixels_;
};

} // namespace coldbrick
