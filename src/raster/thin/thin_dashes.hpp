/// @file
/// Dashes of thin lines.
#pragma once

#include "raster/spans/span_sink.hpp"
#include "raster/stroke/dash_pattern.hpp"
#include "raster/thin/thin_line_steps.hpp"

#include <coldbrick/line.hpp>

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <cstdlib>

namespace coldbrick::raster {

/// Adds those of the pixels that thin(sink) adds to the sink it is given whose position(x, y) along the path,
/// in pixels, lies in an on stretch.
template <class Position, class Thin>
void add_thin_dashes(const DashPattern& dashes, SpanSink& target, Position position, Thin thin) {
    struct Filter {
        SpanSink& target;
        Position& position;
        DashFinder dashes;

        static void receive(void* self, std::span<const Span> spans) {
            auto& filter = *static_cast<Filter*>(self);
            for (const Span& span : spans) {
                std::int64_t begin = span.x_end; // of the pixels that are on
                for (std::int64_t x = span.x_begin; x < span.x_end; ++x) {
                    const bool on = filter.dashes.on(filter.position(x, std::int64_t{span.y}));
                    if (on) begin = std::min(begin, x);
                    if (on) continue;
                    filter.target.add(span.y, begin, x);
                    begin = span.x_end;
                }
                filter.target.add(span.y, begin, span.x_end);
            }
        }
    };
    Filter filter{target, position, DashFinder(dashes)};
    SpanSink::run(target.clip(), {&filter, Filter::receive}, thin);
}

/// The dashes of a line that is part of a path, as stretches of its steps. A pixel's position is where its
/// centre, seen from the side, lies along the path.
class LineDashes {
  public:
    /// Products of a line's extents are exact in a double up to here.
    static constexpr std::int64_t longest = std::int64_t{1} << 25;
    [[nodiscard]] static bool takes(const Line& line) {
        return std::abs(std::int64_t{line.to.x} - line.from.x) < longest &&
               std::abs(std::int64_t{line.to.y} - line.from.y) < longest;
    }

    /// @param line of which takes() is true
    /// @param begins the position of its first end
    LineDashes(const Line& line, long double begins)
        : whole_(line), forward_(whole_.first == line.from), begins_(begins),
          square_(whole_.error_reset / 2 * (whole_.error_reset / 2) +
                  whole_.error_step / 2 * (whole_.error_step / 2)),
          length_(std::sqrt(static_cast<double>(square_))),
          steps_per_scaled_(
              square_ == 0 ? 0 : static_cast<double>(whole_.count - 1) / static_cast<double>(square_)) {}

    /// Calls visit(steps) for the parts of the line that are on and that the clip shows.
    template <class Visit>
    void for_each(const DashPattern& dashes, const base::Clip& clip, const Visit& visit) const {
        const StepRange shown = whole_.shown_by(clip);
        if (shown.begin >= shown.end) return;
        const long double one_end = position(shown.begin);
        const long double other_end = position(shown.end - 1);
        const auto visit_stretch = [&](long double from, long double to) {
            const std::int64_t begin = std::max(shown.begin, first_from(forward_ ? from : to));
            const std::int64_t end = std::min(shown.end, first_from(forward_ ? to : from));
            if (begin < end) visit(whole_.part({begin, end}));
        };
        dashes.for_each_on(std::min(one_end, other_end), std::max(one_end, other_end), visit_stretch);
    }

  private:
    /// How far a step lies from the first one along the line, in pixels times the line's length.
    [[nodiscard]] std::int64_t scaled_from_first(std::int64_t step) const {
        return step * (whole_.error_reset / 2) + whole_.side_of(step) * (whole_.error_step / 2);
    }
    [[nodiscard]] long double position_of(std::int64_t scaled) const {
        return square_ == 0 ? begins_ : begins_ + static_cast<double>(scaled) / length_;
    }
    [[nodiscard]] long double position(std::int64_t step) const {
        const std::int64_t scaled = scaled_from_first(step);
        return position_of(forward_ ? scaled : square_ - scaled);
    }

    /// The least number of -1..most + 1 of which a monotone condition is true, from a guess on.
    template <class Condition>
    static std::int64_t least_with(std::int64_t guess, std::int64_t most, const Condition& condition) {
        std::int64_t result = std::clamp<std::int64_t>(guess, 0, most);
        if (condition(result)) {
            while (result >= 0 && condition(result - 1)) --result;
            return result;
        }
        do ++result;
        while (result <= most && !condition(result));
        return result;
    }

    /// The first step whose position is not before this, or, on the way back, is before it.
    [[nodiscard]] std::int64_t first_from(long double position) const {
        if (square_ == 0) return (position_of(0) >= position) == forward_ ? 0 : 1;
        const double guess = std::clamp(static_cast<double>(position - begins_) * length_, -1.0, 0x1p52);
        const std::int64_t least =
            least_with(static_cast<std::int64_t>(guess), square_,
                       [&](std::int64_t scaled) { return position_of(scaled) >= position; });
        const std::int64_t target = forward_ ? least : square_ - least + 1;
        if (target <= 0) return 0;
        if (target > square_) return whole_.count;
        const auto near = static_cast<std::int64_t>(static_cast<double>(target) * steps_per_scaled_);
        return least_with(near, whole_.count - 1,
                          [&](std::int64_t step) { return scaled_from_first(step) >= target; });
    }

    ThinLineSteps whole_;
    bool forward_; ///< steps go the way of the path
    long double begins_;
    std::int64_t square_; ///< of the line's length
    double length_;
    double steps_per_scaled_;
};

} // namespace coldbrick::raster
