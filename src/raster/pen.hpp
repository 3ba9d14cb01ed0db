/// @file
/// A stroke without its colour.
#pragma once

#include <coldbrick/line_style.hpp>

#include <cstdint>
#include <span>

namespace coldbrick::raster {

struct Pen {
    std::int64_t width; ///< 1..2^32 - 1
    Cap cap;
    Join join;
    double mitre_limit;             ///< in half widths, 1 and up
    std::span<const double> dashes; ///< on and off lengths in pixels, in turns; solid if there are none
    double dash_offset;             ///< how far into the dashes the path begins

    [[nodiscard]] bool dashed() const { return !dashes.empty(); }
};

} // namespace coldbrick::raster
