/// @file
/// The pixels within half a width of an ellipse's curve, along the shortest line to it.
#pragma once

#include "raster/oval.hpp"
#include "raster/runs.hpp"
#include "raster/symmetric_rows.hpp"

#include <cstdint>

namespace coldbrick::raster {

/// A wide stroke's rows. Each is found from itself alone, not from the row before, or the clip could tell on
/// the last bit.
class OvalBand {
  public:
    OvalBand(const Oval& oval, std::int64_t width);

    /// How far from the centre, in half pixels, pixels may lie in any direction.
    [[nodiscard]] std::int64_t reach() const;

    /// The row at Y >= 0 half pixels from the centre of an upright ellipse.
    [[nodiscard]] SymmetricRow upright_row(std::int64_t y) const;

    /// The columns of the row y, of any ellipse.
    [[nodiscard]] Runs row(std::int64_t y) const;

  private:
    template <class Real>
    [[nodiscard]] SymmetricRow left_side(std::int64_t y) const;
    template <class Real>
    [[nodiscard]] SymmetricRow upright(std::int64_t y) const;
    [[nodiscard]] SymmetricRow side(std::int64_t y) const;

    Oval oval_;
    std::int64_t width_;
    bool huge_; ///< too large for a double's digits
};

} // namespace coldbrick::raster
