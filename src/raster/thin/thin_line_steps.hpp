/// @file
/// The pixels of lines of width 1.
#pragma once

#include "base/exact_arithmetic.hpp"
#include "raster/spans/span_sink.hpp"

#include <coldbrick/line.hpp>

#include <cstddef>
#include <cstdint>
#include <cstdlib>
#include <span>

namespace coldbrick::raster {

/// The steps [begin, end).
struct StepRange {
    std::int64_t begin;
    std::int64_t end;
};

/// The visible pixels of a line, as steps along its longer axis: the single place that decides them.
///
/// Pixel i from the end with the smaller longer-axis coordinate lies floor(ideal + 1/2) along the other axis,
/// so halves go to the larger coordinate. The division is carried along as an error term (Bresenham,
/// "Algorithm for computer control of a digital plotter", IBM Systems Journal 4(1), 1965), which starts from
/// the exact value at the first visible pixel, so that a cut line has the whole line's pixels.
struct ThinLineSteps {
    Point first;               ///< from here on the longer axis's coordinate grows
    std::int64_t count = 0;    ///< pixels; 0 if the clip shows none
    bool along_y = false;      ///< the longer axis is y
    std::int32_t sideways = 1; ///< the direction of a side step: 1 or -1
    std::int64_t error = 0;    ///< below 0; a side step is due when it reaches 0
    std::int64_t error_step =
        0; ///< added at every step: twice the whole line's length along the shorter axis
    std::int64_t error_reset = 0; ///< taken off at a side step: twice its length along the longer axis

    /// All of the line.
    [[gnu::always_inline]] explicit ThinLineSteps(const Line& line) {
        const std::int64_t dx = std::int64_t{line.to.x} - line.from.x;
        const std::int64_t dy = std::int64_t{line.to.y} - line.from.y;
        const std::int64_t across = std::abs(dx);
        const std::int64_t down = std::abs(dy);
        along_y = down > across;
        const std::int64_t length = along_y ? down : across;
        sideways = static_cast<std::int32_t>((dx ^ dy) >> 63 | 1);
        first = (along_y ? dy : dx) >= 0 ? line.from : line.to;
        error_step = 2 * (along_y ? across : down);
        error_reset = 2 * length;
        error = rounding() - error_reset;
        count = length + 1;
    }

    /// What the clip shows of the line.
    ThinLineSteps(const Line& line, const base::Clip& clip) : ThinLineSteps(line) {
        if (!clip.contains(line.from) || !clip.contains(line.to)) *this = part(shown_by(clip));
    }

    /// Which of a whole line's steps the clip shows.
    [[nodiscard]] StepRange shown_by(const base::Clip& clip) const;

    /// Some of the steps.
    [[nodiscard]] ThinLineSteps part(const StepRange& steps) const;

    /// How many side steps come before a step of a whole line.
    [[nodiscard]] std::int64_t side_of(std::int64_t step) const {
        return error_reset == 0 ? 0 : (step * error_step + error + error_reset) / error_reset;
    }

    /// Calls visit(pixel) for each pixel from `pixel` on, moving it by `along` at every step and by `side` as
    /// well at a side step. A pixel is whatever these can be added to: an address, an index.
    template <class Pixel, class Visit>
    [[gnu::always_inline]] void walk(Pixel pixel, std::ptrdiff_t along, std::ptrdiff_t side,
                                     const Visit& visit) const {
        if (error_step == error_reset) // a diagonal, or one pixel
            return visit_all(count, StraightWalker{along + side}, pixel, visit);
        if (error_reset <= longest_by_fractions)
            return visit_all(count, FractionWalker(*this, along, side), pixel, visit);
        visit_all(count, Walker(*this, along, side), pixel, visit);
    }

    /// Walks over the pixels of parts of a whole line that is not longer than longest_by_fractions.
    template <class Pixel, class Visit>
    [[gnu::always_inline]] void walk_parts(std::span<const StepRange> parts, Pixel pixel,
                                           std::ptrdiff_t along, std::ptrdiff_t side,
                                           const Visit& visit) const {
        const auto walk_all = [&](const auto& walker) __attribute__((always_inline)) {
            for (const StepRange& part : parts) {
                auto ahead = walker;
                const std::ptrdiff_t skipped = ahead.skip(part.begin);
                visit_all(part.end - part.begin, ahead, pixel + skipped, visit);
            }
        };
        error_step == error_reset ? walk_all(StraightWalker{along + side})
                                  : walk_all(FractionWalker(*this, along, side));
    }

