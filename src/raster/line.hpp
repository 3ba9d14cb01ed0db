/// @file
/// The pixels of lines of width 1.
#pragma once

#include "raster/span_sink.hpp"

#include <coldbrick/line.hpp>

#include <cstddef>
#include <cstdint>

namespace coldbrick::raster {

/// The visible pixels of a line, as steps along its longer axis: the single place that decides them.
///
/// Pixel i from the end with the smaller longer-axis coordinate lies floor(ideal + 1/2) along the other axis,
/// so halves go to the larger coordinate. The division is carried along as an error term (Bresenham,
/// "Algorithm for computer control of a digital plotter", IBM Systems Journal 4(1), 1965), which starts from
/// the exact value at the first visible pixel, so that a cut line has the whole line's pixels.
struct LineSteps {
    Point first;                  ///< from here on the longer axis's coordinate grows
    std::int64_t count = 0;       ///< pixels; 0 if the clip shows none
    bool along_y = false;         ///< the longer axis is y
    std::int32_t sideways = 1;    ///< the direction of a side step: 1 or -1
    std::int64_t error = 0;       ///< below 0; a side step is due when it reaches 0
    std::int64_t error_step = 0;  ///< added at every step: twice the length of the shorter axis
    std::int64_t error_reset = 0; ///< taken off at a side step: twice the length of the longer axis

    LineSteps(const Line& line, const Clip& clip);

    /// Calls visit(pixel) for each pixel from `pixel` on, moving it by `along` at every step and by `side` as
    /// well at a side step. A pixel is whatever these can be added to: an address, an index.
    template <class Pixel, class Visit>
    void walk(Pixel pixel, std::ptrdiff_t along, std::ptrdiff_t side, Visit visit) const {
        std::int64_t rest = error;
        const std::int64_t straight_step = error_step;
        const std::int64_t diagonal_step = error_step - error_reset;
        const std::ptrdiff_t diagonal = along + side;
        for (std::int64_t i = count; i > 0; --i) {
            visit(pixel);
            const std::int64_t straight = rest + straight_step;
            const std::int64_t turned = rest + diagonal_step;
            const bool ahead =
                __builtin_expect_with_probability(static_cast<long>(straight < 0), 1, 0.5) != 0;
            pixel += ahead ? along : diagonal;
            rest = ahead ? straight : turned;
        }
    }

  private:
    /// Keeps what the clip shows.
    void cut(const Clip& clip, std::int64_t rounding);
};

/// The line at width 1, the only width so far.
void stroke(const Line& line, std::int32_t width, SpanSink& sink);

} // namespace coldbrick::raster
