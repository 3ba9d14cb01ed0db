#include "raster/shapes/arc.hpp"

#include "geometry/placement.hpp"
#include "geometry/shape_checks.hpp"
#include "geometry/shape_instances.hpp"
#include "raster/areas/area_union.hpp"
#include "raster/ellipse/ellipse_rows.hpp"
#include "raster/ellipse/elliptic_arc.hpp"
#include "raster/shapes/ellipse.hpp"
#include "raster/spans/span_queries.hpp"
#include "raster/stroke/curve_stroker.hpp"

#include <algorithm>
#include <cmath>
#include <concepts>
#include <optional>
#include <vector>

namespace coldbrick::raster {

namespace {

/// What arcs, sectors and segments have in common.
struct Slice {
    EllipseAxes axes;
    Origin origin;
    AngleRange directions; ///< on the screen
    AngleRange own;        ///< as the curve counts them, before it is turned
    EllipticArc curve;

    template <EllipsePartKind kind>
    static Slice of(const EllipsePart<kind>& shape) {
        const EllipseAxes axes = axes_of(shape.ellipse);
        const Angle turned = shape.start.without_turns() + shape.ellipse.turn.without_turns();
        const AngleRange directions(turned, shape.sweep);
        // An ellipse that quarter turns have made upright counts its own directions as the screen does.
        const AngleRange own = axes.upright ? directions : AngleRange(shape.start, shape.sweep);
        const EllipticArc curve(axes, {0, 0}, CurvePlace::seen(axes, own.start),
                                CurvePlace::seen(axes, own.end));
        return {axes, {axes.centre_x, axes.centre_y}, directions, own, curve};
    }

    [[nodiscard]] HalfPixelVector from() const { return curve.point(curve.begin()); }
    [[nodiscard]] HalfPixelVector to() const { return curve.point(curve.end()); }
};

/// The filled sector's rows.
class SectorRows {
  public:
    explicit SectorRows(const Slice& slice)
        : origin_(slice.origin), rows_(slice.axes), seen_(AreaUnion::seen(slice.directions)) {}

    [[nodiscard]] RowRuns row(std::int64_t y) {
        RowRuns result = rows_.filled(y).intersection(seen_.row(y, origin_));
        if (distance_of(HalfPixels::of_pixels(y), origin_.y).count <= 1)
            result.unite(columns(-1.0, 1.0, origin_)); // the centre's pixels
        return result;
    }

    [[nodiscard]] HalfPixels reach() const { return std::max(rows_.reach(), HalfPixels{1}); }

  private:
    Origin origin_;
    EllipseRows rows_;
    AreaUnion seen_;
};

/// The filled segment's rows.
class SegmentRows {
  public:
    explicit SegmentRows(const Slice& slice) : origin_(slice.origin), rows_(slice.axes) {
        side_.keep_right_of(slice.to(), direction_of(slice));
    }

    /// The chord's direction, from the arc's end to its beginning. An arc without an extent has its tangent
    /// for a chord.
    static HalfPixelVector direction_of(const Slice& slice) {
        const HalfPixelVector chord = slice.from() - slice.to();
        return chord.length().count > 0 ? chord.unit() : -slice.curve.direction(slice.curve.begin());
    }

    [[nodiscard]] RowRuns row(std::int64_t y) {
        return rows_.filled(y).intersection(RowRuns(side_.row(y, origin_)));
    }

    [[nodiscard]] HalfPixels reach() const { return rows_.reach(); }

