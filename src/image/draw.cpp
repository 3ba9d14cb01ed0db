#include <coldbrick/draw.hpp>

#include "image/painting.hpp"
#include "raster/box.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <algorithm>

namespace coldbrick {

namespace {

/// Paints a single checked shape; one that does not show costs no painter.
template <class S>
void checked_fill(const ImageView& view, const S& shape, const Fill& fill) {
    const raster::Clip clip = clip_of(view);
    if (view.clip().empty() || !may_show_filled(clip, shape)) return;
    paint::Painter painter = painter_of(view, fill.paint, fill.blending);
    paint_shape(clip, painter, shape, fill);
}

template <class S>
void checked_stroke(const ImageView& view, const S& shape, const Stroke& stroke, const Fill& filled) {
    const raster::Clip clip = clip_of(view);
    if (view.clip().empty() || !may_show_stroked(clip, shape, stroke)) return;
    paint::Painter painter = painter_of(view, stroke.paint, stroke.blending);
    paint_shape(clip, painter, shape, stroke, filled);
}

} // namespace

paint::Painter painter_of(const ImageView& view, const Paint& paint, const Blending& blending) {
    return {surface_of(view), paint, blending};
}

void check_bits(const ImageView& view) {
    if (layout(view.format()).kind == PixelLayout::Kind::floats)
        throw ArgumentError(
            fmt::format("a blend mode for bits cannot paint the floats of {}", layout(view.format()).name));
}

void clear(const ImageView& view, const Colour& colour) {
    if (view.clip().empty()) return;
    const Paint ground(colour);
    paint::Painter painter = painter_of(view, ground, {BlendMode::copy});
    paint_spans(clip_of(view), painter, [&](raster::SpanSink& sink) { raster::fill(view.clip(), sink); });
}

template <ClosedShape S>
void draw(const ImageView& view, const S& shape, const Fill& fill) {
    check(shape);
    check(fill);
    check_mode(view, fill.blending);
    checked_fill(view, shape, fill);
}

template <AnyShape S>
void draw(const ImageView& view, const S& shape, const Stroke& stroke) {
    check(shape);
    check_stroke(shape, stroke);
    check_mode(view, stroke.blending);
    checked_stroke(view, shape, stroke, {});
}

template <ClosedShape S>
void draw(const ImageView& view, const S& shape, const Fill& fill, const Stroke& stroke) {
    check(shape);
    check(fill);
    check_stroke(shape, stroke);
    check_mode(view, fill.blending);
    check_mode(view, stroke.blending);
    checked_fill(view, shape, fill);
    checked_stroke(view, shape, stroke, fill);
}

void draw(const ImageView& view, const Region& region, const Fill& fill) {
    check_mode(view, fill.blending);
    const raster::Clip clip = clip_of(view);
    if (view.clip().empty()) return;
    paint::Painter painter = painter_of(view, fill.paint, fill.blending);
    place_pattern(painter, fill.paint, region);
    paint_spans(clip, painter, [&](raster::SpanSink& sink) {
        auto span = std::ranges::lower_bound(region.spans(), clip.top, {}, &Span::y);
        for (; span != region.spans().end() && span->y < clip.bottom; ++span)
            sink.add(span->y, span->x_begin, span->x_end);
    });
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
