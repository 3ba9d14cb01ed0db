/// @file
/// An ellipse's ideal curve, in half pixels.
#pragma once

#include "raster/spans/half_pixels.hpp"

#include <coldbrick/ellipse.hpp>

#include <cstdint>

namespace coldbrick::raster {

/// The curve's centre and semi-axes, counted in half pixels, so that they are integers for odd and even
/// boxes. Turns by multiples of 90 degrees are done: the axes change places, and what is left is upright.
struct EllipseAxes {
    HalfPixels centre_x;
    HalfPixels centre_y;
    std::uint64_t a; ///< in half pixels, along x before the turn, below 2^32
    std::uint64_t b; ///< likewise along y
    double cosine;   ///< of the turn
    double sine;
    bool upright; ///< the axes are level and upright, or the curve is a circle

    [[nodiscard]] bool circular() const { return a == b; }
};

/// Semi-axes and widths up to this are worked with in doubles; beyond, their digits do not tell sides of a
/// pixel's centre apart any more, and long doubles are used.
constexpr std::uint64_t largest_in_doubles = std::uint64_t{1} << 20;

/// @param ellipse not empty
inline EllipseAxes axes_of(const Ellipse& ellipse) {
    const Box& box = ellipse.box;
    EllipseAxes axes{HalfPixels::of_pixels(box.x) + HalfPixels{box.width - 1},
                     HalfPixels::of_pixels(box.y) + HalfPixels{box.height - 1},
                     static_cast<std::uint64_t>(box.width - 1),
                     static_cast<std::uint64_t>(box.height - 1),
                     ellipse.turn.cosine(),
                     ellipse.turn.sine(),
                     true};
    if (axes.cosine == 0) return {axes.centre_x, axes.centre_y, axes.b, axes.a, 1, 0, true};
    axes.upright = axes.sine == 0 || axes.circular();
    if (axes.upright) {
        axes.cosine = 1;
        axes.sine = 0;
    }
    return axes;
}

} // namespace coldbrick::raster
