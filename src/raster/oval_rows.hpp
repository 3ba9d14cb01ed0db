/// @file
/// The rows of thin and filled ellipses as sets of columns, for shapes that are cut out of one.
#pragma once

#include "raster/curve.hpp"
#include "raster/oval.hpp"
#include "raster/runs.hpp"

#include <algorithm>
#include <cstdint>
#include <cstdlib>

namespace coldbrick::raster {

/// Rows are asked for by their y in pixels.
class OvalRows {
  public:
    explicit OvalRows(const Oval& oval)
        : oval_(oval), huge_(std::max(oval.a, oval.b) > std::uint64_t{1} << 20), upright_(oval) {
        if (oval.upright) return;
        if (huge_)
            huge_turned_ = TurnedCurve<long double>(oval);
        else
            turned_ = TurnedCurve<double>(oval);
    }

    /// The outline of width 1.
    [[nodiscard]] Runs outline(std::int64_t y) {
        const std::int64_t distance = 2 * y - oval_.centre_y;
        return oval_.upright ? runs(upright_.outline(std::abs(distance))) : turned_outline(distance);
    }

    /// The outline and everything between its leftmost and rightmost pixel.
    [[nodiscard]] Runs filled(std::int64_t y) {
        const std::int64_t distance = 2 * y - oval_.centre_y;
        if (oval_.upright) return runs(upright_.filled(std::abs(distance)));
        const Runs outlined = turned_outline(distance);
        if (outlined.empty()) return outlined;
        return Runs({outlined.begin()->begin, (outlined.end() - 1)->end});
    }

    /// The furthest rows from the centre that may have pixels, in half pixels.
    [[nodiscard]] std::int64_t reach() const {
        if (oval_.upright) return upright_.reach();
        return huge_ ? huge_turned_.reach() : turned_.reach();
    }

  private:
    [[nodiscard]] Runs turned_outline(std::int64_t distance) {
        return huge_ ? huge_turned_.outline(distance) : turned_.outline(distance);
    }

    [[nodiscard]] Runs runs(const SymmetricRow& row) const {
        if (row.outer < 0) return {};
        const Run whole{(oval_.centre_x - row.outer) / 2, (oval_.centre_x + row.outer) / 2 + 1};
        if (row.hole < 0) return Runs(whole);
        Runs result(Run{whole.begin, (oval_.centre_x - row.hole) / 2});
        result.unite({(oval_.centre_x + row.hole) / 2 + 1, whole.end});
        return result;
    }

    Oval oval_;
    bool huge_; ///< too large for a double's digits
    UprightCurve upright_;
    TurnedCurve<double> turned_;
    TurnedCurve<long double> huge_turned_;
};

/// The rows [first, end) of a clip within `reach` half pixels of a centre.
struct RowRange {
    std::int64_t first;
    std::int64_t end;
};
inline RowRange rows_about(const Oval& oval, std::int64_t reach, const Clip& clip) {
    return {std::max(clip.top, floor_div(oval.centre_y - reach, std::int64_t{2})),
            std::min(clip.bottom, floor_div(oval.centre_y + reach, std::int64_t{2}) + 1)};
}

} // namespace coldbrick::raster
