#include "raster/coverage/circle_coverage.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>
#include <cstdint>
#include <span>

namespace coldbrick::raster {

namespace {

/// What a circle about (0, 0) covers in one row of the quarter right and below, between two heights.
class CircleRow {
  public:
    CircleRow(double radius, double top, double bottom)
        : radius_(radius), half_by_radius_(0.5 / radius), top_(top), bottom_(std::min(bottom, radius)),
          full_(bottom <= radius) {
        if (top >= radius) return;
        widest_ = half_width(top);
        narrowest_ = half_width(bottom_);
    }

    /// How far the circle reaches at the row's upper and lower end; 0 if it does not reach the row.
    [[nodiscard]] double widest() const { return widest_; }
    [[nodiscard]] double narrowest() const { return full_ ? narrowest_ : 0; }

    /// The height at which the circle passes a column's side, or else the row's end that is nearer.
    [[nodiscard]] double height_at(double side) const {
        return side >= radius_ ? top_ : std::clamp(half_width(side), top_, bottom_);
    }

    /// The area within two columns' sides: that of a trapezoid between the places where the circle enters and
    /// leaves, and the circle's segment beyond its slanted side.
    /// @param leaves,enters its heights at the left and the right side
    [[nodiscard]] double area(double left, double right, double leaves, double enters) const {
        if (left >= widest_) return 0;
        const double at_enter = enters == top_ ? widest_ : right;
        const double at_leave = leaves == bottom_ ? narrowest_ : left;
        const double near = std::min(at_enter, right) - left;
        const double far = std::clamp(at_leave, left, right) - left;
        const double tall = leaves - enters;
        return (enters - top_) * (right - left) + tall * (near + far) / 2 + segment(tall, near - far);
    }

  private:
    /// Also half the height at a distance from the middle.
    [[nodiscard]] double half_width(double height) const {
        return std::sqrt((radius_ - height) * (radius_ + height));
    }

    /// The area between a chord and the circle.
    [[nodiscard]] double segment(double tall, double wide) const {
        const double chord = std::sqrt(tall * tall + wide * wide);
        const double share = chord * half_by_radius_;
        constexpr double small = 1.0 / 32;
        if (share < small) return chord * chord * share / 6 * (1 + 0.3 * share * share);
        const double half_angle = std::asin(std::min(share, 1.0));
        return radius_ * radius_ * (half_angle - std::sin(2 * half_angle) / 2);
    }

    double radius_;
    double half_by_radius_;
    double top_;
    double bottom_;
    bool full_; ///< the circle reaches the row's lower end
    double widest_ = 0;
    double narrowest_ = 0;
};

/// Gives one row of a quarter to the rows and columns that mirror it.
class RingRows {
  public:
    RingRows(const SmoothRing& ring, SpanSink& sink) : ring_(ring), sink_(sink) {}

    void add_all() {
        const std::int64_t odd = ring_.centre_y.parity();
        // Rows are counted from the centre outwards, row 0 lying across it or just below.
        const std::int64_t middle = ring_.centre_y.pixel_at_or_before() + odd;
        const auto rows = static_cast<std::int64_t>(std::ceil(ring_.outer + 0.5)) + 1;
        const base::Clip& clip = sink_.clip();
        const auto distance = [&](std::int64_t y) { return y >= middle ? y - middle : middle - odd - y; };
        const bool across = clip.top <= middle && middle < clip.bottom;
        const std::int64_t nearest = across ? 0 : std::min(distance(clip.top), distance(clip.bottom - 1));
        const std::int64_t furthest = std::max(distance(clip.top), distance(clip.bottom - 1));
        for (std::int64_t row = nearest; row <= std::min(furthest, rows); ++row) {
            const std::int64_t below = middle + row;
            const std::int64_t above = middle - odd - row;
            const bool shows_below = below >= clip.top && below < clip.bottom;
            const bool shows_above = above != below && above >= clip.top && above < clip.bottom;
            if (!shows_below && !shows_above) continue;
            add_row(row, shows_below ? below : above, shows_below && shows_above ? above : below,
                    shows_below && shows_above);
        }
    }

  private:
    static constexpr std::size_t longest_run = 256;

    /// The sides of the row or column so far from the centre; the one across it counts by half.
    struct Sides {
        double near;
        double far;
    };
    static Sides sides(std::int64_t number, std::int64_t odd) {
        const double middle = static_cast<double>(number) + (odd != 0 ? 0.5 : 0);
        return {std::max(middle - 0.5, 0.0), middle + 0.5};
    }

    void add_row(std::int64_t row, std::int64_t y, std::int64_t other_y, bool has_other) {
        const Sides heights = sides(row, ring_.centre_y.parity());
        const CircleRow outer(ring_.outer, heights.near, heights.far);
        if (outer.widest() <= 0) return;
        const CircleRow inner(std::max(ring_.inner, 0.0), heights.near, heights.far);
        const std::int64_t odd = ring_.centre_x.parity();
        const auto column_at = [odd](double x) {
            return static_cast<std::int64_t>(x + (odd != 0 ? 0 : 0.5));
        };
        // Columns from the first that the hole's edge leaves in part to the last that the outer edge covers.
        const std::int64_t first =
            ring_.inner > 0 && inner.narrowest() > 0 ? column_at(inner.narrowest()) : 0;
        const std::int64_t end = column_at(outer.widest()) + 1;
        const std::int64_t full_from =
            ring_.inner > 0 && inner.widest() > 0 ? column_at(inner.widest()) + 1 : 0;
        const std::int64_t full_to = std::max(column_at(outer.narrowest()), full_from);
        const double tall = heights.far - heights.near;
        const RowPair pair{y, other_y, has_other};
        add_columns(first, full_from, outer, inner, tall, pair);
        if (full_from < full_to) {
            give_full(y, full_from, full_to);
            if (has_other) give_full(other_y, full_from, full_to);
        }
        add_columns(full_to, end, outer, inner, tall, pair);
    }

