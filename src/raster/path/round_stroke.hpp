/// @file
/// Wide strokes with round caps and joins.
#pragma once

#include "base/clip.hpp"
#include "raster/coverage/sub_pixels.hpp"
#include "raster/path/curve.hpp"
#include "raster/spans/span_sink.hpp"
#include "raster/stroke/outermost_places.hpp"

#include <span>

namespace coldbrick::raster {

/// True of strokes so much wider than the lines that stand for the path's curves are long that round_stroke()
/// is the faster way to their pixels: it does not work out where all the lines' strokes cross each other.
/// @param radius half a width, in sub-pixels
[[nodiscard]] bool is_crowded(std::span<const CurveContour> contours, double radius);

/// Adds all that lies within the radius of contours. Squares of pixels that lie wholly within the radius of
/// one line are full, those that no line reaches empty; others are divided, down to 16 x 16 pixels or, where
/// many lines are near, 4 x 4, whose areas are worked out from the lines at whose edges they lie. So time
/// follows the pixels along the stroke's edge and the lines near them.
/// @param crisp whether pixels count by their centres
void round_stroke(std::span<const CurveContour> contours, double radius, bool crisp, SpanSink& sink);

/// The places that such a stroke reaches furthest at.
[[nodiscard]] OutermostPlaces outermost_of_round_stroke(std::span<const CurveContour> contours,
                                                        double radius);

} // namespace coldbrick::raster
