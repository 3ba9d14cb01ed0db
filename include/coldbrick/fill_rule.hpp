/// @file
/// Which points lie inside a polygon.
#pragma once

#include <cstdint> // the enumerations' underlying type

namespace [[gnu::visibility("default")]] coldbrick {

/// Which of the areas that a polygon's rings enclose are inside.
enum class FillRule : std::uint8_t {
    even_odd, ///< those from which a ray crosses an odd number of edges
    non_zero, ///< those that the rings wind around, counted with their direction
};

/// Which pixels on a polygon's boundary belong to it.
enum class FillExtent : std::uint8_t {
    whole,  ///< all of the outline at width 1: fill and outline share one silhouette
    tiling, ///< those whose centre is inside, or on an edge with the inside to its right or below: polygons
            ///< that share edges cover every pixel exactly once
};

} // namespace coldbrick
