/// @file
/// The pixels of lines of width 1.
#pragma once

#include "raster/spans/span_sink.hpp"

#include <coldbrick/line.hpp>

#include <cstddef>
#include <cstdint>
#include <cstdlib>

namespace coldbrick::raster {

/// The visible pixels of a line, as steps along its longer axis: the single place that decides them.
///
/// Pixel i from the end with the smaller longer-axis coordinate lies floor(ideal + 1/2) along the other axis,
/// so halves go to the larger coordinate. The division is carried along as an error term (Bresenham,
/// "Algorithm for computer control of a digital plotter", IBM Systems Journal 4(1), 1965), which starts from
/// the exact value at the first visible pixel, so that a cut line has the whole line's pixels.
struct ThinLineSteps {
    Point first;                  ///< from here on the longer axis's coordinate grows
    std::int64_t count = 0;       ///< pixels; 0 if the clip shows none
    bool whole = true;            ///< the clip shows all of the line
    bool along_y = false;         ///< the longer axis is y
    std::int32_t sideways = 1;    ///< the direction of a side step: 1 or -1
    std::int64_t error = 0;       ///< below 0; a side step is due when it reaches 0
    std::int64_t error_step = 0;  ///< added at every step: twice the length of the shorter axis
    std::int64_t error_reset = 0; ///< taken off at a side step: twice the length of the longer axis

    ThinLineSteps(const Line& line, const base::Clip& clip) {
        const std::int64_t dx = std::int64_t{line.to.x} - line.from.x;
        const std::int64_t dy = std::int64_t{line.to.y} - line.from.y;
        along_y = std::abs(dy) > std::abs(dx);
        sideways = (dx < 0) == (dy < 0) ? 1 : -1;
        first = (along_y ? dy : dx) >= 0 ? line.from : line.to;
        const std::int64_t length = std::abs(along_y ? dy : dx);
        // Side step i is floor((i * error_step + rounding) / error_reset): halves go to the larger
        // coordinate.
        const std::int64_t rounding = sideways > 0 ? length : length - 1;
        error_step = 2 * std::abs(along_y ? dx : dy);
        error_reset = 2 * length;
        error = rounding - error_reset;
        count = length + 1;
        if (!clip.contains(line.from) || !clip.contains(line.to)) cut(clip, rounding);
    }

    /// Calls visit(pixel) for each pixel from `pixel` on, moving it by `along` at every step and by `side` as
    /// well at a side step. A pixel is whatever these can be added to: an address, an index.
    template <class Pixel, class Visit>
    void walk(Pixel pixel, std::ptrdiff_t along, std::ptrdiff_t side, Visit visit) const {
        Walker<Pixel> walker(*this, pixel, error, along, side);
        for (std::int64_t i = count; i > 0; --i) {
            visit(walker.pixel());
            walker.step();
        }
    }

    /// As walk(), in any order. A whole line looks the same from its other end, so that two walkers, each of
    /// whose steps must wait for the one before, can go side by side.
    template <class Pixel, class Visit>
    void walk_in_any_order(Pixel pixel, std::ptrdiff_t along, std::ptrdiff_t side, Visit visit) const {
        if (!whole) return walk(pixel, along, side, visit);
        Walker<Pixel> walker(*this, pixel, error, along, side);
        const Pixel last = pixel + (count - 1) * along + error_step / 2 * side;
        Walker<Pixel> back(*this, last, -1 - error - error_reset, -along, -side);
        for (std::int64_t i = count / 2; i > 0; --i) {
            visit(walker.pixel());
            visit(back.pixel());
            walker.step();
            back.step();
        }
        if (count % 2 != 0) visit(walker.pixel());
    }

  private:
    template <class Pixel>
    class Walker {
      public:
        Walker(const ThinLineSteps& line, Pixel first, std::int64_t first_error, std::ptrdiff_t along,
               std::ptrdiff_t side)
            : pixel_(first), rest_(first_error + line.error_reset), step_(line.error_step - line.error_reset),
              reset_(line.error_reset), diagonal_(along + side), side_(side) {}

        [[nodiscard]] Pixel pixel() const { return pixel_; }

        /// Goes aside, and back again if no side step was due: arithmetic instead of a jump, which could not
        /// be foreseen.
        [[gnu::always_inline]] void step() {
            rest_ += step_;
            const std::int64_t early = rest_ >> 63; // all ones if no side step is due
            rest_ += reset_ & early;
            pixel_ += diagonal_ - (side_ & static_cast<std::ptrdiff_t>(early));
        }

      private:
        Pixel pixel_;
        std::int64_t rest_; ///< in [0, reset)
        std::int64_t step_;
        std::int64_t reset_;
        std::ptrdiff_t diagonal_;
        std::ptrdiff_t side_;
    };

    /// Keeps what the clip shows.
    void cut(const base::Clip& clip, std::int64_t rounding);
};

/// Adds the line at width 1.
void add_line(const Line& line, SpanSink& sink);

} // namespace coldbrick::raster
