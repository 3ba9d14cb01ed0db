/// @file
/// Single pixels and round dots.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/point.hpp>

#include <cstdint> // offsets of 64 bits
#include <vector>  // the points

namespace [[gnu::visibility("default")]] coldbrick {

/// A dot at every point. A stroke of width 1 paints the pixels themselves, a wider one discs of that width
/// about them. Where dots overlap each pixel is painted once.
struct Dots {
    std::vector<Point> points; ///< any number of them

    /// The tight box of the points. No points have an empty one.
    [[nodiscard]] Box bounds() const;

    /// True if the pixel is one of the points.
    [[nodiscard]] bool contains(Point pixel) const;

    /// The dots moved to the right by dx and down by dy.
    /// @throws ArgumentError if a point would leave the 32-bit coordinates.
    [[nodiscard]] Dots moved(std::int64_t dx, std::int64_t dy) const;

    /// The dots moved so that the anchor of their bounds lies on `position`.
    /// @throws ArgumentError as moved().
    [[nodiscard]] Dots placed(Anchor anchor, Point position) const;

    friend bool operator==(const Dots&, const Dots&) = default;
};

} // namespace coldbrick