  private:
    Origin origin_;
    EllipseRows rows_;
    RealHalfPlanes side_;
};

/// The rows of a clip that a slice may have pixels on. Where a side meets the curve at a small angle, that is
/// far beyond the ideal corner.
RowRange rows_of(const Slice& slice, HalfPixels reach, bool is_segment, const base::Clip& clip) {
    const RowRange whole = rows_about(slice.axes.centre_y, reach, clip);
    // A flat segment's chord leaves out less than the filled ellipse's pixels reach beyond the curve, and the
    // curve of an ellipse without a width is there and back again.
    if (is_segment || slice.axes.a == 0 || slice.axes.b == 0) return whole;
    const EllipticArc::Heights arc = EllipticArc::rows_beyond(slice.axes, slice.own);
    return {std::max(whole.first, row_at(slice.origin.y, std::min(arc.top, RealHalfPixels{0})) - 3),
            std::min(whole.end, row_at(slice.origin.y, std::max(arc.bottom, RealHalfPixels{0})) + 4)};
}

template <class Rows>
void add_all_rows(Rows rows, const Slice& slice, SpanSink& sink) {
    add_rows(
        rows_of(slice, rows.reach(), std::same_as<Rows, SegmentRows>, sink.clip()),
        [&rows](std::int64_t y) { return rows.row(y); }, sink);
}

/// The columns of a row whose neighbours to both sides are in it as well.
RowRuns without_ends(const RowRuns& row) {
    RowRuns result;
    for (const Run& run : row) result.unite({run.begin + 1, run.end - 1});
    return result;
}

/// The filled pixels with a neighbour that is not filled.
template <class Rows>
void add_edge(Rows rows, const Slice& slice, SpanSink& sink) {
    const RowRange range = rows_of(slice, rows.reach(), std::same_as<Rows, SegmentRows>, sink.clip());
    if (range.first >= range.end) return;
    RowRuns above = rows.row(range.first - 1);
    RowRuns here = rows.row(range.first);
    for (std::int64_t y = range.first; y < range.end; ++y) {
        const RowRuns below = rows.row(y + 1);
        const RowRuns inner = without_ends(here).intersection(above).intersection(below);
        here.without(inner).give(y, sink);
        above = here;
        here = below;
    }
}

CurveStroker stroker_of(const Arc&, const Slice& slice) {
    CurveStroker stroker(slice.origin, false);
    stroker.add(slice.curve);
    return stroker;
}

CurveStroker stroker_of(const Sector&, const Slice& slice) {
    CurveStroker stroker(slice.origin, true);
    stroker.add(LineSegment{{0, 0}, slice.from()});
    stroker.add(slice.curve);
    stroker.add(LineSegment{slice.to(), {0, 0}});
    return stroker;
}

CurveStroker stroker_of(const Segment&, const Slice& slice) {
    CurveStroker stroker(slice.origin, true);
    stroker.add(slice.curve);
    stroker.add(LineSegment{slice.to(), slice.from()});
    return stroker;
}

/// The pixels of a thin arc, and what stands for them if there are none.
class ThinArc {
  public:
    explicit ThinArc(const Slice& slice)
        : slice_(slice), rows_(slice.axes), seen_(AreaUnion::seen(slice.directions)) {
        make_sure_of_a_pixel();
    }

    [[nodiscard]] RowRuns row(std::int64_t y) {
        if (!stand_in_) return rows_.outline(y).intersection(seen_.row(y, slice_.origin));
        return y == stand_in_->y ? RowRuns({stand_in_->x, stand_in_->x + 1}) : RowRuns();
    }

    [[nodiscard]] HalfPixels reach() const { return rows_.reach(); }

  private:
    struct Pixel {
        std::int64_t x;
        std::int64_t y;
    };

    /// Finds out whether there are any pixels, from the arc's middle on outwards, whatever a clip shows: a
    /// long arc has its first pixel soon, and a short one is seen through soon.
    void make_sure_of_a_pixel() {
        const EllipticArc::Heights extent = slice_.curve.rows();
        const std::int64_t first = row_near(extent.top) - 2;
        const std::int64_t last = row_near(extent.bottom) + 2;
        const std::int64_t middle = row_near({slice_.curve.point(middle_place()).y});
        for (std::int64_t off = 0; middle - off >= first || middle + off <= last; ++off)
            if (!row(middle - off).empty() || !row(middle + off).empty()) return;
        stand_in_ = nearest_to_middle();
    }

    /// The row of a height from the centre, or one beside it.
    [[nodiscard]] std::int64_t row_near(RealHalfPixels height) const {
        return slice_.origin.y.pixel_at_or_before() +
               static_cast<std::int64_t>(std::floor(height.in_pixels()));
    }

    [[nodiscard]] CurvePlace middle_place() const {
        return CurvePlace::seen(slice_.axes, slice_.own.middle());
    }

