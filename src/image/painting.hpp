/// @file
/// From a shape's spans to a view's bytes.
#pragma once

#include "image/rasterise.hpp"
#include "image/thin.hpp"
#include "paint/painter.hpp"
#include "raster/span_sink.hpp"

#include <coldbrick/image_view.hpp>

namespace coldbrick {

inline paint::Painter painter_of(const ImageView& view, const Colour& colour,
                                 paint::Painter::Mode mode = paint::Painter::Mode::blend) {
    return {{view.bytes(), view.row_stride_bytes(), view.format()}, colour, mode};
}

inline raster::Clip clip_of(const ImageView& view) {
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
void paint_shape(const raster::Clip& clip, paint::Painter& painter, const S& shape, const Fill& fill) {
    if (!may_show_filled(clip, shape)) return;
    paint_spans(clip, painter, [&](raster::SpanSink& sink) { rasterise(shape, fill, sink); });
}

/// @param filled how a stroke inside or outside sees the shape filled
template <class S>
void paint_shape(const raster::Clip& clip, paint::Painter& painter, const S& shape, const Stroke& stroke,
                 const Fill& filled) {
    if (!may_show_stroked(clip, shape, stroke)) return;
    const bool plain =
        stroke.width == 1 && stroke.dashes.lengths.empty() && stroke.alignment == Alignment::centred;
    if (plain && draw_thin(shape, clip, painter)) return;
    paint_spans(clip, painter, [&](raster::SpanSink& sink) { rasterise(shape, stroke, filled, sink); });
}

} // namespace coldbrick
