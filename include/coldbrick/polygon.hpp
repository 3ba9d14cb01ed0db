/// @file
/// Areas within straight edges.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/angle.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/mirror.hpp>
#include <coldbrick/point.hpp>

#include <cstdint> // offsets of 64 bits
#include <utility> // rings are moved in
#include <vector>  // rings of points

namespace [[gnu::visibility("default")]] coldbrick {

/// The area within one or more closed rings of vertices, which may cross themselves and each other and repeat
/// vertices. A ring within another is a hole by the even-odd rule, and by the non-zero rule if it runs the
/// other way round.
struct Polygon {
    std::vector<std::vector<Point>> rings; ///< at least one, each of at least one vertex

    /// A polygon of one ring.
    explicit Polygon(std::vector<Point> ring) : rings{std::move(ring)} {}

    /// A polygon of any number of rings.
    explicit Polygon(std::vector<std::vector<Point>> all_rings) : rings(std::move(all_rings)) {}

    /// The tight box of the filled polygon's pixels. @throws ArgumentError if it or a ring is empty.
    [[nodiscard]] Box bounds() const;

    /// True if the pixel belongs to the polygon filled by the even-odd rule with its whole edge.
    /// @throws ArgumentError if it or a ring is empty.
    [[nodiscard]] bool contains(Point pixel) const;

    /// The polygon moved to the right by dx and down by dy.
    /// @throws ArgumentError if a vertex would leave the 32-bit coordinates.
    [[nodiscard]] Polygon moved(std::int64_t dx, std::int64_t dy) const;

    /// The polygon moved so that the anchor of its bounds lies on `position`.
    /// @throws ArgumentError as moved() and bounds().
    [[nodiscard]] Polygon placed(Anchor anchor, Point position) const;

    /// The polygon turned about a point. Points are rounded to pixels, halves away from that point; quarter
    /// turns are exact. @throws ArgumentError if a point would leave the 32-bit coordinates.
    [[nodiscard]] Polygon turned(Angle by, Point about) const;

    /// The polygon with all distances from a point multiplied, rounded likewise.
    /// @param across,down any finite factors; those below 0 mirror as well
    /// @throws ArgumentError as turned(), and if a factor is not finite.
    [[nodiscard]] Polygon scaled(double across, double down, Point about) const;

    /// The polygon with its sides changing places about a point.
    /// @throws ArgumentError as turned().
    [[nodiscard]] Polygon mirrored(Mirror sides, Point about) const;

    friend bool operator==(const Polygon&, const Polygon&) = default;
};

} // namespace coldbrick
