#include "raster/coverage/row_sweep.hpp"

#include "base/exact_arithmetic.hpp"

#include <algorithm>
#include <cmath>

namespace coldbrick::raster {

namespace {

using base::Int128;

/// How far x is right of a piece at a height, times the piece's height: exact.
Int128 right_of(const RowPiece& piece, std::int64_t x, std::int32_t y) {
    const std::int64_t tall = piece.bottom - piece.top;
    return Int128{x - piece.top_x} * tall - Int128{piece.bottom_x - piece.top_x} * (y - piece.top);
}

/// Where a piece is at a height, rounded.
double x_at(const RowPiece& piece, std::int64_t origin, std::int32_t y) {
    const double share = static_cast<double>(y - piece.top) / static_cast<double>(piece.bottom - piece.top);
    return static_cast<double>(piece.top_x - origin) +
           share * static_cast<double>(piece.bottom_x - piece.top_x);
}

/// Which of two pieces is right of the other at the last height that both reach: above 0 if b is.
Int128 order_at_end(const RowPiece& a, const RowPiece& b) {
    if (a.bottom <= b.bottom) return -right_of(b, a.bottom_x, a.bottom);
    return right_of(a, b.bottom_x, b.bottom);
}

/// True if a piece on the line is left of one that begins now.
bool is_before(const RowPiece& on_line, const RowPiece& beginning) {
    const Int128 right = right_of(on_line, beginning.top_x, beginning.top);
    if (right != 0) return right > 0;
    return order_at_end(on_line, beginning) >= 0;
}

constexpr auto lower = [](const auto& a, const auto& b) { return a.y > b.y; };

} // namespace

void RowSweep::note_change(std::size_t first, std::size_t last) {
    first_changed_ = changed_ ? std::min(first_changed_, first) : first;
    last_changed_ = changed_ ? std::max(last_changed_, last) : last;
    changed_ = true;
}

std::int32_t RowSweep::next_height() const {
    std::int32_t result = static_cast<std::int32_t>(sub_pixels);
    if (!waiting_.empty()) result = std::min(result, waiting_.back()->top);
    if (!crossings_.empty()) result = std::min(result, crossings_.front().y);
    if (!ending_.empty()) result = std::min(result, ending_.back()->bottom);
    return result;
}

/// Takes those off the line that end here.
void RowSweep::end_pieces(std::int32_t y) {
    if (y == sub_pixels) {
        for (const Active& active : line_)
            if (active.sign != 0) cells_->add(*active.piece, active.since, y, active.sign);
        return line_.clear();
    }
    for (; !ending_.empty() && ending_.back()->bottom == y; ending_.pop_back()) {
        const auto found = std::ranges::find(line_, ending_.back(), &Active::piece);
        if (found->sign != 0) cells_->add(*found->piece, found->since, y, found->sign);
        const auto at = static_cast<std::size_t>(found - line_.begin());
        line_.erase(found);
        if (changed_ && last_changed_ > at) --last_changed_;
        if (changed_ && first_changed_ > at) --first_changed_;
        note_change(at, at);
    }
}

void RowSweep::begin_pieces(std::int32_t y) {
    while (!waiting_.empty() && waiting_.back()->top == y) {
        const RowPiece& piece = *waiting_.back();
        waiting_.pop_back();
        const auto place = std::partition_point(line_.begin(), line_.end(), [&](const Active& active) {
            return is_before(*active.piece, piece);
        });
        const auto at = static_cast<std::size_t>(place - line_.begin());
        line_.insert(place, {&piece, y, 0, {}});
        if (changed_ && last_changed_ >= at) ++last_changed_;
        note_change(at, at);
    }
}

void RowSweep::change_places(std::int32_t y) {
    while (!crossings_.empty() && crossings_.front().y <= y) {
        const Crossing crossing = crossings_.front();
        std::ranges::pop_heap(crossings_, lower);
        crossings_.pop_back();
        const auto found = std::ranges::find(line_, crossing.left, &Active::piece);
        if (found == line_.end() || found + 1 == line_.end() || (found + 1)->piece != crossing.right)
            continue;
        const auto at = static_cast<std::size_t>(found - line_.begin());
        std::iter_swap(found, found + 1);
        note_change(at, at + 1);
        // New neighbours may cross at the same height.
        if (at > 0) expect_crossing(*line_[at - 1].piece, *line_[at].piece, y);
        if (at + 2 < line_.size()) expect_crossing(*line_[at + 1].piece, *line_[at + 2].piece, y);
    }
}

void RowSweep::expect_crossing(const RowPiece& left, const RowPiece& right, std::int32_t y) {
    if (order_at_end(left, right) >= 0) return;
    const std::int32_t begin = std::max(left.top, right.top);
    const std::int32_t end = std::min(left.bottom, right.bottom);
    const std::int64_t origin = left.top_x;
    const double gap = std::max(0.0, x_at(right, origin, begin) - x_at(left, origin, begin));
    const double gap_at_end = std::min(0.0, x_at(right, origin, end) - x_at(left, origin, end));
    const double share = gap - gap_at_end > 0 ? gap / (gap - gap_at_end) : 0;
    const auto at = static_cast<std::int32_t>(begin + std::lrint(share * static_cast<double>(end - begin)));
    if (at >= end) return;
    crossings_.push_back({std::max(at, y), &left, &right});
    std::ranges::push_heap(crossings_, lower);
}

/// Works out anew how one piece on the line bounds the area.
void RowSweep::settle_at(std::size_t i, std::int32_t y) {
    Active& active = line_[i];
    const Windings before = i == 0 ? left_ : line_[i - 1].after;
    const AreaEdge& edge = edges_[static_cast<std::size_t>(active.piece->edge)];
    active.after = before;
    active.after.cross(edge.part, edge.direction);
    const std::int64_t sign = step_between(before, active.after, rule_);
    if (sign == active.sign) return;
    if (active.sign != 0 && active.since < y) cells_->add(*active.piece, active.since, y, active.sign);
    active.sign = sign;
    active.since = y;
}

/// Works out anew what has changed, and what is right of it until nothing changes any more.
void RowSweep::settle(std::int32_t y) {
    if (!changed_) return;
    changed_ = false;
    for (std::size_t i = first_changed_; i < line_.size(); ++i) {
        const Windings known = line_[i].after;
        settle_at(i, y);
        if (i > last_changed_ && line_[i].after == known) break;
    }
    const std::size_t end = std::min(last_changed_ + 2, line_.size());
    for (std::size_t i = std::max<std::size_t>(first_changed_, 1); i < end; ++i)
        expect_crossing(*line_[i - 1].piece, *line_[i].piece, y);
}

void RowSweep::add(std::span<const RowPiece> pieces, const Windings& left, RowCells& cells) {
    left_ = left;
    cells_ = &cells;
    waiting_.clear();
    ending_.clear();
    line_.clear();
    crossings_.clear();
    for (const RowPiece& piece : pieces) {
        if (piece.top == piece.bottom) continue;
        waiting_.push_back(&piece);
        if (piece.bottom < sub_pixels) ending_.push_back(&piece);
    }
    std::ranges::sort(ending_, [](const RowPiece* a, const RowPiece* b) { return a->bottom > b->bottom; });
    std::ranges::sort(waiting_, [](const RowPiece* a, const RowPiece* b) { return a->top > b->top; });
    changed_ = false;
    while (!waiting_.empty() || !line_.empty()) {
        const std::int32_t y = next_height();
        change_places(y);
        end_pieces(y);
        begin_pieces(y);
        settle(y);
    }
}

} // namespace coldbrick::raster
