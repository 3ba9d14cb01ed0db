/// @file
/// Blank squared paper for planning.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/point.hpp>

#include <cstdint> // distances

namespace [[gnu::visibility("default")]] coldbrick {

/// Squares on a page.
struct SquaredPaper {
    Size size{2480, 3508};     ///< the page's: A4 at 300 pixels an inch
    std::int32_t spacing = 59; ///< from line to line, 2..32767: 5 mm at 300 pixels an inch
    std::int32_t margin = 118; ///< on all sides at least, 0..32767
    std::int32_t heavy = 10;   ///< every so many squares a line is heavier, and its square numbered; 1..32767
    bool numbered = true;      ///< whether squares are numbered above and to the left, from 0 on
    Colour ground{255, 255, 255};
    Colour line{186, 205, 214};
    Colour heavy_line{120, 150, 166};
    Colour ink{70, 90, 104};
};

/// The page, as rgb8, with as many whole squares as have room, in its middle.
/// @throws ArgumentError if a value is outside its range, or if not one square has room.
[[nodiscard]] Image squared_paper(const SquaredPaper& paper = {});

} // namespace coldbrick
