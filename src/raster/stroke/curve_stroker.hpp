/// @file
/// Strokes along curves and straight sides whose ends need not be pixels.
#pragma once

#include "raster/areas/real_half_planes.hpp"
#include "raster/ellipse/elliptic_arc.hpp"
#include "raster/spans/span_sink.hpp"
#include "raster/stroke/line_segment.hpp"
#include "raster/stroke/outermost_places.hpp"
#include "raster/stroke/pen.hpp"
#include "raster/thin/thin_dashes.hpp"

#include <cstdint>
#include <variant>
#include <vector>

namespace coldbrick::raster {

/// Strokes a path of straight lines and elliptic arcs, whose ends need not be pixels: clockwise where it is
/// closed, so that the inside lies on its right. A wide stroke is the pixels within half a width, at most
/// half a width inside and less than that outside, as for circles.
class CurveStroker {
  public:
    CurveStroker(const Origin& origin, bool closed) : origin_(origin), closed_(closed) {}

    /// Adds a line, unless it has no length.
    void add(const LineSegment& line);
    void add(const EllipticArc& curve) { pieces_.emplace_back(curve); }

    /// The stroke of width 2 and up with caps, joins and dashes.
    void stroke(const Pen& pen, SpanSink& sink) const;

    /// The stroke of any width: `thin` adds the pixels of width 1 without dashes to the sink that it is
    /// given.
    template <class Thin>
    void stroke_or_dash(const Pen& pen, SpanSink& sink, Thin thin) const {
        if (pen.width > 1) return stroke(pen, sink);
        if (!pen.dashed()) return thin(sink);
        add_thin_dashes(
            DashPattern(pen.dashes, pen.dash_offset), sink,
            [this](std::int64_t x, std::int64_t y) { return position(x, y); }, thin);
    }

    /// Where the stroke with the pen reaches furthest.
    [[nodiscard]] OutermostPlaces outermost(const Pen& pen) const;

  private:
    /// How far along the path, in pixels, its point nearest to a pixel lies.
    [[nodiscard]] long double position(std::int64_t x, std::int64_t y) const;

    /// True if the stroke has a join at the end of the piece.
    [[nodiscard]] bool meets_next(const PieceOfPath& place, const Pen& pen, const DashPattern& dashes) const;

    using Piece = std::variant<LineSegment, EllipticArc>;

    Origin origin_;
    bool closed_;
    std::vector<Piece> pieces_;
};

} // namespace coldbrick::raster