    /// The outline has a pixel within two rows of any point of the curve.
    [[nodiscard]] Pixel nearest_to_middle() {
        const HalfPixelVector middle = slice_.curve.point(middle_place());
        Pixel best{};
        RealHalfPixels least{beyond_all};
        const std::int64_t row = row_near({middle.y});
        for (std::int64_t y = row - 2; y <= row + 3; ++y)
            for (const Run& run : rows_.outline(y)) {
                const std::int64_t wanted =
                    slice_.origin.x.pixel_at_or_before() +
                    static_cast<std::int64_t>(std::lround(RealHalfPixels{middle.x}.in_pixels()));
                for (std::int64_t beside = -1; beside <= 1; ++beside) {
                    const std::int64_t x = std::clamp(wanted + beside, run.begin, run.end - 1);
                    const RealHalfPixels distance = (slice_.origin.to_pixel(x, y) - middle).length();
                    if (distance >= least) continue;
                    least = distance;
                    best = {x, y};
                }
            }
        return best;
    }

    Slice slice_;
    EllipseRows rows_;
    AreaUnion seen_;
    std::optional<Pixel> stand_in_;
};

template <class Rows, class Shape>
void stroke_closed(const Shape& shape, const Pen& pen, SpanSink& sink) {
    if (shape.ellipse.box.empty()) return;
    const Slice slice = Slice::of(shape);
    if (slice.directions.whole) return stroke(shape.ellipse, pen, sink);
    stroker_of(shape, slice).stroke_or_dash(pen, sink, [&slice](SpanSink& thin) {
        add_edge(Rows(slice), slice, thin);
    });
}

template <class Rows, class Shape>
void fill_closed(const Shape& shape, SpanSink& sink) {
    if (shape.ellipse.box.empty()) return;
    const Slice slice = Slice::of(shape);
    if (slice.directions.whole) return fill(shape.ellipse, sink);
    add_all_rows(Rows(slice), slice, sink);
}

} // namespace

void stroke(const Arc& arc, const Pen& pen, SpanSink& sink) {
    if (arc.ellipse.box.empty()) return;
    const Slice slice = Slice::of(arc);
    if (slice.directions.whole) return stroke(arc.ellipse, pen, sink);
    stroker_of(arc, slice).stroke_or_dash(pen, sink, [&slice](SpanSink& thin) {
        add_all_rows(ThinArc(slice), slice, thin);
    });
}

void fill(const Sector& sector, SpanSink& sink) {
    fill_closed<SectorRows>(sector, sink);
}

void fill(const Segment& segment, SpanSink& sink) {
    fill_closed<SegmentRows>(segment, sink);
}

void stroke(const Sector& sector, const Pen& pen, SpanSink& sink) {
    stroke_closed<SectorRows>(sector, pen, sink);
}

void stroke(const Segment& segment, const Pen& pen, SpanSink& sink) {
    stroke_closed<SegmentRows>(segment, pen, sink);
}

namespace {

/// Where a segment's chord leaves the filled ellipse's pixels, which reach half a pixel beyond the curve. The
/// flatter the segment, the further that is from the chord's own ends.
std::vector<HalfPixelVector> chord_ends(const Slice& slice) {
    const HalfPixelVector along = SegmentRows::direction_of(slice);
    const auto a = static_cast<long double>(slice.axes.a + 1);
    const auto b = static_cast<long double>(slice.axes.b + 1);
    // In the frame in which that larger ellipse is the circle of radius 1.
    const auto scaled = [&](HalfPixelVector v) {
        const HalfPixelVector own = slice.curve.turned_back(v);
        return HalfPixelVector{own.x / a, own.y / b};
    };
    const HalfPixelVector start = scaled(slice.to());
    const HalfPixelVector step = scaled(along);
    const long double square = dot(step, step);
    const long double half = dot(start, step) / square;
    const long double root = half * half - (dot(start, start) - 1) / square;
    if (!(root >= 0)) return {};
    const long double reach = std::sqrt(root);
    return {slice.to() + (reach - half) * along, slice.to() + (-reach - half) * along};
}

/// Of the ideal outline.
template <class Shape>
OutermostPlaces outermost_of(const Shape& shape) {
    const Slice slice = Slice::of(shape);
    OutermostPlaces result;
    const auto add = [&](HalfPixelVector place) {
        result.places.push_back(PixelVector::at(slice.origin, place));
    };
    // The curve of an ellipse without a width is there and back again: any part of it may show all pixels.
    const bool is_flat = slice.axes.a == 0 || slice.axes.b == 0;
    const EllipticArc whole(slice.axes, {0, 0}, CurvePlace::seen(slice.axes, slice.own.start),
                            CurvePlace::seen(slice.axes, slice.own.start + degrees(360)));
    const EllipticArc& curve = is_flat ? whole : slice.curve;
    for (const auto& places : {curve.upright_places(), curve.level_places()})
        for (const CurvePlace& place : places) add(curve.point(place));
    add(slice.from());
    add(slice.to());
    add(curve.point(
        CurvePlace::seen(slice.axes, slice.own.middle()))); // where a short arc has its only pixel
    if constexpr (std::same_as<Shape, Sector>) add({0, 0});
    if constexpr (std::same_as<Shape, Segment>)
        for (const HalfPixelVector place : chord_ends(slice)) add(place);
    return result;
}

template <class Shape>
OutermostPlaces outermost_of(const Shape& shape, const Pen& pen) {
    if (pen.width == 1 && !pen.dashed()) return outermost_of(shape);
    const Slice slice = Slice::of(shape);
    if (slice.directions.whole) return outermost(shape.ellipse, pen);
    return stroker_of(shape, slice).outermost(pen);
}

/// The tight box of the spans of a shape that is as wide as its ideal outline.
template <class Shape>
Box bounds_of(const Shape& shape, AddSpans add) {
    geometry::check(shape);
    if (shape.ellipse.box.empty()) return {};
    if (AngleRange(shape.start, shape.sweep).whole) return shape.ellipse.bounds();
    return bounds_near(outermost_of(shape), add);
}

} // namespace

OutermostPlaces outermost(const Arc& arc, const Pen& pen) {
    return outermost_of(arc, pen);
}

OutermostPlaces outermost(const Sector& sector, const Pen& pen) {
    return outermost_of(sector, pen);
}

OutermostPlaces outermost(const Segment& segment, const Pen& pen) {
    return outermost_of(segment, pen);
}

} // namespace coldbrick::raster

