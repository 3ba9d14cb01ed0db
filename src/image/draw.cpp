#include <coldbrick/draw.hpp>

#include "image/rasterise.hpp"
#include "image/thin.hpp"
#include "paint/painter.hpp"
#include "raster/box.hpp"
#include "raster/span_sink.hpp"

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
void checked_fill(const ImageView& view, const S& shape, const Fill& fill) {
    if (view.clip().empty()) return;
    const raster::Clip clip = clip_of(view);
    if (!may_show(clip, loose_bounds(shape), nullptr)) return;
    paint::Painter painter = painter_of(view, fill.colour);
    paint_spans(clip, painter, [&](raster::SpanSink& sink) { rasterise(shape, fill, sink); });
}

template <class S>
void checked_stroke(const ImageView& view, const S& shape, const Stroke& stroke, const Fill& filled) {
    if (view.clip().empty()) return;
    const raster::Clip clip = clip_of(view);
    if (!may_show(clip, loose_bounds(shape), &stroke)) return;
    paint::Painter painter = painter_of(view, stroke.colour);
    const bool plain =
        stroke.width == 1 && stroke.dashes.lengths.empty() && stroke.alignment == Alignment::centred;
    if (plain && draw_thin(shape, clip, painter)) return;
    paint_spans(clip, painter, [&](raster::SpanSink& sink) { rasterise(shape, stroke, filled, sink); });
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
    check_stroke(shape, stroke);
    checked_stroke(view, shape, stroke, {});
}

template <ClosedShape S>
void draw(const ImageView& view, const S& shape, const Fill& fill, const Stroke& stroke) {
    check(shape);
    check_stroke(shape, stroke);
    checked_fill(view, shape, fill);
    checked_stroke(view, shape, stroke, fill);
}

template void draw(const ImageView&, const Dots&, const Stroke&);
template void draw(const ImageView&, const Line&, const Stroke&);
template void draw(const ImageView&, const Polyline&, const Stroke&);
template void draw(const ImageView&, const Arc&, const Stroke&);
template void draw(const ImageView&, const Box&, const Fill&);
template void draw(const ImageView&, const Box&, const Stroke&);
template void draw(const ImageView&, const Box&, const Fill&, const Stroke&);
template void draw(const ImageView&, const RoundedBox&, const Fill&);
template void draw(const ImageView&, const RoundedBox&, const Stroke&);
template void draw(const ImageView&, const RoundedBox&, const Fill&, const Stroke&);
template void draw(const ImageView&, const Circle&, const Fill&);
template void draw(const ImageView&, const Circle&, const Stroke&);
template void draw(const ImageView&, const Circle&, const Fill&, const Stroke&);
template void draw(const ImageView&, const Ellipse&, const Fill&);
template void draw(const ImageView&, const Ellipse&, const Stroke&);
template void draw(const ImageView&, const Ellipse&, const Fill&, const Stroke&);
template void draw(const ImageView&, const Sector&, const Fill&);
template void draw(const ImageView&, const Sector&, const Stroke&);
template void draw(const ImageView&, const Sector&, const Fill&, const Stroke&);
template void draw(const ImageView&, const Segment&, const Fill&);
template void draw(const ImageView&, const Segment&, const Stroke&);
template void draw(const ImageView&, const Segment&, const Fill&, const Stroke&);
template void draw(const ImageView&, const Polygon&, const Fill&);
template void draw(const ImageView&, const Polygon&, const Stroke&);
template void draw(const ImageView&, const Polygon&, const Fill&, const Stroke&);

} // namespace coldbrick
