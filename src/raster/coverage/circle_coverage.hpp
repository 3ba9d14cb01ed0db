/// @file
/// How much of each pixel circles and rings cover, without straight lines between.
#pragma once

#include "raster/spans/half_pixels.hpp"
#include "raster/spans/span_sink.hpp"

namespace coldbrick::raster {

/// What lies between two circles about one centre, which lies on pixels' centres or sides both ways.
struct SmoothRing {
    HalfPixels centre_x;
    HalfPixels centre_y;
    double outer; ///< radii in pixels
    double inner; ///< 0 and below if there is no hole
};

/// Adds the pixels that it covers. Rows and columns that mirror each other have the same coverages.
void add_coverage(const SmoothRing& ring, SpanSink& sink);

} // namespace coldbrick::raster
