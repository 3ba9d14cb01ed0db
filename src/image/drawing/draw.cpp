#include <coldbrick/draw.hpp>

#include "geometry/point_transforms.hpp"
#include "geometry/shape_instances.hpp"
#include "image/drawing/draw_pipeline.hpp"
#include "raster/shapes/box.hpp"
#include "raster/shapes/polygon.hpp"

#include <algorithm>
#include <cstdint>
#include <vector>

namespace coldbrick {

namespace {

/// A function of its own, so that the short way passes by what this one needs.
template <class Call, class S, class... Styles>
[[gnu::noinline]] void draw_one(const ImageView& view, const S& shape, const Styles&... styles) {
    Call call(view, styles...);
    call.check(shape);
    if constexpr (sizeof...(styles) == 1)
        call.paint_spans(shape);
    else
        call.paint(shape);
}

} // namespace

template <ClosedShape S>
void draw(const ImageView& view, const S& shape, const Fill& fill) {
    if constexpr (image::PaintedWhole<S, Fill>)
        if (image::draw_plainly(view, shape, fill)) return;
    draw_one<image::DrawCall<Fill>>(view, shape, fill);
}

template <AnyShape S>
void draw(const ImageView& view, const S& shape, const Stroke& stroke) {
    if constexpr (image::PaintedWhole<S, Stroke>)
        if (image::draw_plainly(view, shape, stroke)) return;
    if constexpr (image::StrokedThin<S>)
        if (image::draw_thin_plainly(view, shape, stroke)) return;
    draw_one<image::DrawCall<Stroke>>(view, shape, stroke);
}

template <ClosedShape S>
void draw(const ImageView& view, const S& shape, const Fill& fill, const Stroke& stroke) {
    draw_one<image::FillAndStrokeCall>(view, shape, fill, stroke);
}

void draw(const ImageView& view, std::span<const Point> ring, const Fill& fill) {
    if (fill.edges != Edges::crisp || ring.empty())
        return draw(view, Polygon(std::vector<Point>(ring.begin(), ring.end())), fill);
    image::check(fill);
    image::check(fill.blending, view.format());
    const Box bounds = geometry::bounds_of_points(ring);
    const base::Clip clip = image::clip_of(view);
    if (clip.empty() || view.clip().intersection(bounds).empty()) return;
    image::SpanPainter painter(view, fill.paint, fill.blending);
    painter.place_pattern(Point{static_cast<std::int32_t>(bounds.x), static_cast<std::int32_t>(bounds.y)});
    painter.paint_spans([&](raster::SpanSink& sink) { raster::fill(ring, fill.rule, fill.extent, sink); });
}

void draw(const ImageView& view, std::span<const Point> points, const Stroke& stroke, bool closed) {
    if (image::is_plain(stroke) && !points.empty()) {
        if (view.clip().empty()) return;
        const paint::PlainPixels pixels = image::plain_pixels(view, stroke.paint);
        if (pixels.bytes != 0 &&
            image::stroke_thin(points, closed, image::pen_of(stroke), image::clip_of(view), pixels))
            return;
    }
    draw(view, Polyline{{points.begin(), points.end()}, closed}, stroke);
}

void draw(const ImageView& view, const Region& region, const Paint& paint, const Blending& blending) {
    image::check(blending, view.format());
    if (view.clip().empty()) return;
    image::SpanPainter painter(view, paint, blending);
    painter.place_pattern(region);
    painter.paint_spans([&](raster::SpanSink& sink) {
        auto span = std::ranges::lower_bound(region.spans(), sink.clip().top, {}, &Span::y);
        for (; span != region.spans().end() && span->y < sink.clip().bottom; ++span)
            sink.add(span->y, span->x_begin, span->x_end);
    });
}

void clear(const ImageView& view, const Colour& colour) {
    if (view.clip().empty()) return;
    const Paint ground(colour);
    image::SpanPainter(view, ground, {BlendMode::copy}).paint_spans([&](raster::SpanSink& sink) {
        raster::fill(view.clip(), sink);
    });
}

#define COLDBRICK_INSTANTIATE(S)                                                                             \
    template COLDBRICK_EXPORTED void draw(const ImageView&, const S&, const Fill&);                          \
    template COLDBRICK_EXPORTED void draw(const ImageView&, const S&, const Fill&, const Stroke&);
COLDBRICK_FOR_EACH_CLOSED_SHAPE(COLDBRICK_INSTANTIATE)
#undef COLDBRICK_INSTANTIATE
#define COLDBRICK_INSTANTIATE(S)                                                                             \
    template COLDBRICK_EXPORTED void draw(const ImageView&, const S&, const Stroke&);
COLDBRICK_FOR_EACH_SHAPE(COLDBRICK_INSTANTIATE)
#undef COLDBRICK_INSTANTIATE

} // namespace coldbrick
