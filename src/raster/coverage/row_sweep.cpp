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

/// True if one of two pieces that begin at the same height is left of the other.
bool begins_before(const RowPiece* a, const RowPiece* b) {
    if (a->top_x != b->top_x) return a->top_x < b->top_x;
    return order_at_end(*a, *b) > 0;
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
    if (!beginning_left_.empty()) result = std::min(result, beginning_left_.back()->top);
    if (!ending_left_.empty()) result = std::min(result, ending_left_.back()->bottom);
    return result;
}

/// Hands over what the pieces left of the columns bound down to a height.
void RowSweep::give_left(std::int32_t y) {
    const std::int64_t sign = step_between(before_, left_, rule_);
    if (sign != 0 && left_since_ < y) cells_->add(left_side_, left_since_, y, sign);
    left_since_ = y;
}

void RowSweep::change_left(std::int32_t y) {
    const auto begins = [&] { return !beginning_left_.empty() && beginning_left_.back()->top == y; };
    const auto ends = [&] { return !ending_left_.empty() && ending_left_.back()->bottom == y; };
    if (!begins() && !ends()) return;
    give_left(y);
    const auto cross = [&](const RowPiece& piece, int times) {
        const AreaEdge& edge = edges_[static_cast<std::size_t>(piece.edge)];
        left_.cross(edge.part, times * edge.direction);
    };
    for (; begins(); beginning_left_.pop_back()) cross(*beginning_left_.back(), 1);
    for (; ends(); ending_left_.pop_back()) cross(*ending_left_.back(), -1);
    note_change(0, 0);
}

void RowSweep::find_places(std::size_t first) {
    for (std::size_t i = first; i < line_.size(); ++i) place_of(*line_[i].piece) = i;
}

/// Takes those off the line that end here.
void RowSweep::end_pieces(std::int32_t y) {
    if (y == sub_pixels) {
        for (const Active& active : line_)
            if (active.sign != 0) cells_->add(*active.piece, active.since, y, active.sign);
        return line_.clear();
    }
    std::size_t first = line_.size();
    for (; !ending_.empty() && ending_.back()->bottom == y; ending_.pop_back()) {
        std::size_t& place = place_of(*ending_.back());
        Active& active = line_[place];
        if (active.sign != 0) cells_->add(*active.piece, active.since, y, active.sign);
        active.piece = nullptr;
        first = std::min(first, place);
        note_change(place, place);
        place = not_on_line;
    }
    if (first == line_.size()) return;
    const auto ended = [](const Active& active) { return active.piece == nullptr; };
    line_.erase(std::remove_if(line_.begin() + static_cast<std::ptrdiff_t>(first), line_.end(), ended),
                line_.end());
    find_places(first);
}

void RowSweep::begin_pieces(std::int32_t y) {
    const auto is_lower = [y](const RowPiece* piece) { return piece->top > y; };
    const auto first = std::partition_point(waiting_.begin(), waiting_.end(), is_lower);
    if (first == waiting_.end()) return;
    std::sort(first, waiting_.end(), begins_before);
    put_on_line({first, waiting_.end()}, y);
    waiting_.erase(first, waiting_.end());
}

/// @param beginning from left to right
void RowSweep::put_on_line(std::span<const RowPiece*> beginning, std::int32_t y) {
    auto unmoved = static_cast<std::ptrdiff_t>(line_.size());
    if (changed_) last_changed_ += beginning.size();
    line_.resize(line_.size() + beginning.size());
    std::size_t first = line_.size();
    for (std::size_t left = beginning.size(); left > 0; --left) {
        const RowPiece* piece = beginning[left - 1];
        const auto end = line_.begin() + unmoved;
        const auto place = std::partition_point(
            line_.begin(), end, [&](const Active& active) { return is_before(*active.piece, *piece); });
        std::move_backward(place, end, end + static_cast<std::ptrdiff_t>(left));
        unmoved = place - line_.begin();
        first = static_cast<std::size_t>(unmoved) + left - 1;
        line_[first] = {piece, y, 0, {}};
        note_change(first, first);
    }
    find_places(first);
}

