#include <coldbrick/draw.hpp>

#include "geometry/checks.hpp"
#include "image/thin.hpp"
#include "paint/painter.hpp"
#include "raster/box.hpp"
#include "raster/circle.hpp"
#include "raster/ellipse.hpp"
#include "raster/path.hpp"
#include "raster/polygon.hpp"
#include "raster/span_sink.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <concepts>
#include <limits>

namespace coldbrick {

namespace {

using Mode = paint::Painter::Mode;

paint::Painter painter_of(const ImageView& view, const Colour& colour, Mode mode = Mode::blend) {
    return {{view.bytes(), view.row_stride_bytes(), view.format()}, colour, mode};
}

raster::Clip clip_of(const ImageView& view) {
    return {view.clip().x, view.clip().y, view.clip().end_x(), view.clip().end_y()};
}

/// The spans of one shape and style go from the raster layer to the paint layer, cut to the view's clip.
template <class Rasterise>
void paint_spans(const raster::Clip& clip, paint::Painter& painter, Rasterise rasterise) {
    const auto paint = [](void* receiver, std::span<const Span> spans) {
        static_cast<const paint::Painter*>(receiver)->paint(spans);
    };
    raster::SpanSink sink(clip, &painter, paint);
    rasterise(sink);
    sink.flush();
}

template <class S>
void rasterise_fill(const S& shape, const Fill& fill, raster::SpanSink& sink) {
    if constexpr (std::same_as<S, Polygon>)
        raster::fill(shape, fill.rule, fill.edge, sink);
    else
        raster::fill(shape, sink);
}

template <class S>
void rasterise_stroke(const S& shape, const Stroke& stroke, raster::SpanSink& sink) {
    if constexpr (std::same_as<S, Box> || std::same_as<S, Circle> || std::same_as<S, Ellipse>)
        raster::stroke(shape, stroke.width, sink);
    else
        raster::stroke(shape, {stroke.width, stroke.cap, stroke.join, stroke.mitre_limit}, sink);
}

/// Lines have no ranges to check; the other shapes' checks are overloads of this name.
void check(const Line&) {}

void check(const Stroke& stroke) {
    check_range("stroke width", stroke.width, 1, std::numeric_limits<std::int32_t>::max());
    if (!(stroke.mitre_limit >= 1)) // which a NaN is not
        throw ArgumentError(fmt::format("mitre limit {} is below 1", stroke.mitre_limit));
}

template <class S>
void checked_fill(const ImageView& view, const S& shape, const Fill& fill) {
    if (view.clip().empty()) return;
    paint::Painter painter = painter_of(view, fill.colour);
    paint_spans(clip_of(view), painter, [&](raster::SpanSink& sink) { rasterise_fill(shape, fill, sink); });
}

template <class S>
void checked_stroke(const ImageView& view, const S& shape, const Stroke& stroke) {
    if (view.clip().empty()) return;
    paint::Painter painter = painter_of(view, stroke.colour);
    const raster::Clip clip = clip_of(view);
    if (stroke.width == 1 && draw_thin(shape, clip, painter)) return;
    paint_spans(clip, painter, [&](raster::SpanSink& sink) { rasterise_stroke(shape, stroke, sink); });
}

} // namespace

void clear(const ImageView& view, const Colour& colour) {
    if (view.clip().empty()) return;
    paint::Painter painter = painter_of(view, colour, Mode::replace);
    paint_spans(clip_of(view), painter, [&](raster::SpanSink& sink) { raster::fill(view.clip(), sink); });
}

template <ClosedShape S>
void draw(const ImageView& view, const S& shape, const Fill& fill) {
    check(shape);
    checked_fill(view, shape, fill);
}

template <AnyShape S>
void draw(const ImageView& view, const S& shape, const Stroke& stroke) {
    check(shape);
    check(stroke);
    checked_stroke(view, shape, stroke);
}

template <ClosedShape S>
void draw(const ImageView& view, const S& shape, const Fill& fill, const Stroke& stroke) {
    check(shape);
    check(stroke);
    checked_fill(view, shape, fill);
    checked_stroke(view, shape, stroke);
}

template void draw(const ImageView&, const Line&, const Stroke&);
template void draw(const ImageView&, const Polyline&, const Stroke&);
template void draw(const ImageView&, const Polygon&, const Fill&);
template void draw(const ImageView&, const Polygon&, const Stroke&);
template void draw(const ImageView&, const Polygon&, const Fill&, const Stroke&);
template void draw(const ImageView&, const Ellipse&, const Fill&);
template void draw(const ImageView&, const Ellipse&, const Stroke&);
template void draw(const ImageView&, const Ellipse&, const Fill&, const Stroke&);
template void draw(const ImageView&, const Box&, const Fill&);
template void draw(const ImageView&, const Box&, const Stroke&);
template void draw(const ImageView&, const Box&, const Fill&, const Stroke&);
template void draw(const ImageView&, const Circle&, const Fill&);
template void draw(const ImageView&, const Circle&, const Stroke&);
template void draw(const ImageView&, const Circle&, const Fill&, const Stroke&);

} // namespace coldbrick
