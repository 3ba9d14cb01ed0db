/// @file
/// Circles round a centre pixel.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/point.hpp>

#include <cstdint> // Circle holds 32-bit integers

namespace [[gnu::visibility("default")]] coldbrick {

/// A circle about the centre of a pixel. Its outline runs through the pixel centres `radius` pixels to the
/// left and right of, above and below the centre, so it is 2 * radius + 1 pixels wide and high.
struct Circle {
    Point centre;
    std::int32_t radius = 0; ///< in pixels, 0..2147483647; 0 is one pixel

    /// The tight box of the filled circle's pixels. @throws ArgumentError if the radius is below 0.
    [[nodiscard]] Box bounds() const;

    /// True if the pixel belongs to the filled circle. @throws ArgumentError if the radius is below 0.
    [[nodiscard]] bool contains(Point pixel) const;

    /// The circle moved to the right by dx and down by dy.
    /// @throws ArgumentError if the centre would leave the 32-bit coordinates.
    [[nodiscard]] Circle moved(std::int64_t dx, std::int64_t dy) const;

    /// The circle moved so that the anchor of its bounds lies on `position`.
    /// @throws ArgumentError as moved() and bounds().
    [[nodiscard]] Circle placed(Anchor anchor, Point position) const;

    friend constexpr bool operator==(const Circle&, const Circle&) = default;
};

} // namespace coldbrick
