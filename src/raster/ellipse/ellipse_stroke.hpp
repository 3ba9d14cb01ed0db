/// @file
/// The pixels within half a width of an ellipse's curve, along the shortest line to it.
#pragma once

#include "raster/ellipse/ellipse_axes.hpp"
#include "raster/spans/mirrored_rows.hpp"
#include "raster/spans/row_runs.hpp"

#include <cstdint>

namespace coldbrick::raster {

/// A wide stroke's rows. Each is found from itself alone, not from the row before, or rounding would
/// depend on which rows the clip shows.
class EllipseStroke {
  public:
    EllipseStroke(const EllipseAxes& axes, std::int64_t width);

    /// How far from the centre pixels may lie in any direction.
    [[nodiscard]] HalfPixels reach() const;

    /// The row at a distance of 0 and up from the centre of an upright ellipse.
    [[nodiscard]] MirroredRow upright_row(HalfPixels distance) const;

    /// The columns of the row y, in pixels, of any ellipse.
    [[nodiscard]] RowRuns row(std::int64_t y) const;

  private:
    template <class Real>
    [[nodiscard]] MirroredRow left_side(HalfPixels y) const;
    template <class Real>
    [[nodiscard]] MirroredRow upright(HalfPixels y) const;
    [[nodiscard]] MirroredRow side(HalfPixels y) const;

    EllipseAxes axes_;
    std::int64_t width_; ///< in pixels: half of it in half pixels
    bool huge_;
};

} // namespace coldbrick::raster
