/// @file
/// An ellipse's ideal curve, in half pixels.
#pragma once

#include <coldbrick/ellipse.hpp>

#include <cstdint>

namespace coldbrick::raster {

/// The curve's centre and semi-axes, counted in half pixels, so that they are integers for odd and even
/// boxes. Turns by multiples of 90 degrees are done: the axes change places, and what is left is upright.
struct Oval {
    std::int64_t centre_x;
    std::int64_t centre_y;
    std::uint64_t a; ///< along x before the turn, below 2^32
    std::uint64_t b;
    double cosine; ///< of the turn
    double sine;
    bool upright; ///< the axes are level and upright, or the curve is a circle

    [[nodiscard]] bool circular() const { return a == b; }
};

/// @param ellipse not empty
inline Oval oval_of(const Ellipse& ellipse) {
    const Box& box = ellipse.box;
    Oval oval{2 * box.x + box.width - 1,
              2 * box.y + box.height - 1,
              static_cast<std::uint64_t>(box.width - 1),
              static_cast<std::uint64_t>(box.height - 1),
              ellipse.turn.cosine(),
              ellipse.turn.sine(),
              true};
    if (oval.cosine == 0) return {oval.centre_x, oval.centre_y, oval.b, oval.a, 1, 0, true};
    oval.upright = oval.sine == 0 || oval.circular();
    if (oval.upright) {
        oval.cosine = 1;
        oval.sine = 0;
    }
    return oval;
}

} // namespace coldbrick::raster
