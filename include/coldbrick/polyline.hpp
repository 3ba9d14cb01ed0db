/// @file
/// Connected straight lines.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/angle.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/mirror.hpp>
#include <coldbrick/point.hpp>

#include <cstdint> // offsets of 64 bits
#include <vector>  // the points

namespace [[gnu::visibility("default")]] coldbrick {

/// The lines from each point to the next, and from the last one to the first if it is closed. A single point
/// is one pixel; neighbours that are the same point count once.
struct Polyline {
    std::vector<Point> points; ///< at least one
    bool closed = false;

    /// The tight box of its pixels at width 1. @throws ArgumentError if there are no points.
    [[nodiscard]] Box bounds() const;

    /// True if the pixel belongs to it at width 1. @throws ArgumentError if there are no points.
    [[nodiscard]] bool contains(Point pixel) const;

    /// The polyline moved to the right by dx and down by dy.
    /// @throws ArgumentError if a point would leave the 32-bit coordinates.
    [[nodiscard]] Polyline moved(std::int64_t dx, std::int64_t dy) const;

    /// The polyline moved so that the anchor of its bounds lies on `position`.
    /// @throws ArgumentError as moved() and bounds().
    [[nodiscard]] Polyline placed(Anchor anchor, Point position) const;

    /// The polyline turned about a point. Points are rounded to pixels, halves away from that point; quarter
    /// turns are exact. @throws ArgumentError if a point would leave the 32-bit coordinates.
    [[nodiscard]] Polyline turned(Angle by, Point about) const;

    /// The polyline with all distances from a point multiplied, rounded likewise.
    /// @param across,down any finite factors; those below 0 mirror as well
    /// @throws ArgumentError as turned(), and if a factor is not finite.
    [[nodiscard]] Polyline scaled(double across, double down, Point about) const;

    /// The polyline with its sides changing places about a point.
    /// @throws ArgumentError as turned().
    [[nodiscard]] Polyline mirrored(Mirror sides, Point about) const;

    friend bool operator==(const Polyline&, const Polyline&) = default;
};

} // namespace coldbrick
