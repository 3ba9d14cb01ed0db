/// @file
/// Edges of polygons whose corners do not lie far from each other, as those of most do not.
#pragma once

#include <coldbrick/fill_rule.hpp>
#include <coldbrick/point.hpp>

#include <algorithm>
#include <cstdint>
#include <cstdlib>

namespace coldbrick::raster {

/// How wide and high a NearEdge may be. Its ends' coordinates are below 2^30 in size.
constexpr std::int32_t widest_near_edge = 1 << 16;
constexpr std::int32_t highest_near_edge = 1 << 14;

/// An edge as ExactEdge has it, with the same pixels, stepped by one addition in numbers of 32 bits before
/// and 32 after the point.
///
/// Crossings are multiples of 1 / (2 height), or of 1 / height; a number that is above one of them by less
/// than that has the same whole part. A step is above the ideal one by at most 2^-30, so that, over the
/// height of up to 2^14 rows, sums are above theirs by less than 2^-16, where 1 / (2 height) is 2^-15 at
/// least. Where a crossing is to be rounded up instead, 2^-15 is taken off and 1 added.
/// @tparam extent whether edges have pixels of their own
template <FillExtent extent>
class NearEdge {
    static constexpr bool bare = extent == FillExtent::tiling;

  public:
    using Place = std::int32_t;

    /// As ExactEdge.
    NearEdge(Point upper_end, Point lower_end, int winding, FillExtent, std::int64_t top) {
        const std::int32_t width = lower_end.x - upper_end.x;
        const std::int32_t height = lower_end.y - upper_end.y;
        low_ = std::min(upper_end.x, lower_end.x);
        high_ = low_ + std::abs(width) + 1;
        first_ = static_cast<std::int32_t>(std::max<std::int64_t>(upper_end.y, top));
        last_ = lower_end.y - (bare ? 1 : 0);
        winding_ = first_ == lower_end.y ? 0 : winding;
        if (height > 0)
            start(upper_end.x, width, height, first_ - upper_end.y);
        else
            start_level();
        place();
    }

    [[nodiscard]] Place first_row() const { return first_; }
    [[nodiscard]] Place last_row() const { return last_; }

    [[nodiscard]] Place begin() const { return begin_; }
    [[nodiscard]] Place end() const { return bare ? begin_ : end_; }
    [[nodiscard]] std::int32_t winding() const { return winding_; }

    [[gnu::always_inline]] void step(Place y) {
        x_ += step_;
        if (!bare && y == last_) winding_ = 0;
        place();
    }

  private:
    static constexpr std::int64_t one = std::int64_t{1} << 32;
    static constexpr std::int64_t up = one - (one >> 15);

    /// All of it on one row.
    void start_level() {
        x_ = low_ * one;
        step_ = 0;
        spread_ = (std::int64_t{high_} - low_) * one;
    }

    void start(std::int32_t upper_x, std::int32_t width, std::int32_t height, std::int32_t rows_left_out) {
        // Cut to a whole number of units, it is above the ideal one by more than 0 and less than 4 of them.
        step_ = static_cast<std::int64_t>(static_cast<double>(width) / height * 0x1p32) + 2;
        x_ = upper_x * one + rows_left_out * step_;
        if (bare) {
            x_ += up;
        } else if (std::abs(width) < height) { // steep: the nearest pixel
            x_ += one / 2;
            spread_ = one;
        } else { // from half a row above to half a row below
            x_ += (width > 0 ? up : one + step_) - (step_ >> 1);
            spread_ = std::abs(step_);
        }
    }

    [[gnu::always_inline]] void place() {
        const auto here = static_cast<std::int32_t>(x_ >> 32);
        if (bare) {
            begin_ = here;
            return;
        }
        begin_ = std::max(here, low_);
        end_ = std::min(static_cast<std::int32_t>((x_ + spread_) >> 32), high_);
    }

    std::int64_t x_;
    std::int64_t step_;
    std::int64_t spread_; ///< from the beginning of a row's pixels to their end
    std::int32_t begin_;
    std::int32_t end_;
    std::int32_t low_;
    std::int32_t high_;
    std::int32_t first_;
    std::int32_t last_;
    std::int32_t winding_;
};

} // namespace coldbrick::raster