    /// Up to this error_reset, walks are the fastest.
    static constexpr std::int64_t longest_by_fractions = std::int64_t{1} << 21;

  private:
    // A walker's step() tells how far it is to the next pixel: arithmetic instead of a jump, which could not
    // be foreseen.

    struct StraightWalker {
        std::ptrdiff_t both;
        [[nodiscard]] std::ptrdiff_t step() const { return both; }
        [[nodiscard]] std::ptrdiff_t skip(std::int64_t steps) const { return steps * both; }
    };

    /// The side steps are the carries of a sum of fractions of 64 bits.
    ///
    /// In units of an error_reset, every ideal sum is a multiple of 1 / error_reset. The start and the step
    /// are worked out in doubles, off by less than 2^-51, and a little is added to both; so that, after up to
    /// 2^20 steps, the sum is above the ideal one by more than 0 and less than 2^-39 + 2^20 * 2^-50, which is
    /// less than 1 / error_reset: it has the same whole part.
    class FractionWalker {
      public:
        FractionWalker(const ThinLineSteps& line, std::ptrdiff_t along, std::ptrdiff_t side)
            : along_(along), both_(along + side) {
            const double unit = 0x1p62 / static_cast<double>(line.error_reset);
            sum_ = fraction(line.error + line.error_reset, unit) + (std::uint64_t{1} << 24);
            step_ = fraction(line.error_step, unit) + (std::uint64_t{1} << 13);
        }

        [[gnu::always_inline]] std::ptrdiff_t step() {
            return __builtin_add_overflow(sum_, step_, &sum_) ? both_ : along_;
        }

        /// The same for this many steps, from 0 on.
        [[gnu::always_inline]] std::ptrdiff_t skip(std::int64_t steps) {
            const base::Uint128 sum = base::Uint128{step_} * static_cast<std::uint64_t>(steps) + sum_;
            sum_ = static_cast<std::uint64_t>(sum);
            return steps * along_ + static_cast<std::ptrdiff_t>(sum >> 64U) * (both_ - along_);
        }

      private:
        static std::uint64_t fraction(std::int64_t part, double unit) {
            return static_cast<std::uint64_t>(static_cast<std::int64_t>(static_cast<double>(part) * unit))
                   << 2;
        }

        std::uint64_t sum_;
        std::uint64_t step_;
        std::ptrdiff_t along_;
        std::ptrdiff_t both_;
    };

    /// Carries the error along.
    class Walker {
      public:
        Walker(const ThinLineSteps& line, std::ptrdiff_t along, std::ptrdiff_t side)
            : rest_(line.error + line.error_reset), step_(line.error_step - line.error_reset),
              reset_(line.error_reset), both_(along + side), side_(side) {}

        [[gnu::always_inline]] std::ptrdiff_t step() {
            rest_ += step_;
            const std::int64_t early = rest_ >> 63; // all ones if no side step is due
            rest_ += reset_ & early;
            return both_ - (side_ & static_cast<std::ptrdiff_t>(early));
        }

      private:
        std::int64_t rest_; ///< in [0, reset)
        std::int64_t step_;
        std::int64_t reset_;
        std::ptrdiff_t both_;
        std::ptrdiff_t side_;
    };

    template <class AnyWalker, class Pixel, class Visit>
    [[gnu::always_inline]] static void visit_all(std::int64_t left, AnyWalker walker, Pixel pixel,
                                                 const Visit& visit) {
        for (; left >= 2; left -= 2) {
            visit(pixel);
            pixel += walker.step();
            visit(pixel);
            pixel += walker.step();
        }
        if (left != 0) visit(pixel);
    }

    /// Side step i is floor((i * error_step + rounding) / error_reset): halves go to the larger coordinate.
    [[nodiscard]] std::int64_t rounding() const { return error_reset / 2 - (sideways > 0 ? 0 : 1); }
};

/// Adds pixels, all of which the sink's clip shows.
void add_steps(const ThinLineSteps& steps, SpanSink& sink);

/// The same with parts of a whole line.
inline void add_steps(const ThinLineSteps& line, std::span<const StepRange> parts, SpanSink& sink) {
    for (const StepRange& part : parts) add_steps(line.part(part), sink);
}

/// Adds the line at width 1.
inline void add_line(const Line& line, SpanSink& sink) {
    add_steps(ThinLineSteps(line, sink.clip()), sink);
}

} // namespace coldbrick::raster
