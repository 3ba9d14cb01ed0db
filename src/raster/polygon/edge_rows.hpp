/// @file
/// The rows of an area between edges.
#pragma once

#include "raster/spans/span_sink.hpp"

#include <coldbrick/fill_rule.hpp>

#include <algorithm>
#include <array>
#include <cstddef>
#include <cstdint>
#include <limits>
#include <memory>
#include <memory_resource>
#include <span>
#include <type_traits>
#include <utility>
#include <vector>

namespace coldbrick::raster {

/// Goes along the rows of a clip with the edges that each row meets, kept in the order of their crossings.
/// @tparam Edge NearEdge or ExactEdge
template <class Edge>
class EdgeRows {
  public:
    /// @param most_edges how many edges will be added at most
    EdgeRows(std::size_t most_edges, FillRule rule, SpanSink& sink)
        : sink_(sink), winding_bits_(rule == FillRule::even_odd ? 1 : -1), left_(sink.clip().left),
          right_(sink.clip().right) {
        edges_ = edges_end_ = static_cast<Edge*>(memory_.allocate(most_edges * sizeof(Edge), alignof(Edge)));
    }

    /// Adds an edge that rows of the clip meet and that does not lie right of it.
    template <class... Arguments>
    void add_edge(const Arguments&... arguments) {
        const std::int64_t first = std::construct_at(edges_end_++, arguments...)->first_row();
        top_ = std::min(top_, first);
        last_ = std::max(last_, first);
    }

    /// Gives the pixels inside by the rule, and the edges' own, each pixel once.
    void give() {
        if (edges_ == edges_end_) return;
        sort_by_first_row();
        active_room_.resize(count());
        active_ = active_end_ = active_room_.data();
        Edge* const* next = order_.data();
        Edge* const* const end = next + order_.size();
        const std::int64_t bottom = sink_.clip().bottom;
        for (std::int64_t y = (*next)->first_row(); y < bottom; ++y) {
            if (active_end_ == active_) {
                if (next == end) return;
                y = (*next)->first_row();
            }
            if (next != end && (*next)->first_row() == y) {
                Edge** const continued = active_end_;
                do *active_end_++ = *next++;
                while (next != end && (*next)->first_row() == y);
                place_new(continued);
            }
            if (active_end_ - active_ == 2) {
                const std::int64_t before_next = next == end ? bottom : std::int64_t{(*next)->first_row()};
                const std::int64_t rest = give_rows_between(y, std::min(before_next, bottom));
                if (rest > y) {
                    y = rest - 1;
                    continue;
                }
            }
            give_row_and_step(y);
        }
    }

  private:
    static_assert(std::is_trivially_destructible_v<Edge>);
    using Place = typename Edge::Place;

    [[nodiscard]] std::size_t count() const { return static_cast<std::size_t>(edges_end_ - edges_); }

    /// Counted by row, where there are not many more rows than edges.
    void sort_by_first_row() {
        order_.resize(count());
        if (last_ - top_ > 4096 + 4 * static_cast<std::int64_t>(count())) {
            std::ranges::generate(order_, [next = edges_]() mutable { return next++; });
            std::ranges::sort(order_, {}, &Edge::first_row);
            return;
        }
        std::pmr::vector<std::uint32_t> ends(static_cast<std::size_t>(last_ - top_) + 2, &memory_);
        const auto row_of = [top = top_](const Edge& edge) {
            return static_cast<std::size_t>(edge.first_row() - top);
        };
        for (const Edge& edge : std::span(edges_, edges_end_)) ++ends[row_of(edge) + 1];
        for (std::size_t row = 1; row < ends.size(); ++row) ends[row] += ends[row - 1];
        for (Edge& edge : std::span(edges_, edges_end_)) order_[ends[row_of(edge)]++] = &edge;
    }

