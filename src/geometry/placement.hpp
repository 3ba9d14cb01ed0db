/// @file
/// Where moved and placed shapes come to lie, which the 32-bit coordinates bound.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/point.hpp>

#include <cstdint>
#include <string_view>

namespace coldbrick {

// Exported, since components other than the core use it, too.
namespace [[gnu::visibility("default")]] geometry {

/// The value as a coordinate. @throws ArgumentError outside the 32-bit range.
std::int32_t coordinate(std::string_view name, std::int64_t value);

/// The point moved; offsets may be any 64-bit number. @throws ArgumentError outside the 32-bit coordinates.
Point moved(Point point, std::int64_t dx, std::int64_t dy);

/// The pixel nearest to what lies (dx, dy) from a point, halves away from it.
/// @throws ArgumentError outside the 32-bit coordinates.
Point rounded_about(Point point, double dx, double dy);

/// How far to move what has these bounds so that their anchor comes to lie on `position`.
struct Offset {
    std::int64_t dx;
    std::int64_t dy;
};
Offset offset_to_place(const Box& bounds, Anchor anchor, Point position);

/// Moves any shape so that the anchor of its bounds lies on `position`.
template <class Shape>
Shape placed_by_bounds(const Shape& shape, Anchor anchor, Point position) {
    const Offset offset = offset_to_place(shape.bounds(), anchor, position);
    return shape.moved(offset.dx, offset.dy);
}

} // namespace geometry

} // namespace coldbrick
