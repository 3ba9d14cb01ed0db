/// @file
/// Pieces of edges that cross or overlap within a row.
#pragma once

#include "raster/coverage/covered_area.hpp"
#include "raster/coverage/row_cells.hpp"

#include <cstddef>
#include <cstdint>
#include <limits>
#include <span>
#include <vector>

namespace coldbrick::raster {

/// Sweeps down one row and finds which parts of the pieces bound the area: J. L. Bentley and T. A. Ottmann,
/// "Algorithms for reporting and counting geometric intersections", IEEE Transactions on Computers C-28(9),
/// 1979. The heights of crossings are rounded to sub-pixels; which of two pieces is right of the other in the
/// end is decided exactly, so that each pair changes places at most once and the sweep comes to an end
/// whatever the rounding. n pieces with k crossings take a time of the order (n + k) log n, and n more for
/// each height at which pieces begin or end within the row. Pieces that lie beside the columns are not
/// swept: those to the left only wind around what is right of them.
class RowSweep {
  public:
    /// @param left,right the columns [left, right), in sub-pixels
    RowSweep(const std::vector<AreaEdge>& edges, const AreaRule& rule, std::int64_t left, std::int64_t right)
        : edges_(edges), rule_(rule), left_edge_(left),
          right_edge_(right), left_side_{left - 1, left - 1, 0, static_cast<std::int32_t>(sub_pixels), 0} {}

    /// Adds the area that the pieces bound to the cells.
    /// @param left how often edges wind around what is left of all pieces
    void add(std::span<const RowPiece> pieces, const Windings& left, RowCells& cells);

  private:
    /// A piece on the sweep's line.
    struct Active {
        const RowPiece* piece;
        std::int32_t since; ///< the height from which it has bounded the area as it does
        std::int64_t sign;  ///< 1 if the area begins at the piece, -1 if it ends there, else 0
        Windings after;     ///< around what is right of it
    };
    struct Crossing {
        std::int32_t y;
        const RowPiece* left;
        const RowPiece* right;
    };

    void take_pieces();
    void change_left(std::int32_t y);
    void give_left(std::int32_t y);
    void end_pieces(std::int32_t y);
    void begin_pieces(std::int32_t y);
    void put_on_line(std::span<const RowPiece*> beginning, std::int32_t y);
    void find_places(std::size_t first);
    [[nodiscard]] std::size_t& place_of(const RowPiece& piece) {
        return places_[static_cast<std::size_t>(&piece - pieces_.data())];
    }
    void change_places(std::int32_t y);
    void settle(std::int32_t y);
    void settle_from(std::size_t first, std::size_t last, std::int32_t y);
    void settle_swapped(std::int32_t y);
    void settle_at(std::size_t i, std::int32_t y);
    void expect_crossing(const RowPiece& left, const RowPiece& right, std::int32_t y);
    void note_change(std::size_t first, std::size_t last);
    [[nodiscard]] std::int32_t next_height() const;

    static constexpr std::size_t not_on_line = std::numeric_limits<std::size_t>::max();

    const std::vector<AreaEdge>& edges_;
    AreaRule rule_;
    std::span<const RowPiece> pieces_;
    std::int64_t left_edge_;
    std::int64_t right_edge_;
    RowPiece left_side_; ///< stands for all pieces left of the columns
    Windings before_;    ///< around what is left of all pieces
    Windings left_;      ///< around what is left of those on the line
    std::int32_t left_since_ = 0;
    RowCells* cells_ = nullptr;
    std::vector<const RowPiece*>
        beginning_left_;                       ///< of the columns, from the lowest beginning to the highest
    std::vector<const RowPiece*> ending_left_; ///< from the lowest end to the highest
    std::vector<const RowPiece*> waiting_;     ///< from the lowest beginning to the highest
    std::vector<const RowPiece*> ending_;      ///< within the row, from the lowest end to the highest
    std::vector<Active> line_;                 ///< from left to right
    std::vector<std::size_t> places_;          ///< of the pieces on the line, or not_on_line
    std::vector<Crossing> crossings_;          ///< a heap with the highest on top
    std::size_t first_changed_ = 0;            ///< of the line
    std::size_t last_changed_ = 0;
    bool changed_ = false;
    std::vector<std::size_t> swapped_; ///< the left ones of two places on the line
};

} // namespace coldbrick::raster