    /// A row and perhaps the one that mirrors it.
    struct RowPair {
        std::int64_t y;
        std::int64_t other_y;
        bool has_other;
    };

    /// @param tall how much of the row lies in the quarter
    void add_columns(std::int64_t begin, std::int64_t end, const CircleRow& outer, const CircleRow& inner,
                     double tall, const RowPair& rows) {
        const auto [from, to] = shown(begin, end);
        if (from >= to) return;
        const std::int64_t odd = ring_.centre_x.parity();
        const bool has_hole = inner.widest() > 0;
        double outer_height = outer.height_at(sides(from, odd).near);
        double inner_height = has_hole ? inner.height_at(sides(from, odd).near) : 0;
        std::array<std::uint8_t, longest_run> shares; // which are written before they are read
        std::size_t count = 0;
        for (std::int64_t column = from; column < to; ++column) {
            const auto [near, far] = sides(column, odd);
            const double next_height = outer.height_at(far);
            double area = outer.area(near, far, outer_height, next_height);
            outer_height = next_height;
            if (has_hole) {
                const double next = inner.height_at(far);
                area -= inner.area(near, far, inner_height, next);
                inner_height = next;
            }
            constexpr double near_half = 0x1p-12;
            const double share = std::clamp(area / ((far - near) * tall), 0.0, 1.0);
            shares[count++] = static_cast<std::uint8_t>(share * 255 + (0.5 + near_half));
            if (count < longest_run && column + 1 < to) continue;
            give(rows, column + 1 - static_cast<std::int64_t>(count), std::span(shares).first(count));
            count = 0;
        }
    }

    /// The columns that a clip may show on either side.
    struct Columns {
        std::int64_t from;
        std::int64_t to;
    };
    [[nodiscard]] Columns shown(std::int64_t begin, std::int64_t end) const {
        const base::Clip& clip = sink_.clip();
        const std::int64_t right = right_column(0);
        const std::int64_t left = left_column(0);
        const std::int64_t furthest = std::max(clip.right - 1 - right, left - clip.left);
        std::int64_t nearest = 0;
        if (clip.left > right) nearest = clip.left - right;
        if (clip.right - 1 < left) nearest = left - (clip.right - 1);
        return {std::max(begin, nearest), std::min(end, furthest + 1)};
    }

    [[nodiscard]] std::int64_t right_column(std::int64_t number) const {
        return ring_.centre_x.pixel_at_or_before() + ring_.centre_x.parity() + number;
    }
    [[nodiscard]] std::int64_t left_column(std::int64_t number) const {
        return ring_.centre_x.pixel_at_or_before() - number;
    }

    /// The columns from one on outwards, on both sides of both rows.
    void give(const RowPair& rows, std::int64_t column, std::span<const std::uint8_t> shares) {
        // Only at the ends there may be none.
        while (!shares.empty() && shares.back() == 0) shares = shares.first(shares.size() - 1);
        for (; !shares.empty() && shares.front() == 0; ++column) shares = shares.subspan(1);
        if (shares.empty()) return;
        const auto count = static_cast<std::int64_t>(shares.size());
        const std::int64_t right = right_column(column);
        const std::int64_t left = left_column(column + count - 1);
        std::array<std::uint8_t, longest_run> reversed; // likewise
        std::reverse_copy(shares.begin(), shares.end(), reversed.begin());
        // The column across the centre is meant once.
        const bool shared = left_column(column) == right;
        const auto on_left = std::span<const std::uint8_t>(reversed).first(shares.size() - (shared ? 1 : 0));
        give_run(rows.y, right, shares);
        give_run(rows.y, left, on_left);
        if (!rows.has_other) return;
        give_run(rows.other_y, right, shares);
        give_run(rows.other_y, left, on_left);
    }

    void give_run(std::int64_t y, std::int64_t x, std::span<const std::uint8_t> shares) {
        const base::Clip& clip = sink_.clip();
        const auto count = static_cast<std::int64_t>(shares.size());
        const std::int64_t begin = std::clamp<std::int64_t>(clip.left - x, 0, count);
        const std::int64_t end = std::clamp<std::int64_t>(clip.right - x, begin, count);
        if (begin == end) return;
        sink_.add_coverages(
            static_cast<std::int32_t>(y), x + begin,
            shares.subspan(static_cast<std::size_t>(begin), static_cast<std::size_t>(end - begin)));
    }

    void give_full(std::int64_t y, std::int64_t begin, std::int64_t end) {
        const auto row = static_cast<std::int32_t>(y);
        if (begin == 0) return sink_.add(row, left_column(end - 1), right_column(end - 1) + 1);
        sink_.add(row, left_column(end - 1), left_column(begin) + 1);
        sink_.add(row, right_column(begin), right_column(end - 1) + 1);
    }

    const SmoothRing& ring_;
    SpanSink& sink_;
};

} // namespace

void add_coverage(const SmoothRing& ring, SpanSink& sink) {
    RingRows(ring, sink).add_all();
}

} // namespace coldbrick::raster
