#include "raster/coverage/covered_area.hpp"

#include "raster/coverage/row_cells.hpp"
#include "raster/coverage/row_sweep.hpp"

#include <algorithm>
#include <numeric>
#include <span>

namespace coldbrick::raster {

namespace {

/// Sorts what hardly changes places from row to row.
template <class Element, class Less>
void sort_nearly_sorted(std::span<Element> elements, Less less) {
    for (std::size_t i = 1; i < elements.size(); ++i) {
        const Element element = elements[i];
        std::size_t at = i;
        for (; at > 0 && less(element, elements[at - 1]); --at) elements[at] = elements[at - 1];
        elements[at] = element;
    }
}

/// Gives one row after the other of a strip of columns.
class StripRows {
  public:
    StripRows(const std::vector<AreaEdge>& edges, const AreaRule& rule, std::int64_t left, std::int64_t right)
        : edges_(edges), rule_(rule), left_edge_(left << sub_pixel_bits),
          right_edge_(right << sub_pixel_bits), cells_(left, right, rule.tiling),
          sweep_(edges, rule, left_edge_, right_edge_) {}

    void give_all(std::int64_t top, std::int64_t bottom, SpanSink& sink) {
        std::size_t next = 0;
        for (std::int64_t y = top; y < bottom; ++y) {
            if (active_.empty() && next < edges_.size())
                y = std::max(y, edges_[next].top_y >> sub_pixel_bits);
            if (y >= bottom || (active_.empty() && next == edges_.size())) return;
            const std::int64_t end = (y + 1) << sub_pixel_bits;
            while (next < edges_.size() && edges_[next].top_y < end)
                active_.push_back(static_cast<std::int32_t>(next++));
            cut_pieces(y << sub_pixel_bits);
            add_pieces();
            cells_.give(y, sink);
        }
    }

    /// How much of the first column is covered in a row that all edges reach.
    double share_of_first(std::int64_t y) {
        active_.resize(edges_.size());
        std::iota(active_.begin(), active_.end(), 0);
        cut_pieces(y << sub_pixel_bits);
        add_pieces();
        return cells_.take_first();
    }

  private:
    /// What the active edges have in the row that begins at a height, from left to right.
    void cut_pieces(std::int64_t row) {
        const std::int64_t end = row + sub_pixels;
        pieces_.clear();
        std::size_t kept = 0;
        for (const std::int32_t number : active_) {
            const AreaEdge& edge = edges_[static_cast<std::size_t>(number)];
            const bool goes_on = edge.bottom_y > end;
            if (goes_on) active_[kept++] = number;
            const std::int64_t top = std::max(edge.top_y, row);
            const std::int64_t bottom = goes_on ? end : edge.bottom_y;
            pieces_.push_back({edge.direction == 0 ? edge.top_x : edge.x_at(top), edge.x_at(bottom),
                               static_cast<std::int32_t>(top - row), static_cast<std::int32_t>(bottom - row),
                               number});
        }
        active_.resize(kept);
        sort_pieces();
    }

    /// Their order hardly changes from row to row.
    void sort_pieces() {
        const auto further_left = [](const RowPiece& a, const RowPiece& b) { return a.left() < b.left(); };
        constexpr std::size_t few = 16;
        if (pieces_.size() > few) {
            if (!std::ranges::is_sorted(pieces_, further_left)) std::ranges::sort(pieces_, further_left);
            return;
        }
        sort_nearly_sorted(std::span(pieces_), further_left);
    }

    /// Group by group of pieces whose columns overlap. Whatever a group looks like, it changes by as much how
    /// often edges wind around what is right of it at every height of the row.
    void add_pieces() {
        Windings windings;
        for (std::size_t first = 0; first < pieces_.size();) {
            if (pieces_[first].left() >= right_edge_) return;
            std::size_t end = first + 1;
            std::int64_t right = pieces_[first].right();
            for (; end < pieces_.size() && pieces_[end].left() <= right; ++end)
                right = std::max(right, pieces_[end].right());
            const std::span<const RowPiece> group(pieces_.data() + first, end - first);
            const Windings after = windings_after(group, windings);
            const std::int64_t sign = step_between(windings, after, rule_);
            if (right <= left_edge_)
                cells_.add_all(sign);
            else if (group.size() == 1 || is_chain(group))
                add_with_sign(group, sign);
            else if (!add_beside_each_other(first, end, windings))
                sweep_.add(group, windings, cells_);
            windings = after;
            first = end;
        }
    }

