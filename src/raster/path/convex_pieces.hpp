/// @file
/// The union of very many convex areas.
#pragma once

#include "base/clip.hpp"
#include "raster/coverage/covered_area.hpp"
#include "raster/coverage/sub_pixels.hpp"
#include "raster/spans/span_sink.hpp"

#include <array>
#include <cstddef>
#include <cstdint>
#include <span>
#include <vector>

namespace coldbrick::raster {

/// What of a square lies on one side of a line: how far inside its corners are, clockwise, in sub-pixels.
struct SquareHalf {
    std::array<double, 4> depths;
};

/// Gathers convex areas that may overlap by the thousands, as those that a stroke consists of where it is
/// crowded, and hands their union to a sink. Squares are halved as long as they are neither all covered by
/// one of the areas nor free of them: first to pixels, each of which depends on nothing but the areas that
/// reach it, and those on to parts of a pixel until few areas reach it. So crossings within what is covered
/// anyway cost nothing: n areas take a time of the order n times the squares that each of them reaches.
class ConvexPieces {
  public:
    explicit ConvexPieces(const base::Clip& clip) : clip_(clip) {}

    [[nodiscard]] const base::Clip& clip() const { return clip_; }

    /// The edges between the two are one area's, in any order; it lies on their left.
    void begin() { pieces_.push_back({edges_.size(), edges_.size(), {}}); }
    void add(SubPoint from, SubPoint to) {
        if (from != to) edges_.push_back({from, to});
    }
    void end();

    /// Hands the pixels to a sink with the same clip.
    /// @param others edges of the parts that the rule joins with the union, which is the stroke
    void give(const AreaRule& rule, std::span<const AreaEdge> others, SpanSink& sink);

  private:
    struct Edge {
        SubPoint from;
        SubPoint to;
    };
    struct Bounds {
        std::int64_t left;
        std::int64_t top;
        std::int64_t right;
        std::int64_t bottom;
    };
    struct Piece {
        std::size_t first; ///< of its edges
        std::size_t last;  ///< and the one behind them
        Bounds bounds;
    };
    /// What is left to be found out about a square: the pieces that reach it, at the end of all numbers.
    struct Reached {
        std::size_t first;
        bool is_full; ///< one covers all of it
    };

    [[nodiscard]] Reached reached(std::size_t first, std::size_t last, SubPoint corner, std::int64_t size);
    [[nodiscard]] std::size_t cutting_edges(const Piece& piece, SubPoint corner, std::int64_t size,
                                            SquareHalf& half) const;
    void give_square(std::int64_t x, std::int64_t y, std::int64_t size, std::size_t first, std::size_t last,
                     SpanSink& sink);
    void give_full(const base::Clip& square, SpanSink& sink) const;
    void give_pixel(std::int64_t x, std::int64_t y, std::size_t first, std::size_t last, SpanSink& sink);
    [[nodiscard]] double area_of(SubPoint corner, std::int64_t size, std::size_t first, std::size_t last);
    [[nodiscard]] double swept_area(SubPoint corner, std::int64_t size, std::span<const std::uint32_t> pieces,
                                    bool is_full) const;

    base::Clip clip_;
    std::vector<Edge> edges_;
    std::vector<Piece> pieces_;
    std::vector<std::uint32_t> numbers_; ///< of the pieces that reach the squares that are being halved
    AreaRule rule_;
    std::span<const AreaEdge> others_;
};

} // namespace coldbrick::raster
