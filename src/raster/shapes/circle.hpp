/// @file
/// The pixels of circles.
///
/// Outline and fill come from one rule. With (x, y) a pixel's position from the centre and m the larger of
/// |x| and |y|, the pixel nearest to the ideal curve on its column (where m = |y|) or row (where m = |x|) is
/// the one with
///
///     x^2 + y^2 - m < r^2 <= x^2 + y^2 + m,
///
/// because (m - 1/2)^2 <= m'^2 < (m + 1/2)^2 for the curve's own distance m', and squares of integers never
/// differ by a quarter. The left part alone is the filled circle: the outline and all within it.
#pragma once

#include "raster/spans/span_sink.hpp"
#include "raster/stroke/pen.hpp"

#include <coldbrick/circle.hpp>

namespace coldbrick::raster {

/// The outline of width 1 and all that lies within it.
void fill(const Circle& circle, SpanSink& sink);

/// Width 1: the outline. Wider: the pixels whose distance d from the centre has
/// radius - width / 2 <= d < radius + width / 2.
void stroke(const Circle& circle, const Pen& pen, SpanSink& sink);

} // namespace coldbrick::raster