namespace coldbrick {

namespace {

constexpr raster::Pen thin{1, Cap::butt, Join::mitre, 4, {}, 0};

/// Gives what bounds() and contains() mean: an arc's pixels at width 1, or all those of what has an inside.
template <EllipsePartKind kind>
auto giver_of(const EllipsePart<kind>& part) {
    return [&part](raster::SpanSink& sink) {
        if constexpr (kind == EllipsePartKind::arc)
            raster::stroke(part, thin, sink);
        else
            raster::fill(part, sink);
    };
}

} // namespace

template <EllipsePartKind kind>
Box EllipsePart<kind>::bounds() const {
    return raster::bounds_of(*this, giver_of(*this));
}

template <EllipsePartKind kind>
bool EllipsePart<kind>::contains(Point pixel) const {
    geometry::check(*this);
    return raster::shows(pixel, giver_of(*this));
}

template <EllipsePartKind kind>
EllipsePart<kind> EllipsePart<kind>::placed(Anchor anchor, Point position) const {
    return geometry::placed_by_bounds(*this, anchor, position);
}

#define COLDBRICK_INSTANTIATE(Part)                                                                          \
    template COLDBRICK_EXPORTED Box Part::bounds() const;                                                    \
    template COLDBRICK_EXPORTED bool Part::contains(Point) const;                                            \
    template COLDBRICK_EXPORTED Part Part::placed(Anchor, Point) const;
COLDBRICK_INSTANTIATE(EllipsePart<EllipsePartKind::arc>)
COLDBRICK_INSTANTIATE(EllipsePart<EllipsePartKind::sector>)
COLDBRICK_INSTANTIATE(EllipsePart<EllipsePartKind::segment>)

} // namespace coldbrick
