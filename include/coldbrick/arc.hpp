/// @file
/// Parts of an ellipse: arcs, sectors and segments.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/angle.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/ellipse.hpp>
#include <coldbrick/point.hpp>

#include <cstdint> // radii of 32 bits

namespace [[gnu::visibility("default")]] coldbrick {

/// What of an ellipse is meant.
enum class EllipsePartKind : std::uint8_t { arc, sector, segment };

/// What of an ellipse is seen from its centre within a sweep from a start: see Arc, Sector and Segment.
/// Angles are true directions, before the ellipse is turned: a positive sweep runs from the right downwards,
/// clockwise on the screen, a negative one the other way. 360 degrees and more are all of it.
template <EllipsePartKind kind>
struct EllipsePart {
    Ellipse ellipse;
    Angle start;
    Angle sweep;

    /// The part of a circle about a pixel's centre.
    /// @throws ArgumentError if the radius is below 0.
    [[nodiscard]] static EllipsePart about(Point centre, std::int32_t radius, Angle start, Angle sweep);

    /// The tight box of an arc's pixels at width 1, or of those of a filled sector or segment.
    /// @throws ArgumentError if a value is outside its range.
    [[nodiscard]] Box bounds() const;

    /// True if the pixel belongs to them. @throws ArgumentError as bounds().
    [[nodiscard]] bool contains(Point pixel) const;

    /// The part moved to the right by dx and down by dy. @throws ArgumentError as Box::moved.
    [[nodiscard]] EllipsePart moved(std::int64_t dx, std::int64_t dy) const;

    /// The part moved so that the anchor of its bounds lies on `position`.
    /// @throws ArgumentError as moved() and bounds().
    [[nodiscard]] EllipsePart placed(Anchor anchor, Point position) const;

    friend constexpr bool operator==(const EllipsePart&, const EllipsePart&) = default;
};

/// Part of an ellipse's outline, both ends included. At width 1 an arc is never empty.
using Arc = EllipsePart<EllipsePartKind::arc>;

/// A slice of an ellipse, both sides and the centre included.
using Sector = EllipsePart<EllipsePartKind::sector>;

/// What lies between an arc and the chord that joins its ends, the chord included. A sweep so short that no
/// pixel's centre lies beyond the chord has no pixels when filled.
using Segment = EllipsePart<EllipsePartKind::segment>;

} // namespace coldbrick
