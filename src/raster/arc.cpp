#include "raster/arc.hpp"

#include "geometry/checks.hpp"
#include "raster/bend.hpp"
#include "raster/contour.hpp"
#include "raster/ellipse.hpp"
#include "raster/oval_rows.hpp"
#include "raster/probe.hpp"
#include "raster/sweep.hpp"

#include <algorithm>
#include <cmath>
#include <concepts>
#include <optional>
#include <vector>

namespace coldbrick::raster {

namespace {

/// What arcs, sectors and segments have in common.
struct Slice {
    Oval oval;
    Origin origin;
    Directions directions; ///< on the screen
    Directions own;        ///< as the curve counts them, before it is turned
    Bend bend;

    template <class Shape>
    static Slice of(const Shape& shape) {
        const Oval oval = oval_of(shape.ellipse);
        const Angle turned = shape.start.without_turns() + shape.ellipse.turn.without_turns();
        const Directions directions(turned, shape.sweep);
        // An oval that quarter turns have made upright counts its own directions as the screen does.
        const Directions own = oval.upright ? directions : Directions(shape.start, shape.sweep);
        const Bend bend(oval, {0, 0}, CurvePlace::seen(oval, own.start), CurvePlace::seen(oval, own.end));
        return {oval, {oval.centre_x, oval.centre_y}, directions, own, bend};
    }

    [[nodiscard]] Vector from() const { return bend.point(bend.begin()); }
    [[nodiscard]] Vector to() const { return bend.point(bend.end()); }
};

/// The filled sector's rows.
class SectorRows {
  public:
    explicit SectorRows(const Slice& slice)
        : origin_(slice.origin), rows_(slice.oval), seen_(Sweep::seen(slice.directions)) {}

    [[nodiscard]] Runs row(std::int64_t y) {
        Runs result = rows_.filled(y).intersection(seen_.row(y, origin_));
        if (std::abs(2 * y - origin_.y) <= 1)
            result.unite(columns(-1.0, 1.0, origin_)); // the centre's pixels
        return result;
    }

    [[nodiscard]] std::int64_t reach() const { return std::max<std::int64_t>(rows_.reach(), 1); }

  private:
    Origin origin_;
    OvalRows rows_;
    Sweep seen_;
};

/// The filled segment's rows.
class SegmentRows {
  public:
    explicit SegmentRows(const Slice& slice) : origin_(slice.origin), rows_(slice.oval) {
        side_.keep_right_of(slice.to(), direction_of(slice));
    }

    /// The chord's direction, from the arc's end to its beginning. An arc without an extent has its tangent
    /// for a chord.
    static Vector direction_of(const Slice& slice) {
        const Vector chord = slice.from() - slice.to();
        return chord.length() > 0 ? 1 / chord.length() * chord : -slice.bend.direction(slice.bend.begin());
    }

    [[nodiscard]] Runs row(std::int64_t y) {
        return rows_.filled(y).intersection(Runs(side_.row(y, origin_)));
    }

    [[nodiscard]] std::int64_t reach() const { return rows_.reach(); }

