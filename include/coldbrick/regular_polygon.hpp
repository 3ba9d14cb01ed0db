/// @file
/// Polygons with corners at equal angles.
#pragma once

#include <coldbrick/angle.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/polygon.hpp>

#include <cstdint> // radii of 32 bits

namespace [[gnu::visibility("default")]] coldbrick {

/// The polygon with so many corners on a circle at equal angles. Each corner is rounded to the nearest pixel,
/// halves away from the centre.
/// @param radius of the circle, in pixels, 0..2147483647
/// @param corners 1..1000000
/// @param first where the first corner points; the top if it is left out
/// @throws ArgumentError if a value is outside its range or a corner outside the 32-bit coordinates.
[[nodiscard]] Polygon regular_polygon(Point centre, std::int32_t radius, int corners,
                                      Angle first = degrees(-90));

/// The star with so many tips on a circle at equal angles and the corners between them on another one, each
/// halfway between two tips. Rounded as above.
/// @param tip_radius,notch_radius of the circles, in pixels, 0..2147483647
/// @param tips 1..1000000
/// @param first where the first tip points; the top if it is left out
/// @throws ArgumentError as above.
[[nodiscard]] Polygon star(Point centre, std::int32_t tip_radius, std::int32_t notch_radius, int tips,
                           Angle first = degrees(-90));

} // namespace coldbrick
