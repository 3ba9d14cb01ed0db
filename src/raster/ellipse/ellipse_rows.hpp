/// @file
/// The rows of thin and filled ellipses as sets of columns, for shapes that are cut out of one.
#pragma once

#include "raster/ellipse/ellipse_axes.hpp"
#include "raster/ellipse/ellipse_outline.hpp"
#include "raster/spans/row_range.hpp"
#include "raster/spans/row_runs.hpp"

#include <algorithm>
#include <cmath>
#include <cstdint>

namespace coldbrick::raster {

/// What a row has about a centre, as columns.
inline RowRuns mirrored_about(HalfPixels centre_x, const MirroredRow& row) {
    const MirroredRuns runs = runs_of({centre_x, {}, centre_x, {}}, row);
    RowRuns result(Run{runs.x, runs.x + runs.length});
    if (runs.other_x != runs.x) result.unite({runs.other_x, runs.other_x + runs.length});
    return result;
}

/// Rows are asked for by their y in pixels.
class EllipseRows {
  public:
    explicit EllipseRows(const EllipseAxes& axes)
        : axes_(axes), huge_(std::max(axes.a, axes.b) > largest_in_doubles), upright_(axes) {
        if (axes.upright) return;
        if (huge_)
            huge_turned_ = TurnedEllipse<long double>(axes);
        else
            turned_ = TurnedEllipse<double>(axes);
    }

    /// The outline of width 1.
    [[nodiscard]] RowRuns outline(std::int64_t y) {
        const HalfPixels distance = HalfPixels::of_pixels(y) - axes_.centre_y;
        return axes_.upright ? mirrored_about(axes_.centre_x, upright_.outline(std::max(distance, -distance)))
                             : turned_outline(distance);
    }

    /// The outline and everything between its leftmost and rightmost pixel.
    [[nodiscard]] RowRuns filled(std::int64_t y) {
        const HalfPixels distance = HalfPixels::of_pixels(y) - axes_.centre_y;
        if (axes_.upright)
            return mirrored_about(axes_.centre_x, upright_.filled(std::max(distance, -distance)));
        const RowRuns outlined = turned_outline(distance);
        if (outlined.empty()) return outlined;
        return RowRuns({outlined.begin()->begin, (outlined.end() - 1)->end});
    }

    /// The furthest rows from the centre that may have pixels.
    [[nodiscard]] HalfPixels reach() const {
        if (axes_.upright) return upright_.reach();
        return huge_ ? huge_turned_.reach() : turned_.reach();
    }

  private:
    [[nodiscard]] RowRuns turned_outline(HalfPixels distance) {
        return huge_ ? huge_turned_.outline(distance) : turned_.outline(distance);
    }

    EllipseAxes axes_;
    bool huge_;
    UprightEllipse upright_;
    TurnedEllipse<double> turned_;
    TurnedEllipse<long double> huge_turned_;
};

/// The rows of a clip within reach of a centre.
inline RowRange rows_about(HalfPixels centre_y, HalfPixels reach, const base::Clip& clip) {
    return {std::max(clip.top, (centre_y - reach).pixel_at_or_before()),
            std::min(clip.bottom, (centre_y + reach).pixel_at_or_before() + 1)};
}

/// The row, in pixels, that a height seen from a centre lies on, or the one above it.
inline std::int64_t row_at(HalfPixels centre_y, RealHalfPixels height) {
    const RealHalfPixels centre{static_cast<long double>(centre_y.count)};
    return static_cast<std::int64_t>(std::floor((centre + height).in_pixels()));
}

} // namespace coldbrick::raster
