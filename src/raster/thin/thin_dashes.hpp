/// @file
/// Dashes of thin lines.
#pragma once

#include "raster/spans/span_sink.hpp"
#include "raster/stroke/dash_pattern.hpp"
#include "raster/thin/thin_line_steps.hpp"

#include <coldbrick/line.hpp>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>
#include <cstdint>
#include <cstdlib>
#include <span>

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
    /// True of lines that are no longer than the walks over parts, within the first 2^25 pixels of a path,
    /// and of dashes that repeat within as many.
    [[nodiscard]] static bool takes(const DashPattern& dashes, const Line& line, long double begins) {
        constexpr std::int64_t longest = ThinLineSteps::longest_by_fractions / 2;
        return std::abs(std::int64_t{line.to.x} - line.from.x) <= longest &&
               std::abs(std::int64_t{line.to.y} - line.from.y) <= longest && begins <= 0x1p25L &&
               dashes.period() <= 0x1p25L;
    }

    /// @param line of which takes() is true
    /// @param begins the position of its first end
    LineDashes(const Line& line, long double begins)
        : line_(line), whole_(line), forward_(whole_.first == line.from), begins_(begins),
          longer_(whole_.error_reset / 2), shorter_(whole_.error_step / 2),
          square_(longer_ * longer_ + shorter_ * shorter_), length_(std::sqrt(static_cast<double>(square_))) {
        if (square_ == 0) return;
        const auto longer = static_cast<double>(longer_);
        const auto shorter = static_cast<double>(shorter_);
        steps_per_pixel_ = longer / length_;
        // A little more or less sends halves to the side that they are rounded to.
        constexpr std::uint64_t little = std::uint64_t{1} << 13;
        slope_ = (static_cast<std::uint64_t>(shorter / longer * 0x1p62) << 2) +
                 (whole_.sideways > 0 ? little : -little);
        steps_per_side_ = longer * shorter / static_cast<double>(square_) * (forward_ ? -0x1p-64 : 0x1p-64);
    }

    /// Calls visit(line, parts) for the steps of the whole line that are on and that the clip shows, some
    /// parts at a time.
    template <class Visit>
    void visit_parts(const DashPattern& dashes, const base::Clip& clip, const Visit& visit) const {
        const bool shows_all = clip.contains(line_.from) && clip.contains(line_.to);
        const StepRange shown = shows_all ? StepRange{0, whole_.count} : along_path(whole_.shown_by(clip));
        if (shown.begin >= shown.end) return;
        if (square_ == 0) {
            if (dashes.at(begins_).on) visit(whole_, std::span<const StepRange>(&shown, 1));
            return;
        }
        std::array<StepRange, 32> parts;
        StepRange* next = parts.data();
        const auto visit_found = [&] {
            visit(whole_, std::span<const StepRange>(parts.data(), next));
            next = parts.data();
        };
        const long double first =
            begins_ + (static_cast<double>(shown.begin) - 0.5) * length_ / static_cast<double>(longer_);
        const auto last = static_cast<double>(shown.end);
        using Bound = DashPattern::Bound;
        dashes.for_each_on_about(first, [&](long double start, const Bound& from, const Bound& to) {
            const double steps_to_start = static_cast<double>(start - begins_) * steps_per_pixel_;
            const double from_step = steps_to_start + from.near * steps_per_pixel_;
            if (from_step > last) return false;
            const double to_step = steps_to_start + to.near * steps_per_pixel_;
            const std::int64_t begin = std::max(shown.begin, first_from(start, from, from_step));
            const std::int64_t end = std::min(shown.end, first_from(start, to, to_step));
            if (begin >= end) return true;
            *next++ = along_path({begin, end});
            if (next == parts.data() + parts.size()) visit_found();
            return true;
        });
        if (next != parts.data()) visit_found();
    }

  private:
    // Steps are counted along the path here, from the line's end where it comes in.

    /// A range of the line's steps as one along the path, and the other way round.
    [[nodiscard]] StepRange along_path(const StepRange& steps) const {
        return forward_ ? steps : StepRange{whole_.count - steps.end, whole_.count - steps.begin};
    }
    [[nodiscard]] std::int64_t of_line(std::int64_t step) const { return forward_ ? step : longer_ - step; }

    /// The first step whose position is not before a bound's, counted beyond the line's ends, too.
    ///
    /// A pixel's centre lies within half a pixel of the line, along the shorter axis, so that its position is
    /// within a quarter of a step of where the step would be without rounding. Of what is taken, all that is
    /// worked out in doubles here is off by less than 2^-22 steps.
    /// @param start,bound the position is their sum
    /// @param ideal where the step would be without rounding
    [[nodiscard, gnu::always_inline]] std::int64_t
    first_from(long double start, const DashPattern::Bound& bound, double ideal) const {
        const auto step = static_cast<std::int64_t>(ideal + 0.7499); // all on the line before it are before
        const double beyond = static_cast<double>(step) - ideal;
        if (beyond > 0.2501) return step;
        // How far the pixel is beside the line, in units of 2^-64.
        const std::uint64_t side = static_cast<std::uint64_t>(of_line(step)) * slope_;
        const double exactly =
            beyond + static_cast<double>(static_cast<std::int64_t>(side)) * steps_per_side_;
        const bool is_from =
            std::abs(exactly) < 0x1p-20 ? position_of(step) >= start + bound.place : exactly > 0;
        return is_from ? step : step + 1;
    }

    [[nodiscard, gnu::noinline]] long double position_of(std::int64_t step) const {
        const std::int64_t number = of_line(step);
        // How far it is along the line, in pixels times the line's length.
        const std::int64_t scaled = number * longer_ + whole_.side_of(number) * shorter_;
        return begins_ + static_cast<double>(forward_ ? scaled : square_ - scaled) / length_;
    }

    Line line_;
    ThinLineSteps whole_;
    bool forward_; ///< the line's steps go the way of the path
    long double begins_;
    std::int64_t longer_; ///< the line's extents
    std::int64_t shorter_;
    std::int64_t square_; ///< of the line's length
    double length_;
    double steps_per_pixel_ = 0;
    std::uint64_t slope_ = 0;   ///< of the line, in units of 2^-64
    double steps_per_side_ = 0; ///< how far a pixel beside the line is along it, for such a unit
};

} // namespace coldbrick::raster
