#include <coldbrick/bounds.hpp>

#include "geometry/shape_instances.hpp"
#include "image/drawing/rasterise.hpp"
#include "image/drawing/style_checks.hpp"
#include "raster/shapes/arc.hpp"
#include "raster/shapes/box.hpp"
#include "raster/shapes/ellipse.hpp"
#include "raster/shapes/polygon.hpp"
#include "raster/shapes/rounded_box.hpp"
#include "raster/shapes/smooth.hpp"
#include "raster/stroke/line_stroker.hpp"
#include "raster/stroke/outermost_places.hpp"

#include <algorithm>
#include <concepts>
#include <cstdint>

namespace coldbrick {

namespace {

raster::OutermostPlaces outermost(const Dots& dots, const raster::Pen& pen) {
    raster::OutermostPlaces result;
    const long double shift = pen.width % 2 == 0 ? 0.5L : 0;
    for (const Point& point : dots.points)
        result.add_disc(
            {static_cast<long double>(point.x) - shift, static_cast<long double>(point.y) - shift},
            static_cast<long double>(pen.width) / 2);
    return result;
}

raster::OutermostPlaces outermost(const Line& line, const raster::Pen& pen) {
    const Point ends[] = {line.from, line.to};
    return raster::outermost(ends, false, pen);
}

raster::OutermostPlaces outermost(const Polyline& polyline, const raster::Pen& pen) {
    return raster::outermost(polyline.points, polyline.closed, pen);
}

raster::OutermostPlaces outermost(const Circle& circle, const raster::Pen& pen) {
    return raster::outermost(Ellipse::about(circle.centre, circle.radius, circle.radius), pen);
}

template <class S>
raster::OutermostPlaces outermost(const S& shape, const raster::Pen& pen) {
    return raster::outermost(shape, pen);
}

template <class S>
bool is_empty(const S& shape) {
    if constexpr (requires { shape.ellipse; })
        return shape.ellipse.box.empty();
    else if constexpr (requires { shape.box; })
        return shape.box.empty();
    else if constexpr (std::same_as<S, Box> || std::same_as<S, Path>)
        return shape.empty();
    else
        return false;
}

/// The pen whose centred stroke reaches as far out as the stroke on its side of the edge.
raster::Pen outline_pen(const Stroke& stroke) {
    raster::Pen pen = image::pen_of(stroke);
    if (stroke.alignment == Alignment::inside) pen.width = 1;
    if (stroke.alignment == Alignment::outside) pen.width = 2 * pen.width + 1;
    return pen;
}

/// The tight box of the spans of an area with these corners: row by row if there are few, as
/// slivers may show far from their corners only.
Box bounds_of_area(const raster::OutermostPlaces& corners, raster::AddSpans add) {
    static constexpr auto furthest = static_cast<long double>(base::beyond_all_pixels);
    long double left = furthest;
    long double top = furthest;
    long double right = -furthest;
    long double bottom = -furthest;
    for (const raster::PixelVector& place : corners.places) {
        left = std::min(left, place.x);
        top = std::min(top, place.y);
        right = std::max(right, place.x);
        bottom = std::max(bottom, place.y);
    }
    constexpr long double few_rows = 4096;
    if (corners.fat || left > right || bottom - top > few_rows) return raster::bounds_near(corners, add);
    const auto cut = [](long double value) {
        return std::clamp(static_cast<std::int64_t>(std::clamp(value, -furthest, furthest)),
                          raster::everywhere.left, raster::everywhere.right);
    };
    const base::Clip clip{cut(left - 2), cut(top - 2), cut(right + 3), cut(bottom + 3)};
    return clip.empty() ? Box() : raster::tight_box(clip, add);
}

} // namespace

template <ClosedShape S>
Box bounds(const S& shape, const Fill& fill) {
    image::check_styled(shape, fill);
    const auto add = [&](raster::SpanSink& sink) { image::rasterise(shape, fill, sink); };
    if (is_empty(shape)) return shape.bounds();
    // The outermost pixels of shapes that end in whole pixels are the same whatever the edges.
    constexpr bool is_box = std::same_as<S, Box> || std::same_as<S, RoundedBox>;
    if (std::same_as<S, Path> || (fill.edges == Edges::smooth && !is_box))
        return bounds_of_area(raster::outermost_smooth(shape, image::inside_of(fill)), add);
    if constexpr (std::same_as<S, Polygon>)
        if (fill.extent == FillExtent::tiling) return raster::bounds_near(raster::outermost(shape), add);
    return shape.bounds();
}

template <AnyShape S>
Box bounds(const S& shape, const Stroke& stroke) {
    image::check_styled(shape, stroke);
    if (is_empty(shape)) return shape.bounds();
    const auto add = [&](raster::SpanSink& sink) { image::rasterise(shape, stroke, {}, sink); };
    const auto smooth_bounds = [&] {
        const raster::RealPen pen = image::real_pen_of(stroke);
        return bounds_of_area(raster::outermost_smooth(shape, pen, stroke.alignment, {}), add);
    };
    if constexpr (std::same_as<S, Path>) {
        return smooth_bounds();
    } else {
        if (stroke.edges == Edges::smooth) return smooth_bounds();
        const raster::Pen pen = outline_pen(stroke);
        // A part of an ellipse may have filled pixels beyond its own curve, which its wide strokes do not
        // have.
        constexpr bool is_slice = std::same_as<S, Sector> || std::same_as<S, Segment>;
        const bool is_outline = !is_slice || stroke.width == 1;
        if (!pen.dashed() && pen.width == 1 && is_outline) return shape.bounds();
        if constexpr (std::same_as<S, Box> || std::same_as<S, RoundedBox> || std::same_as<S, Circle>)
            if (!pen.dashed()) return shape.bounds().inset(-((pen.width - 1) / 2));
        return raster::bounds_near(outermost(shape, pen), add);
    }
}

#define COLDBRICK_INSTANTIATE(S) template COLDBRICK_EXPORTED Box bounds(const S&, const Fill&);
COLDBRICK_FOR_EACH_CLOSED_SHAPE(COLDBRICK_INSTANTIATE)
#undef COLDBRICK_INSTANTIATE
#define COLDBRICK_INSTANTIATE(S) template COLDBRICK_EXPORTED Box bounds(const S&, const Stroke&);
COLDBRICK_FOR_EACH_SHAPE(COLDBRICK_INSTANTIATE)
#undef COLDBRICK_INSTANTIATE

} // namespace coldbrick
