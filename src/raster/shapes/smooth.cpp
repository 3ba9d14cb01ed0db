#include "raster/shapes/smooth.hpp"

#include "geometry/loose_bounds.hpp"
#include "geometry/shape_instances.hpp"
#include "raster/coverage/circle_coverage.hpp"
#include "raster/coverage/covered_area.hpp"
#include "raster/path/convex_pieces.hpp"
#include "raster/path/path_area.hpp"
#include "raster/path/shape_contours.hpp"
#include "raster/path/tiled_stroke.hpp"

#include <algorithm>
#include <cmath>
#include <concepts>
#include <optional>

namespace coldbrick::raster {

namespace {

constexpr double half_pixel = real_sub_pixels / 2;

/// Shapes that may be a whole ellipse.
template <class S>
concept Elliptic = std::same_as<S, Circle> || requires(const S& shape) {
    shape.sweep;
};

/// The ellipse that a shape is the whole of.
std::optional<Ellipse> whole_ellipse(const Circle& circle) {
    return Ellipse::about(circle.centre, circle.radius, circle.radius);
}
template <class Slice>
std::optional<Ellipse> whole_ellipse(const Slice& slice) {
    const bool whole = slice.sweep >= degrees(360) || slice.sweep <= degrees(-360);
    return whole ? std::optional(slice.ellipse) : std::nullopt;
}

bool is_circle(const Ellipse& ellipse) {
    return ellipse.box.width == ellipse.box.height;
}

/// Shapes with rings, whose inside the fill rule settles.
template <class S>
concept Ringed = std::same_as<S, Polygon> || std::same_as<S, Path>;

/// Shapes that lie on pixels and are moved as a whole for an even width; the others have an inner side.
template <class S>
concept Shifting =
    std::same_as<S, Dots> || std::same_as<S, Line> || std::same_as<S, Polyline> || std::same_as<S, Polygon>;

/// What a path's or polygon's bare inside leaves out.
template <class S>
bool is_bare(const InsideRule& rule) {
    return Ringed<S> && rule.extent == FillExtent::tiling;
}

/// False if nothing of a shape can lie within reach of a clip, or if it lies too far out for sub-pixels.
template <class S>
bool may_show(const S& shape, double reach, const base::Clip& clip) {
    const Box box = geometry::loose_bounds(shape);
    const auto beyond = static_cast<std::int64_t>(std::min(std::ceil(reach), 0x1p60)) + 2;
    return !box.empty() && box.x < clip.right + beyond && box.end_x() > clip.left - beyond &&
           box.y < clip.bottom + beyond && box.end_y() > clip.top - beyond;
}

// Fills.

/// The stroke of width 1 that belongs to a fill.
template <class S>
void add_rim(const S& shape, CoveredArea& area) {
    const ContourPen pen{
        {half_pixel, half_pixel, Cap::butt, Join::mitre, 4}, {}, 0, !std::same_as<S, Path>, false};
    add_stroke(closed(contours_of(shape)), pen, area, AreaPart::rim);
}

/// Adds a contour that has the whole area.
void add_contour(const CurveContour& contour, CoveredArea& area, AreaPart part,
                 Inside inside = Inside::added) {
    const Flattening flattening(VisibleArea(area.clip(), 0), Flattening::Purpose::inside);
    add_inside({&contour, 1}, flattening, area, part, inside);
}

/// A polygon's edges as they are.
void add_inside(const Polygon& polygon, CoveredArea& area) {
    for (const auto& ring : polygon.rings) {
        SubPoint from = SubPoint::of_pixel(ring.back().x, ring.back().y);
        for (const Point& vertex : ring) {
            const SubPoint to = SubPoint::of_pixel(vertex.x, vertex.y);
            area.add(from, to, AreaPart::inside);
            from = to;
        }
    }
}
void add_inside(const Path& path, CoveredArea& area) {
    const Flattening flattening(VisibleArea(area.clip(), 0), Flattening::Purpose::inside);
    add_inside(contours_of(path), flattening, area, AreaPart::inside);
}

template <class S>
void add_fill(const S& shape, const InsideRule& rule, CoveredArea& area) {
    if constexpr (std::same_as<S, Box>) {
        add_contour(box_contour(SubBox::of(shape).grown(half_pixel)), area, AreaPart::inside);
    } else if constexpr (std::same_as<S, RoundedBox>) {
        const std::int64_t radius = corner_radius(shape);
        const double round = radius == 0 ? 0 : static_cast<double>(radius) * real_sub_pixels + half_pixel;
        add_contour(box_contour(SubBox::of(shape.box).grown(half_pixel), round), area, AreaPart::inside);
    } else if constexpr (std::same_as<S, Circle>) {
        add_fill(*whole_ellipse(shape), rule, area);
    } else if constexpr (std::same_as<S, Ellipse>) {
        const EllipseFrame frame = EllipseFrame::of(shape, half_pixel);
        add_contour(ellipse_contour(frame.centre, frame.across, frame.down), area, AreaPart::inside);
    } else if constexpr (std::same_as<S, Sector> || std::same_as<S, Segment>) {
        const Flattening flattening(VisibleArea(area.clip(), 0), Flattening::Purpose::inside);
        add_inside(contours_of(shape), flattening, area, AreaPart::inside);
        add_rim(shape, area);
    } else {
        add_inside(shape, area);
        if (!is_bare<S>(rule)) add_rim(shape, area);
    }
}

/// @param kind what the area is
template <class S>
AreaRule area_rule(AreaRule::Kind kind, const InsideRule& rule) {
    return {kind, Ringed<S> ? rule.rule : FillRule::non_zero, is_bare<S>(rule)};
}

// Strokes.

template <class S>
constexpr bool is_on_pixels = !std::same_as<S, Path>;

bool is_even(double width) {
    return std::fmod(width, 2) == 0;
}

template <class S>
ContourPen contour_pen(const RealPen& pen) {
    const double half = pen.width / 2 * real_sub_pixels;
    const bool even = is_on_pixels<S> && is_even(pen.width);
    // The odd pixel of an even width lies inside, or above and to the left.
    const double inwards = even && !Shifting<S> ? half_pixel : 0;
    ContourPen result{{half + inwards, half - inwards, pen.cap, pen.join, pen.mitre_limit},
                      pen.dashes,
                      pen.dash_offset,
                      is_on_pixels<S>,
                      even && Shifting<S>};
    if constexpr (std::same_as<S, Dots>) {
        result.outline.cap = pen.width == 1 ? Cap::butt : Cap::round;
        result.dashes = {};
    }
    if constexpr (std::same_as<S, Box>) { // which keeps its corners
        result.outline.join = Join::mitre;
        result.outline.mitre_limit = std::max(pen.mitre_limit, 4.0);
    }
    return result;
}

/// A band between two boxes with rounded corners.
void add_box_band(const SubBox& path, double radius, const OutlinePen& pen, CoveredArea& area) {
    add_contour(box_contour(path.grown(pen.left), radius == 0 ? 0 : radius + pen.left), area,
                AreaPart::stroke);
    const SubBox hole = path.grown(-pen.right);
    if (!hole.empty())
        add_contour(box_contour(hole, std::max(0.0, radius - pen.right)), area, AreaPart::stroke,
                    Inside::taken_away);
}

/// @param pieces what crowded strokes are added to instead of the area, or null
template <class S>
void add_pen_stroke(const S& shape, const RealPen& real_pen, CoveredArea& area, ConvexPieces* pieces) {
    const ContourPen pen = contour_pen<S>(real_pen);
    const bool solid = pen.dashes.empty();
    if constexpr (std::same_as<S, Box>) {
        if (solid) return add_box_band(SubBox::of(shape), 0, pen.outline, area);
    } else if constexpr (std::same_as<S, RoundedBox>) {
        const double radius = static_cast<double>(corner_radius(shape)) * real_sub_pixels;
        if (radius == 0) return add_pen_stroke(shape.box, real_pen, area, pieces);
        if (solid) return add_box_band(SubBox::of(shape.box), radius, pen.outline, area);
    }
    if (pieces != nullptr) return add_stroke(contours_of(shape), pen, *pieces);
    add_stroke(contours_of(shape), pen, area, AreaPart::stroke);
}

/// Shapes whose inner side may reach over their outer one on the other side: at corners, and where a curve
/// bends more than the stroke is wide.
template <class S>
bool may_reach_over(const S& shape, const OutlinePen& pen) {
    if constexpr (std::same_as<S, Ellipse>) {
        const EllipseFrame frame = EllipseFrame::of(shape);
        const double a = frame.across.length();
        const double b = frame.down.length();
        return std::min(a, b) * std::min(a, b) < pen.right * std::max(a, b);
    }
    return std::same_as<S, Sector> || std::same_as<S, Segment>;
}

/// A stroke that reaches further inwards: of what is outside the shape only what its outer side has.
template <class S>
AreaRule add_centred_stroke(const S& shape, const RealPen& real_pen, CoveredArea& area,
                            ConvexPieces* pieces) {
    add_pen_stroke(shape, real_pen, area, pieces);
    ContourPen pen = contour_pen<S>(real_pen);
    if (pen.outline.right == pen.outline.left || !pen.dashes.empty() || !may_reach_over(shape, pen.outline))
        return {AreaRule::Kind::stroked};
    const Contours contours = contours_of(shape);
    const Flattening flattening(VisibleArea(area.clip(), 0), Flattening::Purpose::inside);
    add_inside(contours, flattening, area, AreaPart::inside);
    pen.outline.right = pen.outline.left;
    add_stroke(contours, pen, area, AreaPart::rim);
    return {AreaRule::Kind::stroked_inside};
}

/// The area's own parts, and how they are put together.
template <class S>
AreaRule add_aligned_stroke(const S& shape, RealPen pen, Alignment alignment, const InsideRule& filled,
                            CoveredArea& area, ConvexPieces* pieces = nullptr) {
    if (alignment == Alignment::centred) return add_centred_stroke(shape, pen, area, pieces);
    const bool inside = alignment == Alignment::inside;
    // Fills reach half a pixel beyond the path, but for a path's bare inside.
    const bool bare_path = std::same_as<S, Path> && is_bare<S>(filled);
    pen.width = 2 * pen.width + (bare_path ? 0 : inside ? -1 : 1);
    if (pen.width > 0) add_pen_stroke(shape, pen, area, pieces);
    if constexpr (ClosedShape<S>) add_fill(shape, filled, area);
    AreaRule rule =
        area_rule<S>(inside ? AreaRule::Kind::stroked_inside : AreaRule::Kind::stroked_outside, filled);
    rule.tiling = false;
    return rule;
}

template <class S>
bool is_dense_stroke(const S& shape, RealPen pen, Alignment alignment) {
    // Few lines without dashes are not.
    if constexpr (!Ringed<S> && !std::same_as<S, Polyline>)
        if (pen.dashes.empty()) return false;
    if (alignment != Alignment::centred) pen.width *= 2;
    return is_dense(contours_of(shape), contour_pen<S>(pen));
}

SmoothRing ring_about(const Ellipse& circle, double outwards, double inwards) {
    const Box& box = circle.box;
    const double radius = static_cast<double>(box.width - 1) / 2;
    return {HalfPixels::of_pixels(box.x) + HalfPixels{box.width - 1},
            HalfPixels::of_pixels(box.y) + HalfPixels{box.height - 1}, radius + outwards, radius - inwards};
}

SmoothRing disc_of(const Ellipse& circle) {
    SmoothRing disc = ring_about(circle, 0.5, 0);
    disc.inner = 0;
    return disc;
}

SmoothRing ring_of(const Ellipse& circle, const RealPen& pen, Alignment alignment) {
    constexpr double fill = 0.5; // how far it reaches beyond the path
    switch (alignment) {
    case Alignment::inside: return ring_about(circle, fill, pen.width - fill);
    case Alignment::outside: return ring_about(circle, fill + pen.width, -fill);
    default: {
        const double inwards = is_even(pen.width) ? fill : 0;
        return ring_about(circle, pen.width / 2 - inwards, pen.width / 2 + inwards);
    }
    }
}

/// Places on an area's edges.
OutermostPlaces corners_of(const CoveredArea& area) {
    OutermostPlaces result;
    constexpr auto shift = 0.5L;
    const auto add = [&result](std::int64_t x, std::int64_t y) {
        result.places.push_back({static_cast<long double>(x) / sub_pixels - shift,
                                 static_cast<long double>(y) / sub_pixels - shift});
    };
    for (const AreaEdge& edge : area.edges()) {
        add(edge.top_x, edge.top_y);
        add(edge.bottom_x, edge.bottom_y);
    }
    return result;
}

} // namespace

template <class S>
void fill_smooth(const S& shape, const InsideRule& rule, SpanSink& sink) {
    if constexpr (Elliptic<S>)
        if (const auto ellipse = whole_ellipse(shape)) return fill_smooth(*ellipse, rule, sink);
    if (!may_show(shape, 1, sink.clip())) return;
    if constexpr (std::same_as<S, Ellipse>)
        if (is_circle(shape)) return add_coverage(disc_of(shape), sink);
    CoveredArea area(sink.clip());
    add_fill(shape, rule, area);
    area.give(area_rule<S>(AreaRule::Kind::filled, rule), sink);
}

template <class S>
void stroke_smooth(const S& shape, const RealPen& pen, Alignment alignment, const InsideRule& filled,
                   SpanSink& sink) {
    if constexpr (Elliptic<S>)
        if (const auto ellipse = whole_ellipse(shape))
            return stroke_smooth(*ellipse, pen, alignment, filled, sink);
    const double tips = pen.join == Join::mitre ? pen.mitre_limit : 0;
    if (!may_show(shape, (pen.width + 1) * std::max(2.0, tips), sink.clip())) return;
    if constexpr (std::same_as<S, Path>)
        if (pen.dashes.empty() && alignment == Alignment::centred) {
            const Contours contours = contours_of(shape);
            const OutlinePen outline = contour_pen<S>(pen).outline;
            if (is_crowded(contours, outline, false)) return tiled_stroke(contours, outline, false, sink);
        }
    if constexpr (std::same_as<S, Ellipse>)
        if (is_circle(shape) && pen.dashes.empty()) return add_coverage(ring_of(shape, pen, alignment), sink);
    CoveredArea area(sink.clip());
    if (is_dense_stroke(shape, pen, alignment)) {
        ConvexPieces pieces(sink.clip());
        const AreaRule rule = add_aligned_stroke(shape, pen, alignment, filled, area, &pieces);
        return pieces.give(rule, area.edges(), sink);
    }
    const AreaRule rule = add_aligned_stroke(shape, pen, alignment, filled, area);
    area.give(rule, sink);
}

template <class S>
OutermostPlaces outermost_smooth(const S& shape, const InsideRule& rule) {
    if constexpr (Elliptic<S>)
        if (const auto ellipse = whole_ellipse(shape)) return outermost_smooth(*ellipse, rule);
    CoveredArea area(everywhere);
    add_fill(shape, rule, area);
    return corners_of(area);
}

template <class S>
OutermostPlaces outermost_smooth(const S& shape, const RealPen& pen, Alignment alignment,
                                 const InsideRule& filled) {
    if constexpr (Elliptic<S>)
        if (const auto ellipse = whole_ellipse(shape))
            return outermost_smooth(*ellipse, pen, alignment, filled);
    if constexpr (std::same_as<S, Path>)
        if (pen.dashes.empty() && alignment == Alignment::centred) {
            const Contours contours = contours_of(shape);
            const OutlinePen outline = contour_pen<S>(pen).outline;
            if (is_round(outline) && is_crowded(contours, outline, false))
                return outermost_of_round_stroke(contours, outline.right);
        }
    CoveredArea area(everywhere);
    add_aligned_stroke(shape, pen, alignment, filled, area);
    return corners_of(area);
}

#define COLDBRICK_INSTANTIATE(S)                                                                             \
    template void fill_smooth(const S&, const InsideRule&, SpanSink&);                                       \
    template OutermostPlaces outermost_smooth(const S&, const InsideRule&);
COLDBRICK_FOR_EACH_CLOSED_SHAPE(COLDBRICK_INSTANTIATE)
#undef COLDBRICK_INSTANTIATE
#define COLDBRICK_INSTANTIATE(S)                                                                             \
    template void stroke_smooth(const S&, const RealPen&, Alignment, const InsideRule&, SpanSink&);          \
    template OutermostPlaces outermost_smooth(const S&, const RealPen&, Alignment, const InsideRule&);
COLDBRICK_FOR_EACH_SHAPE(COLDBRICK_INSTANTIATE)
#undef COLDBRICK_INSTANTIATE

} // namespace coldbrick::raster
