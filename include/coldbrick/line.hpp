/// @file
/// Straight lines between two pixels.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/point.hpp>

#include <cstdint> // offsets of 64 bits

namespace [[gnu::visibility("default")]] coldbrick {

/// The straight line between the centres of two pixels, both included. Its direction does not matter.
struct Line {
    Point from;
    Point to;

    /// The tight box of the pixels of the line at width 1.
    [[nodiscard]] Box bounds() const { return Box::between(from, to); }

    /// True if the pixel belongs to the line at width 1.
    [[nodiscard]] bool contains(Point pixel) const;

    /// The line moved to the right by dx and down by dy.
    /// @throws ArgumentError if an end would leave the 32-bit coordinates.
    [[nodiscard]] Line moved(std::int64_t dx, std::int64_t dy) const;

    /// The line moved so that the anchor of its bounds lies on `position`.
    /// @throws ArgumentError as moved().
    [[nodiscard]] Line placed(Anchor anchor, Point position) const;

    friend constexpr bool operator==(const Line&, const Line&) = default;
};

} // namespace coldbrick
