/// @file
/// Rectangles with rounded corners.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/point.hpp>

#include <cstdint> // a radius of 32 bits

namespace [[gnu::visibility("default")]] coldbrick {

/// A box whose corners are quarters of circles. A radius too large for the box counts as the largest that
/// fits, so that the round ends of a box of any length need no arithmetic; radius 0 is the box itself.
struct RoundedBox {
    Box box;                 ///< width and height in 0..2^60
    std::int32_t radius = 0; ///< in pixels, 0..2147483647

    /// The tight box of the filled shape's pixels. @throws ArgumentError if a value is outside its range.
    [[nodiscard]] Box bounds() const;

    /// True if the pixel belongs to the filled shape. @throws ArgumentError as bounds().
    [[nodiscard]] bool contains(Point pixel) const;

    /// The rounded box moved to the right by dx and down by dy. @throws ArgumentError as Box::moved.
    [[nodiscard]] RoundedBox moved(std::int64_t dx, std::int64_t dy) const;

    /// The rounded box moved so that the anchor of its bounds lies on `position`.
    /// @throws ArgumentError as moved().
    [[nodiscard]] RoundedBox placed(Anchor anchor, Point position) const;

    friend constexpr bool operator==(const RoundedBox&, const RoundedBox&) = default;
};

} // namespace coldbrick