    [[nodiscard]] const AreaEdge& edge_of(const RowPiece& piece) const {
        return edges_[static_cast<std::size_t>(piece.edge)];
    }

    [[nodiscard]] Windings windings_after(std::span<const RowPiece> group, const Windings& before) const {
        if (group.size() == 1 && group.front().spans_row()) {
            Windings after = before;
            after.cross(edge_of(group.front()).part, edge_of(group.front()).direction);
            return after;
        }
        std::int64_t inside = 0;
        std::int64_t rim = 0;
        std::int64_t stroke = 0;
        for (const RowPiece& piece : group) {
            const AreaEdge& edge = edge_of(piece);
            const std::int64_t tall = std::int64_t{edge.direction} * (piece.bottom - piece.top);
            (edge.part == AreaPart::inside ? inside : edge.part == AreaPart::rim ? rim : stroke) += tall;
        }
        return {before.inside + static_cast<std::int32_t>(inside / sub_pixels),
                before.rim + static_cast<std::int32_t>(rim / sub_pixels),
                before.stroke + static_cast<std::int32_t>(stroke / sub_pixels)};
    }

    /// True if the pieces are one below the other, from the row's top to its bottom.
    [[nodiscard]] bool is_chain(std::span<const RowPiece> group) const {
        const AreaEdge& first = edge_of(group.front());
        std::int64_t tall = 0;
        for (const RowPiece& piece : group) {
            const AreaEdge& edge = edge_of(piece);
            if (edge.direction != first.direction || edge.part != first.part) return false;
            tall += piece.bottom - piece.top;
        }
        return tall == sub_pixels;
    }

    void add_with_sign(std::span<const RowPiece> group, std::int64_t sign) {
        if (sign == 0) return;
        for (const RowPiece& piece : group) cells_.add(piece, piece.top, piece.bottom, sign);
    }

    /// Adds pieces that span the row without crossing each other. False, without adding any, if they do not.
    bool add_beside_each_other(std::size_t first, std::size_t end, Windings windings) {
        const std::span<RowPiece> group(pieces_.data() + first, end - first);
        for (const RowPiece& piece : group)
            if (!piece.spans_row()) return false;
        std::ranges::sort(group, [](const RowPiece& a, const RowPiece& b) {
            return a.top_x != b.top_x ? a.top_x < b.top_x : a.bottom_x < b.bottom_x;
        });
        for (std::size_t i = 1; i < group.size(); ++i)
            if (group[i - 1].bottom_x > group[i].bottom_x) return false;
        for (const RowPiece& piece : group) {
            const Windings before = windings;
            windings.cross(edge_of(piece).part, edge_of(piece).direction);
            const std::int64_t sign = step_between(before, windings, rule_);
            if (sign != 0) cells_.add(piece, piece.top, piece.bottom, sign);
        }
        return true;
    }

    const std::vector<AreaEdge>& edges_;
    AreaRule rule_;
    std::int64_t left_edge_;
    std::int64_t right_edge_;
    RowCells cells_;
    RowSweep sweep_;
    std::vector<std::int32_t> active_;
    std::vector<RowPiece> pieces_;
};

} // namespace

/// By the first row, those of the same row in any order: counted if there are many.
template <class FirstRow>
void CoveredArea::sort_by_row(FirstRow first_row) {
    // The last one is for those that begin below all rows.
    const auto rows = static_cast<std::size_t>(clip_.bottom - clip_.top) + 1;
    const auto row_of = [&](const AreaEdge& edge) {
        return static_cast<std::size_t>(std::clamp(first_row(edge), clip_.top, clip_.bottom) - clip_.top);
    };
    if (edges_.size() < rows / 8) {
        std::ranges::sort(edges_, {}, row_of);
        return;
    }
    std::vector<std::uint32_t> ends(rows + 1);
    for (const AreaEdge& edge : edges_) ++ends[row_of(edge) + 1];
    for (std::size_t row = 1; row <= rows; ++row) ends[row] += ends[row - 1];
    std::vector<AreaEdge> sorted(edges_.size());
    for (const AreaEdge& edge : edges_) sorted[ends[row_of(edge)]++] = edge;
    edges_.swap(sorted);
}

namespace {

/// Where edges pass the centres of one row's pixels.
class CentreRow {
  public:
    explicit CentreRow(const std::vector<AreaEdge>& edges) : edges_(edges) {}

