/// @file
/// Ellipses.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/angle.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/point.hpp>

#include <cstdint> // radii of 32 bits

namespace [[gnu::visibility("default")]] coldbrick {

/// The ellipse that touches all four sides of a box of pixels, odd or even: its outline runs through the
/// centres of the box's outermost pixels. It may be turned about the box's centre. A wide stroke has the same
/// width all round. The ellipse of an empty box draws nothing.
struct Ellipse {
    Box box;         ///< width and height in 0..4294967295; of the ellipse before it is turned
    Angle turn = {}; ///< multiples of 90 degrees are exact

    /// The ellipse about a pixel's centre, 2 * horizontal_radius + 1 pixels wide and 2 * vertical_radius + 1
    /// high.
    /// @param horizontal_radius,vertical_radius in pixels, 0..2147483647; equal ones make the pixels of a
    /// circle.
    /// @throws ArgumentError outside that range.
    [[nodiscard]] static Ellipse about(Point centre, std::int32_t horizontal_radius,
                                       std::int32_t vertical_radius, Angle turn = {});

    /// The tight box of the filled ellipse's pixels. @throws ArgumentError if the box is outside its range.
    [[nodiscard]] Box bounds() const;

    /// True if the pixel belongs to the filled ellipse. @throws ArgumentError if the box is outside its
    /// range.
    [[nodiscard]] bool contains(Point pixel) const;

    /// The ellipse moved to the right by dx and down by dy. @throws ArgumentError as Box::moved.
    [[nodiscard]] Ellipse moved(std::int64_t dx, std::int64_t dy) const;

    /// The ellipse moved so that the anchor of its bounds lies on `position`. @throws ArgumentError as
    /// Box::placed.
    [[nodiscard]] Ellipse placed(Anchor anchor, Point position) const;

    friend constexpr bool operator==(const Ellipse&, const Ellipse&) = default;
};

} // namespace coldbrick
