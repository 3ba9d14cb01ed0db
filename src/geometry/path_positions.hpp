/// @file
/// Positions as paths keep them.
#pragma once

#include <coldbrick/path.hpp>
#include <coldbrick/position.hpp>

namespace coldbrick {

// Exported, since components other than the core use it, too.
namespace [[gnu::visibility("default")]] geometry {

/// The nearest position that a path keeps. @throws ArgumentError outside the range of paths.
Position kept(Position position);

/// Where a piece ends.
inline Position end_of(const PathPiece& piece) {
    return std::visit([](const auto& one) { return one.to; }, piece);
}

/// Where an arc's ellipse is at an angle.
Position point_on(const PathArc& arc, Angle at);

/// A box of positions.
struct Extent {
    double left;
    double top;
    double right;
    double bottom;

    void include(Position position);

    /// The extent with a margin on all sides.
    [[nodiscard]] Extent grown(double by) const { return {left - by, top - by, right + by, bottom + by}; }
};

/// How far a path reaches, which has at least one contour.
Extent extent_of(const Path& path);

} // namespace geometry

} // namespace coldbrick
