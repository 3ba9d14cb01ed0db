/// @file
/// The tight box of a shape's pixels, looked for only where its outline reaches furthest.
#pragma once

#include "raster/areas/half_pixel_vector.hpp"
#include "raster/spans/span_queries.hpp"

#include <coldbrick/box.hpp>

#include <vector>

namespace coldbrick::raster {

/// Places, in pixels, on the ideal edge of a shape: all corners of it, and all points where it is level or
/// upright. The shape reaches furthest to every side at one of them.
struct OutermostPlaces {
    std::vector<PixelVector> places;
    /// How far, in pixels, from the place that reaches furthest the outermost pixel may lie.
    long double slack = 4;
    /// How far, in pixels, pixels may lie beyond all places: a pixel's rounding, or a cap that is not among
    /// them.
    long double beyond = 1;
    /// True if nothing is thinner than pixels, so that there are pixels near each outermost place.
    bool fat = false;

    /// The four outermost points of a disc.
    void add_disc(PixelVector centre, long double radius) {
        places.insert(places.end(), {centre + PixelVector{radius, 0}, centre - PixelVector{radius, 0},
                                     centre + PixelVector{0, radius}, centre - PixelVector{0, radius}});
    }
};

/// The tight box of the pixels that a shape's spans have, in a time that does not depend on how large the
/// shape is, unless its corners are sharper than pixels can show. Beyond the 32-bit coordinates, where there
/// are no spans, a side is where the ideal edge is, to the nearest pixel.
[[nodiscard]] Box bounds_near(const OutermostPlaces& outline, AddSpans add);

} // namespace coldbrick::raster