  private:
    Origin origin_;
    OvalRows rows_;
    ConvexArea side_;
};

/// The rows of a clip that a slice may have pixels on. Arcs and sectors have them less than two rows beyond
/// the ideal edge.
RowRange rows_of(const Slice& slice, std::int64_t reach, bool is_segment, const Clip& clip) {
    const RowRange whole = rows_about(slice.oval, reach, clip);
    // A flat segment's chord leaves out less than the filled ellipse's pixels reach beyond the curve, and the
    // curve of an ellipse without a width is there and back again.
    if (is_segment || slice.oval.a == 0 || slice.oval.b == 0) return whole;
    const Bend::Extent arc = slice.bend.rows();
    const auto height = [&slice](long double y) {
        return static_cast<std::int64_t>(std::floor((static_cast<long double>(slice.origin.y) + y) / 2));
    };
    return {std::max(whole.first, height(std::min(arc.top, 0.0L)) - 3),
            std::min(whole.end, height(std::max(arc.bottom, 0.0L)) + 4)};
}

template <class Rows>
void add_rows(Rows rows, const Slice& slice, SpanSink& sink) {
    const RowRange range = rows_of(slice, rows.reach(), std::same_as<Rows, SegmentRows>, sink.clip());
    for (std::int64_t y = range.first; y < range.end; ++y) rows.row(y).give(y, sink);
}

/// The columns of a row whose neighbours to both sides are in it as well.
Runs without_ends(const Runs& row) {
    Runs result;
    for (const Run& run : row) result.unite({run.begin + 1, run.end - 1});
    return result;
}

/// The filled pixels with a neighbour that is not filled.
template <class Rows>
void add_edge(Rows rows, const Slice& slice, SpanSink& sink) {
    const RowRange range = rows_of(slice, rows.reach(), std::same_as<Rows, SegmentRows>, sink.clip());
    if (range.first >= range.end) return;
    Runs above = rows.row(range.first - 1);
    Runs here = rows.row(range.first);
    for (std::int64_t y = range.first; y < range.end; ++y) {
        const Runs below = rows.row(y + 1);
        const Runs inner = without_ends(here).intersection(above).intersection(below);
        here.without(inner).give(y, sink);
        above = here;
        here = below;
    }
}

Contour contour_of(const Arc&, const Slice& slice) {
    Contour contour(slice.origin, false);
    contour.add(slice.bend);
    return contour;
}

Contour contour_of(const Sector&, const Slice& slice) {
    Contour contour(slice.origin, true);
    contour.add(Side{{0, 0}, slice.from()});
    contour.add(slice.bend);
    contour.add(Side{slice.to(), {0, 0}});
    return contour;
}

Contour contour_of(const Segment&, const Slice& slice) {
    Contour contour(slice.origin, true);
    contour.add(slice.bend);
    contour.add(Side{slice.to(), slice.from()});
    return contour;
}

/// The pixels of a thin arc, and what stands for them if there are none.
class ThinArc {
  public:
    explicit ThinArc(const Slice& slice)
        : slice_(slice), rows_(slice.oval), seen_(Sweep::seen(slice.directions)) {
        make_sure_of_a_pixel();
    }

    [[nodiscard]] Runs row(std::int64_t y) {
        if (!stand_in_) return rows_.outline(y).intersection(seen_.row(y, slice_.origin));
        return y == stand_in_->y ? Runs({stand_in_->x, stand_in_->x + 1}) : Runs();
    }

    [[nodiscard]] std::int64_t reach() const { return rows_.reach(); }

  private:
    struct Pixel {
        std::int64_t x;
        std::int64_t y;
    };

    /// Finds out whether there are any pixels, from the arc's middle on outwards, whatever a clip shows: a
    /// long arc has its first pixel soon, and a short one is seen through soon.
    void make_sure_of_a_pixel() {
        const Bend::Extent extent = slice_.bend.rows();
        const std::int64_t first = row_at(extent.top) - 2;
        const std::int64_t last = row_at(extent.bottom) + 2;
        const std::int64_t middle = row_at(slice_.bend.point(middle_place()).y);
        for (std::int64_t off = 0; middle - off >= first || middle + off <= last; ++off)
            if (!row(middle - off).empty() || !row(middle + off).empty()) return;
        stand_in_ = nearest_to_middle();
    }

    [[nodiscard]] std::int64_t row_at(long double height) const {
        return floor_div(slice_.origin.y, std::int64_t{2}) +
               static_cast<std::int64_t>(std::floor(height / 2));
    }

    [[nodiscard]] CurvePlace middle_place() const {
        return CurvePlace::seen(slice_.oval, slice_.own.middle());
    }

    /// The outline has a pixel within two rows of any point of the curve.
    [[nodiscard]] Pixel nearest_to_middle() {
        const Vector middle = slice_.bend.point(middle_place());
        Pixel best{};
        long double least = beyond_all;
        for (std::int64_t y = row_at(middle.y) - 2; y <= row_at(middle.y) + 3; ++y)
            for (const Run& run : rows_.outline(y)) {
                const std::int64_t wanted = floor_div(slice_.origin.x, std::int64_t{2}) +
                                            static_cast<std::int64_t>(std::lround(middle.x / 2));
                for (std::int64_t beside = -1; beside <= 1; ++beside) {
                    const std::int64_t x = std::clamp(wanted + beside, run.begin, run.end - 1);
                    const Vector p{static_cast<long double>(2 * x - slice_.origin.x),
                                   static_cast<long double>(2 * y - slice_.origin.y)};
                    const long double distance = (p - middle).length();
                    if (distance >= least) continue;
                    least = distance;
                    best = {x, y};
                }
            }
        return best;
    }

