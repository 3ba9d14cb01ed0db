#include "raster/line.hpp"

#include "geometry/exact.hpp"

#include <algorithm>
#include <cstdlib>
#include <utility>

namespace coldbrick::raster {

namespace {

/// A line and a clip seen so that the longer axis comes first and grows.
struct Oriented {
    std::int64_t start; ///< along the longer axis
    std::int64_t length;
    std::int64_t side_start;
    std::int64_t side_length; ///< at least 0: the distance, in the direction `sideways`
    std::int64_t visible_begin;
    std::int64_t visible_end;
    std::int64_t side_first; ///< the first and last visible side step
    std::int64_t side_last;
    /// Added before dividing by 2 * length: rounds to the nearest, halves to the larger coordinate.
    std::int64_t rounding;
};

Oriented orient(const Line& line, const Clip& clip, bool along_y, std::int32_t sideways) {
    const auto [from, to] = (along_y ? line.from.y <= line.to.y : line.from.x <= line.to.x)
                                ? std::pair{line.from, line.to}
                                : std::pair{line.to, line.from};
    Oriented result{};
    result.start = along_y ? from.y : from.x;
    result.length = (along_y ? to.y : to.x) - result.start;
    result.side_start = along_y ? from.x : from.y;
    result.side_length = std::abs((along_y ? to.x : to.y) - result.side_start);
    result.visible_begin = along_y ? clip.top : clip.left;
    result.visible_end = along_y ? clip.bottom : clip.right;
    const std::int64_t low = along_y ? clip.left : clip.top;
    const std::int64_t high = (along_y ? clip.right : clip.bottom) - 1;
    result.side_first = sideways > 0 ? low - result.side_start : result.side_start - high;
    result.side_last = sideways > 0 ? high - result.side_start : result.side_start - low;
    result.rounding = sideways > 0 ? result.length : result.length - 1;
    return result;
}

/// The steps [first, last] along the line whose pixels the clip shows; first > last if there are none.
std::pair<std::int64_t, std::int64_t> visible_steps(const Oriented& line) {
    Int128 first = std::max<std::int64_t>(0, line.visible_begin - line.start);
    Int128 last = std::min(line.length, line.visible_end - 1 - line.start);
    // Side step s holds the steps i with s <= (2 i side_length + rounding) / (2 length) < s + 1.
    const auto first_step_of = [&line](std::int64_t s) {
        return ceil_div(Int128{2} * line.length * s - line.rounding, Int128{2} * line.side_length);
    };
    if (line.side_last < 0 || line.side_first > line.side_length)
        return {0, -1};
    if (line.side_first > 0)
        first = std::max(first, first_step_of(line.side_first));
    if (line.side_last < line.side_length)
        last = std::min(last, first_step_of(line.side_last + 1) - 1);
    return {static_cast<std::int64_t>(first), static_cast<std::int64_t>(last)};
}

} // namespace

LineSteps::LineSteps(const Line& line, const Clip& clip) {
    const std::int64_t dx = std::int64_t{line.to.x} - line.from.x;
    const std::int64_t dy = std::int64_t{line.to.y} - line.from.y;
    along_y = std::abs(dy) > std::abs(dx);
    sideways = (dx < 0) == (dy < 0) ? 1 : -1;
    const Oriented oriented = orient(line, clip, along_y, sideways);
    if (oriented.length == 0) { // a single pixel
        first = line.from;
        count = clip.contains(first) ? 1 : 0;
        error = -1;
        return;
    }
    const auto [first_step, last_step] = visible_steps(oriented);
    if (first_step > last_step)
        return;
    error_reset = 2 * oriented.length;
    error_step = 2 * oriented.side_length;
    const Int128 scaled = Int128{error_step} * first_step + oriented.rounding;
    const auto side_steps =
        first_step == 0 ? 0 : static_cast<std::int64_t>(floor_div(scaled, Int128{error_reset}));
    error = static_cast<std::int64_t>(scaled - Int128{side_steps} * error_reset) - error_reset;
    const auto position = static_cast<std::int32_t>(oriented.start + first_step);
    const auto side = static_cast<std::int32_t>(oriented.side_start + sideways * side_steps);
    first = along_y ? Point{side, position} : Point{position, side};
    count = last_step - first_step + 1;
}

void stroke(const Line& line, std::int32_t /*width*/, SpanSink& sink) {
    const LineSteps steps(line, sink.clip());
    if (steps.along_y) {
        std::int32_t y = steps.first.y;
        steps.walk(std::ptrdiff_t{steps.first.x}, 0, steps.sideways, [&](std::ptrdiff_t x) {
            const auto column = static_cast<std::int32_t>(x);
            sink.add_visible({y++, column, column + 1});
        });
        return;
    }
    // Neighbouring pixels of one row become one span.
    Span run{steps.first.y, steps.first.x, steps.first.x};
    steps.walk(std::ptrdiff_t{steps.first.y}, 0, steps.sideways, [&](std::ptrdiff_t y) {
        if (y != run.y) {
            sink.add_visible(run);
            run = {static_cast<std::int32_t>(y), run.x_end, run.x_end};
        }
        ++run.x_end;
    });
    if (steps.count > 0)
        sink.add_visible(run);
}

} // namespace coldbrick::raster

namespace coldbrick {

bool Line::contains(Point pixel) const {
    return raster::LineSteps(*this, raster::Clip::at(pixel)).count > 0;
}

} // namespace coldbrick
