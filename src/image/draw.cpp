#include <coldbrick/draw.hpp>

#include "geometry/shape_instances.hpp"
#include "image/draw_pipeline.hpp"

#include <algorithm>

namespace coldbrick {

namespace {

/// A function of its own, so that the short way passes by what this one needs.
template <class Call, class S, class... Styles>
[[gnu::noinline]] void draw_one(const ImageView& view, const S& shape, const Styles&... styles) {
    Call call(view, styles...);
    call.check(shape);
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
    draw_one<image::DrawCall<Stroke>>(view, shape, stroke);
}

template <ClosedShape S>
void draw(const ImageView& view, const S& shape, const Fill& fill, const Stroke& stroke) {
    draw_one<image::FillAndStrokeCall>(view, shape, fill, stroke);
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
