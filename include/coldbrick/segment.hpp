/// @file
/// What a straight cut takes off an ellipse.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/angle.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/ellipse.hpp>
#include <coldbrick/point.hpp>

#include <cstdint> // radii of 32 bits

namespace [[gnu::visibility("default")]] coldbrick {

/// The part of an ellipse between an arc and the chord that joins the arc's ends, the chord included. Angles
/// are those of Arc; 360 degrees and more are the whole ellipse. A sweep so short that no pixel's centre lies
/// beyond the chord has no pixels when filled.
struct Segment {
    Ellipse ellipse;
    Angle start;
    Angle sweep;

    /// The segment of a circle about a pixel's centre.
    /// @throws ArgumentError if the radius is below 0.
    [[nodiscard]] static Segment about(Point centre, std::int32_t radius, Angle start, Angle sweep);

    /// The tight box of the filled segment's pixels. @throws ArgumentError if a value is outside its range.
    [[nodiscard]] Box bounds() const;

    /// True if the pixel belongs to the filled segment. @throws ArgumentError as bounds().
    [[nodiscard]] bool contains(Point pixel) const;

    /// The segment moved to the right by dx and down by dy. @throws ArgumentError as Box::moved.
    [[nodiscard]] Segment moved(std::int64_t dx, std::int64_t dy) const;

    /// The segment moved so that the anchor of its bounds lies on `position`.
    /// @throws ArgumentError as moved() and bounds().
    [[nodiscard]] Segment placed(Anchor anchor, Point position) const;

    friend constexpr bool operator==(const Segment&, const Segment&) = default;
};

} // namespace coldbrick
