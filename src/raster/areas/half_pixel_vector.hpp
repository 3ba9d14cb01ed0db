/// @file
/// Positions and directions in the plane, in half pixels.
#pragma once

#include "raster/spans/half_pixels.hpp"

#include <cmath>
#include <cstdint>

namespace coldbrick::raster {

/// A position as seen from an origin, or a direction.
struct HalfPixelVector {
    long double x;
    long double y;

    friend HalfPixelVector operator+(HalfPixelVector a, HalfPixelVector b) { return {a.x + b.x, a.y + b.y}; }
    friend HalfPixelVector operator-(HalfPixelVector a, HalfPixelVector b) { return {a.x - b.x, a.y - b.y}; }
    friend HalfPixelVector operator-(HalfPixelVector a) { return {-a.x, -a.y}; }
    friend HalfPixelVector operator*(long double factor, HalfPixelVector a) {
        return {factor * a.x, factor * a.y};
    }

    /// So far along a direction of length 1.
    friend HalfPixelVector operator*(RealHalfPixels distance, HalfPixelVector direction) {
        return distance.count * direction;
    }

    [[nodiscard]] RealHalfPixels length() const { return {std::hypot(x, y)}; }

    /// The vector's direction, of length 1; it has one.
    [[nodiscard]] HalfPixelVector unit() const { return 1 / length().count * *this; }

    /// A quarter turn clockwise on the screen: what lies to the right of one who looks along the vector.
    [[nodiscard]] HalfPixelVector right() const { return {-y, x}; }
};

inline long double dot(HalfPixelVector a, HalfPixelVector b) {
    return a.x * b.x + a.y * b.y;
}

/// Above 0 if b turns clockwise on the screen from a.
inline long double cross(HalfPixelVector a, HalfPixelVector b) {
    return a.x * b.y - a.y * b.x;
}

/// What positions are counted from.
struct Origin {
    HalfPixels x;
    HalfPixels y;

    /// A pixel's centre as seen from here.
    [[nodiscard]] HalfPixelVector to_pixel(std::int64_t pixel_x, std::int64_t pixel_y) const {
        return {static_cast<long double>((HalfPixels::of_pixels(pixel_x) - x).count),
                static_cast<long double>((HalfPixels::of_pixels(pixel_y) - y).count)};
    }
};

/// A position in pixels.
struct PixelVector {
    long double x;
    long double y;

    /// What is seen at a place from an origin.
    static PixelVector at(const Origin& origin, HalfPixelVector place) {
        return {(static_cast<long double>(origin.x.count) + place.x) / 2,
                (static_cast<long double>(origin.y.count) + place.y) / 2};
    }

    friend PixelVector operator+(PixelVector a, PixelVector b) { return {a.x + b.x, a.y + b.y}; }
    friend PixelVector operator-(PixelVector a, PixelVector b) { return {a.x - b.x, a.y - b.y}; }
};

} // namespace coldbrick::raster
