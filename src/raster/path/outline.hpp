/// @file
/// The area of a stroke along straight lines.
#pragma once

#include "raster/coverage/covered_area.hpp"
#include "raster/coverage/sub_pixels.hpp"
#include "raster/path/convex_pieces.hpp"
#include "raster/path/flattening.hpp"

#include <coldbrick/line_style.hpp>

#include <cstddef>
#include <cstdint>
#include <span>

namespace coldbrick::raster {

/// How a line is widened, in sub-pixels. What lies right of a line is turned clockwise from its direction.
struct OutlinePen {
    double right; ///< how far the stroke reaches to this side
    double left;
    Cap cap;
    Join join;
    double mitre_limit; ///< in half widths, 1 and up

    /// How far from the line its stroke reaches, but for the tips of mitres, and how far these do.
    [[nodiscard]] double reach() const;
    [[nodiscard]] double reach_of_tips() const;
};

/// True of pens whose stroke is all that lies within their width of the contours.
[[nodiscard]] inline bool is_round(const OutlinePen& pen) {
    return pen.cap == Cap::round && pen.join == Join::round;
}

/// Where two lines meet.
struct OutlineNode {
    SubPoint at;
    bool is_corner; ///< else the lines stand for a curve, and the join is round
    /// The directions of curves that end and begin here, or go on, of length 1. Without a length they are
    /// those of the lines.
    SubVector arriving{};
    SubVector leaving{};
};

/// How much further than its end an open line goes on with butt caps.
struct Lengthening {
    double at_begin = 0;
    double at_end = 0;
};

/// Adds the area of strokes along nodes: of each line a rectangle, or between the normals of a curve what
/// lies between them, with the join's area at the outer side of the corners and the caps' at the ends. Of the
/// sides that these have in common nothing is added, as they would cancel. Everything winds around in the
/// same sense, so that a place belongs to the stroke if anything winds around it.
class Outliner {
  public:
    Outliner(const OutlinePen& pen, CoveredArea& area, AreaPart part)
        : pen_(pen), visible_(area.clip(), 0), area_(&area), part_(part) {}
    /// Adds the rectangles, joins and caps each on its own.
    Outliner(const OutlinePen& pen, ConvexPieces& pieces)
        : pen_(pen), visible_(pieces.clip(), 0), pieces_(&pieces), part_(AreaPart::stroke) {}

    /// @param nodes at least two, no neighbours the same
    void add_open(std::span<const OutlineNode> nodes, const Lengthening& lengthening) {
        add_open(nodes, lengthening, {pen_.cap, pen_.cap});
    }
    /// With ends that are not those of the pen.
    struct Caps {
        Cap at_begin;
        Cap at_end;
        /// Whether there is no end: the line goes on where it does not matter.
        bool goes_on_before = false;
        bool goes_on_after = false;
    };
    void add_open(std::span<const OutlineNode> nodes, const Lengthening& lengthening, const Caps& caps);
    /// @param nodes at least three, no neighbours the same, nor the first and the last
    void add_closed(std::span<const OutlineNode> nodes);
    /// A path without a length: what caps make of it. @param direction of length 1
    void add_dot(SubPoint at, SubVector direction, const Lengthening& lengthening);

  private:
    struct Line {
        SubPoint from;
        SubPoint to;
        double length;
        SubVector direction; ///< where it begins
        SubVector arriving;  ///< where it ends

        static Line between(const OutlineNode& from, const OutlineNode& to);
        void lengthen_begin(double by) { from = from + -by * direction; }
        void lengthen_end(double by) { to = to + by * arriving; }
    };

    void add_sides(const Line& line);
    void add_crossed(SubPoint outer, SubPoint outer_end, SubPoint inner, SubPoint inner_end,
                     bool outer_is_right);
    void add_join(const Line& in, const Line& out, bool is_corner);
    void complete_join(std::span<const OutlineNode> nodes, std::size_t node, const Caps& caps);
    void add_outer_join(const Line& in, const Line& out, Join join, bool on_right);
    void add_mitre(const Line& in, const Line& out, SubPoint begin, SubPoint end, SubVector aside,
                   bool on_right);
    /// An end of a stroke.
    struct End {
        Cap cap;
        SubPoint at;
        SubVector outwards; ///< of length 1
        bool is_begin;
        double lengthening;
        bool is_whole = false; ///< a round cap is the whole disc
    };
    void add_cap(const End& end);
    void add_disc(SubPoint centre, SubVector radius);
    [[nodiscard]] bool covers_disc(std::span<const OutlineNode> nodes, bool about_begin, Cap other_cap) const;
    void add_arc(SubPoint centre, SubVector from, double turn, SubPoint begin, SubPoint end, bool forwards);
    void add_edge(SubPoint from, SubPoint to, bool forwards);

    /// Calls add() for one of the pieces. Where all are one area, what it has in common with others is left
    /// out: `own` adds that.
    template <class Add, class Own>
    void add_piece(const Add& add, const Own& own);

    OutlinePen pen_;
    VisibleArea visible_;
    CoveredArea* area_ = nullptr; ///< one of these
    ConvexPieces* pieces_ = nullptr;
    AreaPart part_;
};

} // namespace coldbrick::raster
