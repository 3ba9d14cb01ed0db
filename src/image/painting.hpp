/// @file
/// From a shape's spans to a view's bytes.
#pragma once

#include "image/rasterise.hpp"
#include "image/thin.hpp"
#include "paint/painter.hpp"
#include "paint/pattern.hpp"
#include "raster/span_sink.hpp"

#include <coldbrick/image_view.hpp>

namespace coldbrick {

inline paint::Surface surface_of(const ImageView& view) {
    return {view.bytes(), view.row_stride_bytes(), view.pixel_stride_bytes(),
            paint::Codec{&layout(view.format()), view.palette()}, view.mask()};
}

/// Throws ArgumentError if the view's format is one whose bits no mode may change.
void check_bits(const ImageView& view);
inline void check_mode(const ImageView& view, const Blending& blending) {
    check_choice("blend mode", blending.mode, BlendMode::bits_xor);
    if (paint::is_for_bits(blending.mode)) check_bits(view);
}

/// @param paint outlives the painter
paint::Painter painter_of(const ImageView& view, const Paint& paint, const Blending& blending);

inline raster::Clip clip_of(const ImageView& view) {
    return {view.clip().x, view.clip().y, view.clip().end_x(), view.clip().end_y()};
}

/// Counts a pattern's coordinates from the shape if it wants that.
template <class S>
void place_pattern(paint::Painter& painter, const Paint& paint, const S& shape) {
    if (paint.pattern() == nullptr || paint::origin_of(*paint.pattern()) == PatternOrigin::image) return;
    const Box bounds = shape.bounds();
    painter.set_pattern_origin(bounds.x, bounds.y);
}

/// The spans of one shape and style go from the raster layer to the paint layer, cut to the view's clip.
template <class Rasterise>
void paint_spans(const raster::Clip& clip, paint::Painter& painter, Rasterise rasterise) {
    const auto paint = [](void* receiver, auto spans) {
        static_cast<const paint::Painter*>(receiver)->paint(spans);
    };
    // While the processor writes a long run to memory, the next one is worked out.
    const std::int64_t long_run = painter.replaces() ? 512 : raster::SpanSink::no_run;
    raster::SpanSink sink(clip, &painter, paint, paint, long_run);
    rasterise(sink);
    sink.flush();
}

/// Paints a shape, which is cut to the clip; whether the clip shows it at all is better asked before.
template <class S>
void paint_shape(const raster::Clip& clip, paint::Painter& painter, const S& shape, const Fill& fill) {
    place_pattern(painter, fill.paint, shape);
    paint_spans(clip, painter, [&](raster::SpanSink& sink) { rasterise(shape, fill, sink); });
}

/// The same of its stroke.
/// @param filled how a stroke inside or outside sees the shape filled
template <class S>
void paint_shape(const raster::Clip& clip, paint::Painter& painter, const S& shape, const Stroke& stroke,
                 const Fill& filled) {
    place_pattern(painter, stroke.paint, shape);
    const bool plain =
        stroke.width == 1 && stroke.dashes.lengths.empty() && stroke.alignment == Alignment::centred;
    if (plain && draw_thin(shape, clip, painter)) return;
    paint_spans(clip, painter, [&](raster::SpanSink& sink) { rasterise(shape, stroke, filled, sink); });
}

} // namespace coldbrick
