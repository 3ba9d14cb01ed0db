/// @file
/// Parts of an ellipse's outline.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/angle.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/ellipse.hpp>
#include <coldbrick/point.hpp>

#include <cstdint> // radii of 32 bits

namespace [[gnu::visibility("default")]] coldbrick {

/// The part of an ellipse's outline that is seen from its centre within a sweep from a start, both ends
/// included. Angles are true directions, before the ellipse is turned: a positive sweep runs from the right
/// downwards, clockwise on the screen, a negative one the other way. 360 degrees and more are the whole
/// outline. At width 1 an arc is never empty.
struct Arc {
    Ellipse ellipse;
    Angle start;
    Angle sweep;

    /// The arc of a circle about a pixel's centre.
    /// @throws ArgumentError if the radius is below 0.
    [[nodiscard]] static Arc about(Point centre, std::int32_t radius, Angle start, Angle sweep);

    /// The tight box of its pixels at width 1. @throws ArgumentError if a value is outside its range.
    [[nodiscard]] Box bounds() const;

    /// True if the pixel belongs to it at width 1. @throws ArgumentError as bounds().
    [[nodiscard]] bool contains(Point pixel) const;

    /// The arc moved to the right by dx and down by dy. @throws ArgumentError as Box::moved.
    [[nodiscard]] Arc moved(std::int64_t dx, std::int64_t dy) const;

    /// The arc moved so that the anchor of its bounds lies on `position`.
    /// @throws ArgumentError as moved() and bounds().
    [[nodiscard]] Arc placed(Anchor anchor, Point position) const;

    friend constexpr bool operator==(const Arc&, const Arc&) = default;
};

} // namespace coldbrick
