// The tight boxes of shapes with their styles.

#include <coldbrick/region.hpp>

#include "geometry/checks.hpp"
#include "image/rasterise.hpp"
#include "raster/outermost.hpp"

#include <concepts>

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
    else if constexpr (std::same_as<S, Box>)
        return shape.empty();
    else
        return false;
}

/// The pen whose centred stroke reaches as far out as the stroke on its side of the edge.
raster::Pen outline_pen(const Stroke& stroke) {
    raster::Pen pen = pen_of(stroke);
    if (stroke.alignment == Alignment::inside) pen.width = 1;
    if (stroke.alignment == Alignment::outside) pen.width = 2 * pen.width + 1;
    return pen;
}

} // namespace

template <ClosedShape S>
Box bounds(const S& shape, const Fill& fill) {
    check(fill);
    if constexpr (std::same_as<S, Polygon>)
        if (fill.edge == FillEdge::tiling) {
            check(shape);
            return raster::bounds_near(raster::outermost(shape),
                                       [&](raster::SpanSink& sink) { rasterise(shape, fill, sink); });
        }
    return shape.bounds();
}

template <AnyShape S>
Box bounds(const S& shape, const Stroke& stroke) {
    check(shape);
    check_stroke(shape, stroke);
    const raster::Pen pen = outline_pen(stroke);
    if (is_empty(shape) || (!pen.dashed() && pen.width == 1)) return shape.bounds();
    if constexpr (std::same_as<S, Box> || std::same_as<S, RoundedBox> || std::same_as<S, Circle>)
        if (!pen.dashed()) return shape.bounds().inset(-((pen.width - 1) / 2));
    return raster::bounds_near(outermost(shape, pen),
                               [&](raster::SpanSink& sink) { rasterise(shape, stroke, {}, sink); });
}

template Box bounds(const Box&, const Fill&);
template Box bounds(const RoundedBox&, const Fill&);
template Box bounds(const Circle&, const Fill&);
template Box bounds(const Ellipse&, const Fill&);
template Box bounds(const Sector&, const Fill&);
template Box bounds(const Segment&, const Fill&);
template Box bounds(const Polygon&, const Fill&);
template Box bounds(const Dots&, const Stroke&);
template Box bounds(const Line&, const Stroke&);
template Box bounds(const Polyline&, const Stroke&);
template Box bounds(const Arc&, const Stroke&);
template Box bounds(const Box&, const Stroke&);
template Box bounds(const RoundedBox&, const Stroke&);
template Box bounds(const Circle&, const Stroke&);
template Box bounds(const Ellipse&, const Stroke&);
template Box bounds(const Sector&, const Stroke&);
template Box bounds(const Segment&, const Stroke&);
template Box bounds(const Polygon&, const Stroke&);

} // namespace coldbrick
