#include "raster/thin/thin_line_steps.hpp"

#include "base/exact_arithmetic.hpp"

#include <algorithm>
#include <cstdlib>
#include <utility>

namespace coldbrick::raster {

namespace {

/// The clip seen from a line's first pixel: what of it shows, along the longer axis and in side steps.
struct View {
    std::int64_t first;
    std::int64_t last;
    std::int64_t first_side;
    std::int64_t last_side;
};

View view_from(const ThinLineSteps& line, const base::Clip& clip) {
    const auto [left, top] = std::pair{clip.left - line.first.x, clip.top - line.first.y};
    const auto [right, bottom] = std::pair{clip.right - 1 - line.first.x, clip.bottom - 1 - line.first.y};
    const auto [low, high] = line.along_y ? std::pair{left, right} : std::pair{top, bottom};
    return {line.along_y ? top : left, line.along_y ? bottom : right, line.sideways > 0 ? low : -high,
            line.sideways > 0 ? high : -low};
}

} // namespace

void ThinLineSteps::cut(const base::Clip& clip) {
    const View view = view_from(*this, clip);
    const std::int64_t last_step = count - 1;
    count = 0;
    if (view.last_side < 0 || view.first_side > error_step / 2 || last_step == 0) return;
    // Side step s holds the steps i with s <= (i * error_step + rounding) / error_reset < s + 1.
    const auto first_step_of = [&](std::int64_t s) {
        return base::ceil_div(base::Int128{error_reset} * s - rounding(), base::Int128{error_step});
    };
    base::Int128 begin = std::max<std::int64_t>(0, view.first);
    base::Int128 last = std::min(last_step, view.last);
    if (view.first_side > 0) begin = std::max(begin, first_step_of(view.first_side));
    if (view.last_side < error_step / 2) last = std::min(last, first_step_of(view.last_side + 1) - 1);
    if (begin > last) return;
    const base::Int128 scaled = begin * error_step + rounding();
    const base::Int128 side_steps = base::floor_div(scaled, base::Int128{error_reset});
    error = static_cast<std::int64_t>(scaled - side_steps * error_reset) - error_reset;
    const auto along = static_cast<std::int64_t>(begin);
    const auto side = static_cast<std::int64_t>(sideways * side_steps);
    first = {static_cast<std::int32_t>(first.x + (along_y ? side : along)),
             static_cast<std::int32_t>(first.y + (along_y ? along : side))};
    count = static_cast<std::int64_t>(last - begin) + 1;
}

void add_line(const Line& line, SpanSink& sink) {
    const ThinLineSteps steps(line, sink.clip());
    if (steps.along_y) {
        std::int64_t y = steps.first.y;
        steps.walk(std::ptrdiff_t{steps.first.x}, 0, steps.sideways, [&](std::ptrdiff_t x) {
            const auto column = static_cast<std::int32_t>(x);
            sink.add_visible({static_cast<std::int32_t>(y++), column, std::int64_t{column} + 1});
        });
        return;
    }
    // Neighbouring pixels of one row become one span.
    Span run{steps.first.y, steps.first.x, steps.first.x};
    steps.walk(std::ptrdiff_t{steps.first.y}, 0, steps.sideways, [&](std::ptrdiff_t y) {
        if (y != run.y) {
            sink.add_visible(run);
            run = {static_cast<std::int32_t>(y), static_cast<std::int32_t>(run.x_end), run.x_end};
        }
        ++run.x_end;
    });
    if (steps.count > 0) sink.add_visible(run);
}

} // namespace coldbrick::raster