void RowSweep::change_places(std::int32_t y) {
    while (!crossings_.empty() && crossings_.front().y <= y) {
        const Crossing crossing = crossings_.front();
        std::ranges::pop_heap(crossings_, lower);
        crossings_.pop_back();
        const std::size_t at = place_of(*crossing.left);
        if (at == not_on_line || place_of(*crossing.right) != at + 1) continue;
        std::swap(line_[at], line_[at + 1]);
        std::swap(place_of(*crossing.left), place_of(*crossing.right));
        swapped_.push_back(at);
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
void RowSweep::settle_from(std::size_t first, std::size_t last, std::int32_t y) {
    for (std::size_t i = first; i < line_.size(); ++i) {
        const Windings known = line_[i].after;
        settle_at(i, y);
        if (i > last && line_[i].after == known) break;
    }
}

/// Of pieces that have changed places while nothing began or ended: their new neighbours are known.
void RowSweep::settle_swapped(std::int32_t y) {
    std::ranges::sort(swapped_);
    for (std::size_t i = 0; i < swapped_.size(); ++i)
        if (i == 0 || swapped_[i] != swapped_[i - 1]) settle_from(swapped_[i], swapped_[i] + 1, y);
}

void RowSweep::settle(std::int32_t y) {
    if (!changed_) return;
    changed_ = false;
    settle_from(first_changed_, last_changed_, y);
    const std::size_t end = std::min(last_changed_ + 2, line_.size());
    for (std::size_t i = std::max<std::size_t>(first_changed_, 1); i < end; ++i)
        expect_crossing(*line_[i - 1].piece, *line_[i].piece, y);
}

/// Sorts out which pieces are swept. A crossing is told to a whole height, so that the pieces may be as far
/// from it as they go in one: what lies further from the columns crosses nothing in them.
void RowSweep::take_pieces() {
    std::int64_t reach = 0;
    for (const RowPiece& piece : pieces_)
        if (piece.top != piece.bottom)
            reach = std::max(reach, (piece.right() - piece.left()) / (piece.bottom - piece.top) + 1);
    for (const RowPiece& piece : pieces_) {
        if (piece.top == piece.bottom || piece.left() - reach > right_edge_) continue;
        const bool beside = piece.right() + reach < left_edge_;
        (beside ? beginning_left_ : waiting_).push_back(&piece);
        if (piece.bottom < sub_pixels) (beside ? ending_left_ : ending_).push_back(&piece);
    }
    constexpr auto higher_end = [](const RowPiece* a, const RowPiece* b) { return a->bottom > b->bottom; };
    constexpr auto higher_top = [](const RowPiece* a, const RowPiece* b) { return a->top > b->top; };
    for (auto* pieces : {&ending_, &ending_left_}) std::ranges::sort(*pieces, higher_end);
    for (auto* pieces : {&waiting_, &beginning_left_}) std::ranges::sort(*pieces, higher_top);
}

void RowSweep::add(std::span<const RowPiece> pieces, const Windings& left, RowCells& cells) {
    pieces_ = pieces;
    before_ = left_ = left;
    left_since_ = 0;
    cells_ = &cells;
    places_.assign(pieces.size(), not_on_line);
    for (auto* rest : {&waiting_, &ending_, &beginning_left_, &ending_left_}) rest->clear();
    line_.clear();
    crossings_.clear();
    changed_ = false;
    swapped_.clear();
    take_pieces();
    while (!waiting_.empty() || !line_.empty() || !beginning_left_.empty() || !ending_left_.empty()) {
        const std::int32_t y = next_height();
        change_places(y);
        settle_swapped(y);
        swapped_.clear();
        end_pieces(y);
        change_left(y);
        begin_pieces(y);
        settle(y);
    }
    give_left(static_cast<std::int32_t>(sub_pixels));
}

} // namespace coldbrick::raster
