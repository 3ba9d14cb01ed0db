/// @file
/// Wide strokes of many short lines.
#pragma once

#include "base/clip.hpp"
#include "raster/coverage/sub_pixels.hpp"
#include "raster/path/curve.hpp"
#include "raster/path/outline.hpp"
#include "raster/spans/span_sink.hpp"
#include "raster/stroke/outermost_places.hpp"

#include <span>

namespace coldbrick::raster {

/// True of strokes so much wider than the lines that stand for the path's curves are long that tiled_stroke()
/// is the faster way to their pixels: it does not work out where all the lines' strokes cross each other.
/// @param crisp whether pixels count by their centres
[[nodiscard]] bool is_crowded(std::span<const CurveContour> contours, const OutlinePen& pen, bool crisp);

/// Adds the stroke of contours. Squares of pixels that lie wholly in the stroke of one curve are full, those
/// that no line reaches empty; others are divided, down to 16 x 16 pixels or, where many lines are near, 4 x
/// 4, whose areas are worked out from the lines at whose edges they lie and from those with a cap or a
/// corner. So time follows the pixels along the stroke's edge and the lines near them.
/// @param pen as far to the right as to the left
/// @param crisp whether pixels count by their centres
void tiled_stroke(std::span<const CurveContour> contours, const OutlinePen& pen, bool crisp, SpanSink& sink);

/// The places that a round stroke reaches furthest at.
[[nodiscard]] OutermostPlaces outermost_of_round_stroke(std::span<const CurveContour> contours,
                                                        double radius);

} // namespace coldbrick::raster
