/// @file
/// Positions between the centres of pixels, in whole parts of a pixel.
#pragma once

#include <cmath>
#include <cstdint>

namespace coldbrick::raster {

/// How many sub-pixels a pixel is wide. So fine a grid moves an edge by 2^-17 of a pixel at most, far below
/// the 1/255 that coverages are told in; a pixel's area still fits 33 bits and the largest coordinate 50.
constexpr int sub_pixel_bits = 16;
constexpr std::int64_t sub_pixels = std::int64_t{1} << sub_pixel_bits;
constexpr std::int64_t half_a_pixel = sub_pixels / 2;
constexpr auto real_sub_pixels = static_cast<double>(sub_pixels);

/// A position in sub-pixels: (0, 0) is the centre of pixel (0, 0).
struct SubPoint {
    std::int64_t x = 0;
    std::int64_t y = 0;

    static constexpr SubPoint of_pixel(std::int64_t x, std::int64_t y) {
        return {x * sub_pixels, y * sub_pixels};
    }

    friend constexpr SubPoint operator+(SubPoint a, SubPoint b) { return {a.x + b.x, a.y + b.y}; }
    friend constexpr SubPoint operator-(SubPoint a, SubPoint b) { return {a.x - b.x, a.y - b.y}; }
    friend constexpr bool operator==(SubPoint, SubPoint) = default;
};

/// A step between positions, in sub-pixels.
struct SubVector {
    double x = 0;
    double y = 0;

    static SubVector between(SubPoint from, SubPoint to) {
        return {static_cast<double>(to.x - from.x), static_cast<double>(to.y - from.y)};
    }

    [[nodiscard]] double length() const { return std::sqrt(x * x + y * y); }
    /// Turned by a quarter, from +x towards +y.
    [[nodiscard]] SubVector turned() const { return {-y, x}; }

    friend bool operator==(SubVector, SubVector) = default;
    friend SubVector operator+(SubVector a, SubVector b) { return {a.x + b.x, a.y + b.y}; }
    friend SubVector operator-(SubVector a, SubVector b) { return {a.x - b.x, a.y - b.y}; }
    friend SubVector operator-(SubVector a) { return {-a.x, -a.y}; }
    friend SubVector operator*(double factor, SubVector a) { return {factor * a.x, factor * a.y}; }
    friend double dot(SubVector a, SubVector b) { return a.x * b.x + a.y * b.y; }
    friend double cross(SubVector a, SubVector b) { return a.x * b.y - a.y * b.x; }
};

/// The position nearest to a step away; halves to even, so that what is mirrored stays so.
inline SubPoint operator+(SubPoint from, SubVector step) {
    return {from.x + std::llrint(step.x), from.y + std::llrint(step.y)};
}

} // namespace coldbrick::raster