    /// Moves an edge to the left past those that begin further right. Where too many have moved on this row,
    /// they are left to a sort of all.
    [[gnu::always_inline]] void move_left(Edge** at) {
        if (at != active_ && at[-1]->begin() > (*at)->begin()) move_further_left(at);
    }
    [[gnu::noinline]] void move_further_left(Edge** at) {
        if (disordered_) return;
        Edge* const moved = *at;
        Edge** const from = at;
        do {
            *at = at[-1];
            --at;
        } while (at != active_ && at[-1]->begin() > moved->begin());
        *at = moved;
        moves_ += from - at;
        disordered_ = moves_ > 16 + 4 * (active_end_ - active_);
    }

    void begin_ordering() {
        moves_ = 0;
        disordered_ = false;
    }
    void end_ordering() {
        if (disordered_)
            std::sort(active_, active_end_,
                      [](const Edge* a, const Edge* b) { return a->begin() < b->begin(); });
    }

    /// Orders the edges whose first row this is, behind the others.
    void place_new(Edge** at) {
        begin_ordering();
        for (; at != active_end_; ++at) move_left(at);
        end_ordering();
    }

    /// Gives the row, and takes the edges that go on to the next one, in order. What has moved on lies before
    /// what is given yet.
    void give_row_and_step(std::int64_t y) {
        begin_ordering();
        const std::int32_t winding_bits = winding_bits_;
        const auto row = static_cast<Place>(y);
        std::int32_t winding = 0;
        Place begin = 0;
        Place end = std::numeric_limits<Place>::min(); // nothing yet
        Edge** kept = active_;
        Edge** const active_end = active_end_;
        for (Edge** at = active_; at != active_end; ++at) {
            Edge* const edge = *at;
            if (winding == 0 && edge->begin() > end) {
                add(y, begin, end);
                begin = edge->begin();
            }
            end = std::max(end, edge->end());
            winding = (winding + edge->winding()) & winding_bits;
            if (edge->last_row() <= row) continue;
            edge->step(row + 1);
            *kept = edge;
            move_left(kept++);
        }
        add(y, begin, winding != 0 ? right_ : std::int64_t{end}); // edges right of the clip are left out
        active_end_ = kept;
        end_ordering();
    }

    /// Gives the rows [y, end) that meet two edges alone and have their pixels between them, up to where one
    /// of them ends. @returns the first row that is left
    std::int64_t give_rows_between(std::int64_t y, std::int64_t end) {
        Edge& one = *active_[0];
        Edge& other = *active_[1];
        if (((one.winding() + other.winding()) & winding_bits_) != 0) return y;
        const Place rest =
            static_cast<Place>(std::min<std::int64_t>({end, one.last_row(), other.last_row()}));
        auto row = static_cast<Place>(y);
        while (row < rest) {
            add(row++, std::min(one.begin(), other.begin()), std::max(one.end(), other.end()));
            one.step(row);
            other.step(row);
        }
        if (one.begin() > other.begin()) std::swap(active_[0], active_[1]);
        return row;
    }

    [[gnu::always_inline]] void add(std::int64_t y, std::int64_t begin, std::int64_t end) {
        begin = std::max(begin, left_);
        end = std::min(end, right_);
        if (begin < end)
            sink_.add_visible({static_cast<std::int32_t>(y), static_cast<std::int32_t>(begin), end});
    }

    SpanSink& sink_;
    std::int32_t winding_bits_;
    std::int64_t left_;
    std::int64_t right_;
    std::array<std::byte, 6144> room_; // enough for small polygons; left as it is
    std::pmr::monotonic_buffer_resource memory_{room_.data(), room_.size()};
    Edge* edges_;
    Edge* edges_end_;
    std::pmr::vector<Edge*> order_{&memory_};                     ///< the edges by their first row
    std::int64_t top_ = std::numeric_limits<std::int64_t>::max(); ///< of the edges' first rows
    std::int64_t last_ = std::numeric_limits<std::int64_t>::min();
    std::pmr::vector<Edge*> active_room_{&memory_};
    Edge** active_ = nullptr; ///< those that the row meets
    Edge** active_end_ = nullptr;
    std::ptrdiff_t moves_ = 0;
    bool disordered_ = false;
};

} // namespace coldbrick::raster
