/// @file
/// Areas that edges bound, and how much of each pixel they cover.
#pragma once

#include "base/clip.hpp"
#include "raster/coverage/sub_pixels.hpp"
#include "raster/spans/span_sink.hpp"

#include <coldbrick/fill_rule.hpp>

#include <cstddef>
#include <cstdint>
#include <vector>

namespace coldbrick::raster {

/// What an edge bounds. An area is put together from as many as three parts.
enum class AreaPart : std::uint8_t {
    inside, ///< a shape's inside, by its fill rule
    rim,    ///< what belongs to the inside as well: where rims wind around
    stroke, ///< where strokes wind around
};

/// Which points belong to an area.
struct AreaRule {
    enum class Kind : std::uint8_t {
        filled,         ///< in the inside or the rim
        stroked,        ///< in the stroke
        stroked_inside, ///< in both
        stroked_outside ///< in the stroke, but not in the other two
    };
    Kind kind = Kind::filled;
    FillRule inside = FillRule::non_zero;
    /// Areas that share an edge add up to 255: of two equal halves, the one to the right or below has 127.
    bool tiling = false;
};

/// How often the edges of each part wind around a place.
struct Windings {
    std::int32_t inside = 0;
    std::int32_t rim = 0;
    std::int32_t stroke = 0;

    void cross(AreaPart part, std::int32_t times) {
        if (part == AreaPart::inside)
            inside += times;
        else if (part == AreaPart::rim)
            rim += times;
        else
            stroke += times;
    }

    [[nodiscard]] bool belong(const AreaRule& rule) const {
        const bool stroked = stroke != 0;
        if (rule.kind == AreaRule::Kind::stroked) return stroked;
        const bool odd_or_wound = rule.inside == FillRule::even_odd ? inside % 2 != 0 : inside != 0;
        const bool filled = odd_or_wound || rim != 0;
        if (rule.kind == AreaRule::Kind::filled) return filled;
        return stroked && filled == (rule.kind == AreaRule::Kind::stroked_inside);
    }

    friend bool operator==(const Windings&, const Windings&) = default;
};

/// 1 where an area begins between two places, -1 where it ends, else 0.
inline std::int64_t step_between(const Windings& left, const Windings& right, const AreaRule& rule) {
    const bool before = left.belong(rule);
    const bool after = right.belong(rule);
    if (before == after) return 0;
    return after ? 1 : -1;
}

/// A straight edge, from its upper end down. Its columns and rows are counted from the top-left corner of
/// pixel (0, 0), in sub-pixels.
struct AreaEdge {
    std::int64_t top_x;
    std::int64_t top_y;
    std::int64_t bottom_x;
    std::int64_t bottom_y;
    double slope;          ///< x over y
    std::int8_t direction; ///< 1 if it was given downwards, -1 if upwards, 0 if it is level
    AreaPart part;

    /// Where it is at a height; from that height alone, and the same for every edge between the same ends.
    [[nodiscard]] std::int64_t x_at(std::int64_t y) const {
        if (y == bottom_y) return bottom_x;
        return top_x + std::llrint(slope * static_cast<double>(y - top_y));
    }
};

/// Gathers the edges of closed contours and hands the pixels that they cover to a sink: exact areas but for
/// the rounding of positions to sub-pixels, whatever crosses and overlaps. Every row is worked out from its
/// own edges, and every group of edges that overlap in a row from itself, so that a clip changes nothing.
class CoveredArea {
  public:
    explicit CoveredArea(const base::Clip& clip) : clip_(clip) {}

    [[nodiscard]] const base::Clip& clip() const { return clip_; }
    [[nodiscard]] const std::vector<AreaEdge>& edges() const { return edges_; }

    /// An edge of a closed contour. What of it lies left of the clip counts only for what is right of it.
    void add(SubPoint from, SubPoint to, AreaPart part) {
        const bool downwards = from.y < to.y;
        const SubPoint top = downwards ? from : to;
        const SubPoint bottom = downwards ? to : from;
        if (bottom.y + half_a_pixel <= clip_.top * sub_pixels ||
            top.y + half_a_pixel >= clip_.bottom * sub_pixels)
            return;
        const std::int64_t tall = bottom.y - top.y;
        // A level edge bounds nothing, but tells which others in its row belong together.
        if (tall == 0 && (top.y + half_a_pixel) % sub_pixels == 0) return;
        const double slope =
            tall == 0 ? 0 : static_cast<double>(bottom.x - top.x) / static_cast<double>(tall);
        const int direction = tall == 0 ? 0 : downwards ? 1 : -1;
        edges_.push_back({top.x + half_a_pixel, top.y + half_a_pixel, bottom.x + half_a_pixel,
                          bottom.y + half_a_pixel, slope, static_cast<std::int8_t>(direction), part});
    }

    /// An edge of another area.
    void add(const AreaEdge& edge) {
        if (edge.bottom_y > clip_.top * sub_pixels && edge.top_y < clip_.bottom * sub_pixels)
            edges_.push_back(edge);
    }

    /// Hands full spans and coverages to the sink, whose clip is the area's.
    void give(const AreaRule& rule, SpanSink& sink);

    /// How much of the clip's first pixel is covered, 0..1.
    [[nodiscard]] double share_of_pixel(const AreaRule& rule) const;

    /// Hands over the pixels whose centre lies in the area. One that lies on an edge belongs to what is right
    /// of it, or below a level one.
    void give_centres(const AreaRule& rule, SpanSink& sink);

  private:
    template <class FirstRow>
    void sort_by_row(FirstRow first_row);

    base::Clip clip_;
    std::vector<AreaEdge> edges_;
};

} // namespace coldbrick::raster
