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

StepRange ThinLineSteps::shown_by(const base::Clip& clip) const {
    const View view = view_from(*this, clip);
    const std::int64_t last_step = count - 1;
    if (view.last_side < 0 || view.first_side > error_step / 2) return {0, 0};
    if (last_step == 0) return clip.contains(first) ? StepRange{0, 1} : StepRange{0, 0};
    // Side step s holds the steps i with s <= (i * error_step + rounding) / error_reset < s + 1.
    const auto first_step_of = [&](std::int64_t s) {
        return base::ceil_div(base::Int128{error_reset} * s - rounding(), base::Int128{error_step});
    };
    base::Int128 begin = std::max<std::int64_t>(0, view.first);
    base::Int128 last = std::min(last_step, view.last);
    if (view.first_side > 0) begin = std::max(begin, first_step_of(view.first_side));
    if (view.last_side < error_step / 2) last = std::min(last, first_step_of(view.last_side + 1) - 1);
    if (begin > last) return {0, 0};
    return {static_cast<std::int64_t>(begin), static_cast<std::int64_t>(last) + 1};
}

ThinLineSteps ThinLineSteps::part(const StepRange& steps) const {
    ThinLineSteps result = *this;
    result.count = std::max<std::int64_t>(steps.end - steps.begin, 0);
    if (result.count == 0 || error_reset == 0) return result;
    const base::Int128 scaled = base::Int128{steps.begin} * error_step + rounding();
    const auto side_steps = static_cast<std::int64_t>(base::floor_div(scaled, base::Int128{error_reset}));
    result.error = static_cast<std::int64_t>(scaled - base::Int128{side_steps} * error_reset) - error_reset;
    const std::int64_t side = sideways * side_steps;
    result.first = {static_cast<std::int32_t>(first.x + (along_y ? side : steps.begin)),
                    static_cast<std::int32_t>(first.y + (along_y ? steps.begin : side))};
    return result;
}

void add_steps(const ThinLineSteps& steps, SpanSink& sink) {
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
