/// @file
/// Moving, turning, scaling and shearing.
#pragma once

#include <coldbrick/angle.hpp>
#include <coldbrick/position.hpp>

namespace [[gnu::visibility("default")]] coldbrick {

/// An affine map of the plane: x becomes xx x + xy y + x_shift, and y becomes yx x + yy y + y_shift. Made by
/// the functions below, put together by then(). Nothing is checked until a path is mapped.
struct Transform {
    double xx = 1;
    double xy = 0;
    double x_shift = 0;
    double yx = 0;
    double yy = 1;
    double y_shift = 0;

    /// To the right by dx and down by dy, in pixels.
    [[nodiscard]] static Transform move(double dx, double dy);

    /// About a position, clockwise on the screen for positive angles. Quarter turns are exact.
    [[nodiscard]] static Transform turn(Angle by, Position about = {});

    /// All distances from a position multiplied; factors below 0 mirror as well.
    [[nodiscard]] static Transform scale(double across, double down, Position about = {});

    /// Rows shifted by `across` times their distance below a position, columns by `down` times theirs to its
    /// right.
    [[nodiscard]] static Transform shear(double across, double down, Position about = {});

    /// This map and then another one.
    [[nodiscard]] Transform then(const Transform& other) const;

    /// Where a position comes to lie.
    [[nodiscard]] Position operator()(Position position) const;

    friend constexpr bool operator==(const Transform&, const Transform&) = default;
};

} // namespace coldbrick
