/// @file
/// Integer positions and sizes in pixels.
#pragma once

#include <cstdint> // Point and Size hold 32-bit integers
#include <iosfwd>  // both are printed

namespace [[gnu::visibility("default")]] coldbrick {

/// A pixel's position: x grows to the right, y grows down, (0, 0) is the top-left pixel of an image.
/// Every 32-bit value is valid.
struct Point {
    std::int32_t x = 0;
    std::int32_t y = 0;

    friend constexpr bool operator==(const Point&, const Point&) = default;
};

/// A width and a height in pixels, always in this order.
struct Size {
    std::int32_t width = 0;
    std::int32_t height = 0;

    friend constexpr bool operator==(const Size&, const Size&) = default;
};

/// Prints (X, Y), and WIDTH x HEIGHT.
std::ostream& operator<<(std::ostream& out, const Point& point);
std::ostream& operator<<(std::ostream& out, const Size& size);

} // namespace coldbrick
