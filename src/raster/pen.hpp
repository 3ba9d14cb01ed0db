/// @file
/// A stroke without its colour.
#pragma once

#include <coldbrick/line_style.hpp>

#include <cstdint>

namespace coldbrick::raster {

struct Pen {
    std::int32_t width; ///< 1 and up
    Cap cap;
    Join join;
    double mitre_limit; ///< in half widths, 1 and up
};

} // namespace coldbrick::raster