    /// The first row whose centres an edge may pass.
    static std::int64_t first_row_of(const AreaEdge& edge) {
        return (edge.top_y + half_a_pixel - 1) >> sub_pixel_bits;
    }

    void go_to(std::int64_t y) {
        const std::int64_t centre = y * sub_pixels + half_a_pixel;
        std::erase_if(passing_, [centre](const Passing& one) { return one.edge->bottom_y <= centre; });
        const std::size_t before = passing_.size();
        for (; next_ < edges_.size() && first_row_of(edges_[next_]) <= y; ++next_)
            if (edges_[next_].bottom_y > centre) passing_.push_back({0, &edges_[next_]});
        for (Passing& one : passing_) one.x = one.edge->x_at(centre);
        sort_nearly_sorted(std::span(passing_).first(before),
                           [](const Passing& a, const Passing& b) { return a.x < b.x; });
        const auto begun = passing_.begin() + static_cast<std::ptrdiff_t>(before);
        std::ranges::sort(begun, passing_.end(), {}, &Passing::x);
        std::ranges::inplace_merge(passing_, begun, {}, &Passing::x);
    }

    void give(std::int64_t y, const AreaRule& rule, SpanSink& sink) const {
        Windings windings;
        std::int64_t begin = 0;
        for (const auto& [x, edge] : passing_) {
            const bool before = windings.belong(rule);
            windings.cross(edge->part, edge->direction);
            if (before == windings.belong(rule)) continue;
            const std::int64_t column = (x + half_a_pixel - 1) >> sub_pixel_bits;
            if (before) sink.add(static_cast<std::int32_t>(y), begin, column);
            begin = column;
        }
    }

    /// The first row that may have pixels, if none has begun.
    [[nodiscard]] std::int64_t first_row(std::int64_t y) const {
        if (!passing_.empty() || next_ == edges_.size()) return y;
        return std::max(y, first_row_of(edges_[next_]));
    }
    [[nodiscard]] bool done() const { return passing_.empty() && next_ == edges_.size(); }

  private:
    struct Passing {
        std::int64_t x;
        const AreaEdge* edge;
    };
    const std::vector<AreaEdge>& edges_;
    std::size_t next_ = 0;
    std::vector<Passing> passing_; ///< from left to right
};

} // namespace

void CoveredArea::give_centres(const AreaRule& rule, SpanSink& sink) {
    sort_by_row(CentreRow::first_row_of);
    CentreRow row(edges_);
    for (std::int64_t y = clip_.top; y < clip_.bottom && !row.done(); ++y) {
        y = row.first_row(y);
        if (y >= clip_.bottom) return;
        row.go_to(y);
        row.give(y, rule, sink);
    }
}

double CoveredArea::share_of_pixel(const AreaRule& rule) const {
    return StripRows(edges_, rule, clip_.left, clip_.left + 1).share_of_first(clip_.top);
}

void CoveredArea::give(const AreaRule& rule, SpanSink& sink) {
    if (edges_.empty()) return;
    constexpr std::int64_t widest_strip = std::int64_t{1} << 16;
    std::int64_t left = clip_.right << sub_pixel_bits;
    std::int64_t right = clip_.left << sub_pixel_bits;
    for (const AreaEdge& edge : edges_) {
        left = std::min({left, edge.top_x, edge.bottom_x});
        right = std::max({right, edge.top_x, edge.bottom_x});
    }
    left = std::max(left >> sub_pixel_bits, clip_.left);
    right = std::min((right + sub_pixels - 1) >> sub_pixel_bits, clip_.right);
    if (left >= right) return;
    sort_by_row([](const AreaEdge& edge) { return edge.top_y >> sub_pixel_bits; });
    for (; left < right; left += widest_strip)
        StripRows(edges_, rule, left, std::min(left + widest_strip, right))
            .give_all(clip_.top, clip_.bottom, sink);
}

} // namespace coldbrick::raster
