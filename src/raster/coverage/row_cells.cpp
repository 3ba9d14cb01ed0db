#include "raster/coverage/row_cells.hpp"

#include <algorithm>
#include <bit>
#include <cmath>
#include <limits>

namespace coldbrick::raster {

namespace {

constexpr std::size_t word_bits = 64;
constexpr std::size_t no_word = std::numeric_limits<std::size_t>::max();

} // namespace

RowCells::RowCells(std::int64_t left, std::int64_t right, bool tiling)
    : left_(left), right_(right), tiling_(tiling), cells_(static_cast<std::size_t>(right - left)),
      touched_((cells_.size() + word_bits - 1) / word_bits), first_touched_(no_word) {}

inline void RowCells::add_to(std::int64_t column, std::int64_t height, std::int64_t area) {
    const auto at = static_cast<std::size_t>(column - left_);
    Cell& cell = cells_[at];
    cell.area += area;
    cell.height += height;
    const std::size_t word = at / word_bits;
    touched_[word] |= std::uint64_t{1} << (at % word_bits);
    first_touched_ = std::min(first_touched_, word);
    end_touched_ = std::max(end_touched_, word + 1);
}

void RowCells::add_whole(const RowPiece& piece, std::int64_t sign) {
    const std::int64_t column = piece.left() >> sub_pixel_bits;
    if (column >= right_) return;
    if (piece.right() > (column + 1) << sub_pixel_bits) {
        if (column < left_) return add_across(piece, piece.top, piece.bottom, sign);
        return add_whole_across(piece, sign);
    }
    const std::int64_t tall = sign * (height(piece.bottom) - height(piece.top));
    if (column < left_)
        before_ += tall;
    else
        add_to(column, tall, tall * (piece.top_x + piece.bottom_x - 2 * (column << sub_pixel_bits)));
}

/// All columns of a piece that begins in the first one or right of it.
void RowCells::add_whole_across(const RowPiece& piece, std::int64_t sign) {
    const std::int64_t left = piece.left();
    const std::int64_t right = piece.right();
    const bool falls = piece.top_x <= piece.bottom_x;
    const double rise = static_cast<double>(piece.bottom - piece.top) / static_cast<double>(right - left);
    const std::int64_t last = std::min((right - 1) >> sub_pixel_bits, right_ - 1);
    std::int32_t near_y = falls ? piece.top : piece.bottom;
    std::int64_t near = left;
    for (std::int64_t column = left >> sub_pixel_bits; column <= last; ++column) {
        const std::int64_t side = column << sub_pixel_bits;
        const std::int64_t far = std::min(right, side + sub_pixels);
        std::int32_t far_y = falls ? piece.bottom : piece.top;
        if (far != right)
            far_y = piece.top + static_cast<std::int32_t>(
                                    std::lrint(rise * static_cast<double>(falls ? far - left : right - far)));
        const std::int64_t tall =
            sign * (falls ? height(far_y) - height(near_y) : height(near_y) - height(far_y));
        add_to(column, tall, tall * (near + far - 2 * side));
        near = far;
        near_y = far_y;
    }
}

/// Column by column, from left to right. In each one the piece has a lowest and a highest place; the area up
/// to a height is that of a trapezoid from the highest one down.
void RowCells::add_across(const RowPiece& piece, std::int32_t from, std::int32_t to, std::int64_t sign) {
    const std::int64_t left = piece.left();
    const std::int64_t right = piece.right();
    const bool falls = piece.top_x <= piece.bottom_x; // to the right
    const std::int64_t wide = right - left;
    const auto tall = static_cast<double>(piece.bottom - piece.top);
    const double rise = wide == 0 ? 0 : tall / static_cast<double>(wide);
    // The height at which it passes a column's side.
    const auto height_at = [&](std::int64_t x) -> std::int32_t {
        if (x <= left) return falls ? piece.top : piece.bottom;
        if (x >= right) return falls ? piece.bottom : piece.top;
        const auto down =
            static_cast<std::int32_t>(std::lrint(rise * static_cast<double>(falls ? x - left : right - x)));
        return piece.top + down;
    };
    const auto x_at = [&](std::int32_t y) {
        const double share = static_cast<double>(y - piece.top) / tall;
        return piece.top_x + std::llrint(share * static_cast<double>(piece.bottom_x - piece.top_x));
    };
    const std::int64_t first = left >> sub_pixel_bits;
    const std::int64_t last = std::max(first, (right - 1) >> sub_pixel_bits);
    std::int64_t column = std::max(first, left_);
    if (column > first) {
        // What lies left of all columns counts as height only.
        const std::int64_t edge = left_ << sub_pixel_bits;
        const bool all = right <= edge;
        const std::int32_t top = std::max(from, falls || all ? piece.top : height_at(edge));
        const std::int32_t bottom = std::min(to, falls && !all ? height_at(edge) : piece.bottom);
        if (top < bottom) before_ += sign * (height(bottom) - height(top));
    }
    for (; column <= last && column < right_; ++column) {
        const std::int64_t side = column << sub_pixel_bits;
        const std::int64_t near = std::max(left, side);
        const std::int64_t far = std::min(right, side + sub_pixels);
        const std::int32_t near_y = height_at(near);
        const std::int32_t far_y = wide == 0 ? piece.bottom : height_at(far);
        const std::int32_t top = falls ? near_y : far_y;
        const std::int32_t bottom = wide == 0 ? piece.bottom : falls ? far_y : near_y;
        const std::int32_t begin = std::clamp(from, top, bottom);
        const std::int32_t end = std::clamp(to, top, bottom);
        if (begin == end) continue;
        const std::int64_t top_x = falls ? near : far;
        const std::int64_t bottom_x = falls ? far : near;
        const auto area_above = [&](std::int32_t y) -> std::int64_t {
            if (y == top) return 0;
            const std::int64_t x = y == bottom ? bottom_x : std::clamp<std::int64_t>(x_at(y), near, far);
            return (height(y) - height(top)) * (top_x + x - 2 * side);
        };
        add_to(column, sign * (height(end) - height(begin)), sign * (area_above(end) - area_above(begin)));
    }
}

/// Of `full_area`.
std::int64_t RowCells::area(std::int64_t before, const Cell& cell) {
    return std::clamp<std::int64_t>(2 * (before + cell.height) * sub_pixels - cell.area, 0, full_area);
}

double RowCells::take_first() {
    const std::int64_t result = area(before_, cells_.front());
    cells_.front() = {0, 0};
    before_ = 0;
    touched_.front() = 0;
    first_touched_ = no_word;
    end_touched_ = 0;
    return static_cast<double>(result) / full_area;
}

/// Rounded to the nearest, halves up, and what is near to a half with them, so that what is symmetric stays
/// so. In tiling, of two areas that share an edge through the centre, one is rounded up and one down.
std::uint8_t RowCells::coverage(std::int64_t before, const Cell& cell) const {
    constexpr std::int64_t near_half = full_area >> 12;
    const std::int64_t covered = area(before, cell);
    std::int64_t half = full_area / 2;
    if (!tiling_)
        half += near_half;
    else if (covered == full_area / 2 && cell.height >= 0)
        half -= 1;
    return static_cast<std::uint8_t>((covered * 255 + half) / full_area);
}

void RowCells::give_full_run(std::int64_t y, SpanSink& sink) {
    if (full_from_ < full_to_) sink.add(static_cast<std::int32_t>(y), full_from_, full_to_);
    full_from_ = full_to_;
}

inline void RowCells::give_run(std::int64_t y, std::int64_t begin, std::int64_t end, std::uint8_t share,
                               SpanSink& sink) {
    if (share == 0 || begin >= end) return;
    if (share != 255) {
        const auto row = static_cast<std::int32_t>(y);
        return begin + 1 == end ? sink.add_coverage(row, begin, share)
                                : sink.add_coverage(row, begin, end, share);
    }
    if (full_to_ != begin) {
        give_full_run(y, sink);
        full_from_ = begin;
    }
    full_to_ = end;
}

void RowCells::give(std::int64_t y, SpanSink& sink) {
    full_from_ = full_to_ = left_;
    std::int64_t next = left_;
    for (std::size_t word = first_touched_; word < end_touched_; ++word) {
        std::uint64_t bits = touched_[word];
        touched_[word] = 0;
        for (; bits != 0; bits &= bits - 1) {
            const std::size_t at = word * word_bits + static_cast<std::size_t>(std::countr_zero(bits));
            const std::int64_t column = left_ + static_cast<std::int64_t>(at);
            if (next < column && before_ != 0) give_run(y, next, column, coverage(before_, {0, 0}), sink);
            Cell& cell = cells_[at];
            give_run(y, column, column + 1, coverage(before_, cell), sink);
            before_ += cell.height;
            cell = {0, 0};
            next = column + 1;
        }
    }
    if (before_ != 0) give_run(y, next, right_, coverage(before_, {0, 0}), sink);
    give_full_run(y, sink);
    first_touched_ = no_word;
    end_touched_ = 0;
    before_ = 0;
}

} // namespace coldbrick::raster