    Slice slice_;
    OvalRows rows_;
    Sweep seen_;
    std::optional<Pixel> stand_in_;
};

template <class Rows, class Shape>
void stroke_closed(const Shape& shape, const Pen& pen, SpanSink& sink) {
    if (shape.ellipse.box.empty()) return;
    const Slice slice = Slice::of(shape);
    if (slice.directions.whole) return stroke(shape.ellipse, pen, sink);
    contour_of(shape, slice).stroke_or_dash(pen, sink, [&slice](SpanSink& thin) {
        add_edge(Rows(slice), slice, thin);
    });
}

template <class Rows, class Shape>
void fill_closed(const Shape& shape, SpanSink& sink) {
    if (shape.ellipse.box.empty()) return;
    const Slice slice = Slice::of(shape);
    if (slice.directions.whole) return fill(shape.ellipse, sink);
    add_rows(Rows(slice), slice, sink);
}

} // namespace

void stroke(const Arc& arc, const Pen& pen, SpanSink& sink) {
    if (arc.ellipse.box.empty()) return;
    const Slice slice = Slice::of(arc);
    if (slice.directions.whole) return stroke(arc.ellipse, pen, sink);
    contour_of(arc, slice).stroke_or_dash(pen, sink, [&slice](SpanSink& thin) {
        add_rows(ThinArc(slice), slice, thin);
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
std::vector<Vector> chord_ends(const Slice& slice) {
    const Vector along = SegmentRows::direction_of(slice);
    const auto a = static_cast<long double>(slice.oval.a + 1);
    const auto b = static_cast<long double>(slice.oval.b + 1);
    // In the frame in which that larger ellipse is the circle of radius 1.
    const auto scaled = [&](Vector v) {
        const Vector own = slice.bend.turned_back(v);
        return Vector{own.x / a, own.y / b};
    };
    const Vector start = scaled(slice.to());
    const Vector step = scaled(along);
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
    const auto add = [&](Vector place) {
        const Vector centre{static_cast<long double>(slice.origin.x),
                            static_cast<long double>(slice.origin.y)};
        result.places.push_back(0.5L * (centre + place));
    };
    // The curve of an ellipse without a width is there and back again: any part of it may show all pixels.
    const bool is_flat = slice.oval.a == 0 || slice.oval.b == 0;
    const Bend whole(slice.oval, {0, 0}, CurvePlace::seen(slice.oval, slice.own.start),
                     CurvePlace::seen(slice.oval, slice.own.start + degrees(360)));
    const Bend& bend = is_flat ? whole : slice.bend;
    for (const auto& places : {bend.upright_places(), bend.level_places()})
        for (const CurvePlace& place : places) add(bend.point(place));
    add(slice.from());
    add(slice.to());
    add(bend.point(CurvePlace::seen(slice.oval, slice.own.middle()))); // where a short arc has its only pixel
    if constexpr (std::same_as<Shape, Sector>) add({0, 0});
    if constexpr (std::same_as<Shape, Segment>)
        for (const Vector place : chord_ends(slice)) add(place);
    return result;
}

template <class Shape>
OutermostPlaces outermost_of(const Shape& shape, const Pen& pen) {
    if (pen.width == 1 && !pen.dashed()) return outermost_of(shape);
    const Slice slice = Slice::of(shape);
    if (slice.directions.whole) return outermost(shape.ellipse, pen);
    return contour_of(shape, slice).outermost(pen);
}

/// The tight box of what rasterise(sink) adds of a shape that is as wide as its ideal outline.
template <class Shape, class Rasterise>
Box bounds_of(const Shape& shape, Rasterise rasterise) {
    check(shape);
    if (shape.ellipse.box.empty()) return {};
    if (Directions(shape.start, shape.sweep).whole) return shape.ellipse.bounds();
    return bounds_near(outermost_of(shape), rasterise);
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

}

Box Arc::bounds() const {
    return raster::bounds_of(*this, [this](raster::SpanSink& sink) { raster::stroke(*this, thin, sink); });
}

bool Arc::contains(Point pixel) const {
    check(*this);
    return raster::shows(pixel, [this](raster::SpanSink& sink) { raster::stroke(*this, thin, sink); });
}

Box Sector::bounds() const {
    return raster::bounds_of(*this, [this](raster::SpanSink& sink) { raster::fill(*this, sink); });
}

bool Sector::contains(Point pixel) const {
    check(*this);
    return raster::shows(pixel, [this](raster::SpanSink& sink) { raster::fill(*this, sink); });
}

Box Segment::bounds() const {
    return raster::bounds_of(*this, [this](raster::SpanSink& sink) { raster::fill(*this, sink); });
}

bool Segment::contains(Point pixel) const {
    check(*this);
    return raster::shows(pixel, [this](raster::SpanSink& sink) { raster::fill(*this, sink); });
}

} // namespace coldbrick
