/// @file
/// Slices of an ellipse.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/angle.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/ellipse.hpp>
#include <coldbrick/point.hpp>

#include <cstdint> // radii of 32 bits

namespace [[gnu::visibility("default")]] coldbrick {

/// The part of an ellipse that is seen from its centre within a sweep from a start, both sides and the centre
/// included. Angles are those of Arc; 360 degrees and more are the whole ellipse.
struct Sector {
    Ellipse ellipse;
    Angle start;
    Angle sweep;

    /// The sector of a circle about a pixel's centre.
    /// @throws ArgumentError if the radius is below 0.
    [[nodiscard]] static Sector about(Point centre, std::int32_t radius, Angle start, Angle sweep);

    /// The tight box of the filled sector's pixels. @throws ArgumentError if a value is outside its range.
    [[nodiscard]] Box bounds() const;

    /// True if the pixel belongs to the filled sector. @throws ArgumentError as bounds().
    [[nodiscard]] bool contains(Point pixel) const;

    /// The sector moved to the right by dx and down by dy. @throws ArgumentError as Box::moved.
    [[nodiscard]] Sector moved(std::int64_t dx, std::int64_t dy) const;

    /// The sector moved so that the anchor of its bounds lies on `position`.
    /// @throws ArgumentError as moved() and bounds().
    [[nodiscard]] Sector placed(Anchor anchor, Point position) const;

    friend constexpr bool operator==(const Sector&, const Sector&) = default;
};

} // namespace coldbrick
