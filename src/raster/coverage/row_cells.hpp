/// @file
/// How much of each pixel of one row lies right of edges.
#pragma once

#include "raster/coverage/sub_pixels.hpp"
#include "raster/spans/span_sink.hpp"

#include <cstddef>
#include <cstdint>
#include <vector>

namespace coldbrick::raster {

/// The part of an edge in one row: heights count from the row's top. The ends may be cut off by the row.
struct RowPiece {
    std::int64_t top_x;
    std::int64_t bottom_x;
    std::int32_t top;
    std::int32_t bottom;
    std::int32_t edge; ///< its number

    [[nodiscard]] std::int64_t left() const { return top_x < bottom_x ? top_x : bottom_x; }
    [[nodiscard]] std::int64_t right() const { return top_x < bottom_x ? bottom_x : top_x; }
    [[nodiscard]] bool spans_row() const { return top == 0 && bottom == sub_pixels; }
};

/// Adds up signed areas in the pixels that edges pass through; pixels between them are told by one number.
/// What is added for parts of a piece adds up to what is added for the whole piece, exactly.
class RowCells {
  public:
    /// @param left,right the columns [left, right)
    /// @param tiling as in AreaRule
    RowCells(std::int64_t left, std::int64_t right, bool tiling);

    /// Adds the area right of a piece between two heights, times `sign`.
    void add(const RowPiece& piece, std::int32_t from, std::int32_t to, std::int64_t sign) {
        if (from == piece.top && to == piece.bottom)
            add_whole(piece, sign);
        else
            add_across(piece, from, to, sign);
    }

    /// Adds all columns, times `sign`.
    void add_all(std::int64_t sign) { before_ += sign * full_height; }

    /// Hands the row to the sink and begins anew.
    void give(std::int64_t y, SpanSink& sink);

    /// How much of the first column is covered, 0..1. Begins anew.
    [[nodiscard]] double take_first();

  private:
    // Heights are told in halves of a sub-pixel, so that one that lies in between can be told.
    static constexpr std::int64_t full_height = 2 * sub_pixels;
    static constexpr std::int64_t full_area = 2 * full_height * sub_pixels;

    struct Cell {
        std::int64_t area;   ///< twice the area in the pixel left of its edges
        std::int64_t height; ///< of its edges
    };

    /// In tiling, what ends at exactly half a pixel's height ends just below it.
    [[nodiscard]] std::int64_t height(std::int32_t y) const {
        return 2 * std::int64_t{y} + (tiling_ && y != 0 && y != sub_pixels ? 1 : 0);
    }

    void add_whole(const RowPiece& piece, std::int64_t sign);
    void add_whole_across(const RowPiece& piece, std::int64_t sign);
    void add_across(const RowPiece& piece, std::int32_t from, std::int32_t to, std::int64_t sign);
    void add_to(std::int64_t column, std::int64_t height, std::int64_t area);
    [[nodiscard]] static std::int64_t area(std::int64_t before, const Cell& cell);
    [[nodiscard]] std::uint8_t coverage(std::int64_t before, const Cell& cell) const;
    void give_run(std::int64_t y, std::int64_t begin, std::int64_t end, std::uint8_t share, SpanSink& sink);
    void give_full_run(std::int64_t y, SpanSink& sink);

    std::int64_t left_;
    std::int64_t right_;
    bool tiling_;
    std::int64_t before_ = 0; ///< height of the edges left of all columns
    std::vector<Cell> cells_;
    std::vector<std::uint64_t> touched_; ///< a bit a cell
    std::size_t first_touched_;
    std::size_t end_touched_ = 0; ///< of the words of bits
    std::int64_t full_from_ = 0;  ///< a run of full pixels, which may go on
    std::int64_t full_to_ = 0;
};

} // namespace coldbrick::raster
