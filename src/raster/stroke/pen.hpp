/// @file
/// A stroke without its colour.
#pragma once

#include "base/limits.hpp"
#include "raster/spans/half_pixels.hpp"

#include <coldbrick/line_style.hpp>

#include <cstdint>
#include <span>

namespace coldbrick::raster {

struct Pen {
    std::int64_t width; ///< in pixels, 1..base::widest_pen
    Cap cap;
    Join join;
    double mitre_limit;             ///< in half widths, 1 and up
    std::span<const double> dashes; ///< on and off lengths in pixels, in turns; solid if there are none
    double dash_offset;             ///< how far into the dashes the path begins

    [[nodiscard]] bool dashed() const { return !dashes.empty(); }
};

/// Half of the pen's width: as many half pixels as the width has pixels.
inline RealHalfPixels half_width_of(const Pen& pen) {
    return {static_cast<long double>(pen.width)};
}

} // namespace coldbrick::raster
