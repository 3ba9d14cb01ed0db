/// @file
/// From spans to a view's bytes.
#pragma once

#include "paint/patterns/pattern_sampler.hpp"
#include "paint/writers/painter.hpp"
#include "raster/spans/span_sink.hpp"

#include <coldbrick/image_view.hpp>

#include <cstdint>
#include <span>

namespace coldbrick::image {

inline base::Clip clip_of(const ImageView& view) {
    return {view.clip().x, view.clip().y, view.clip().end_x(), view.clip().end_y()};
}

inline paint::Surface surface_of(const ImageView& view) {
    return {view.bytes(), view.row_stride_bytes(), view.pixel_stride_bytes(),
            paint::Codec{&layout(view.format()), view.palette()}, view.mask()};
}

/// A painter and the clip that the spans it is given are cut to.
class SpanPainter {
  public:
    /// @param paint outlives this; blending suits the view
    SpanPainter(const ImageView& view, const Paint& paint, const Blending& blending)
        : clip_(clip_of(view)), paint_(paint), painter_(surface_of(view), paint, blending) {}

    [[nodiscard]] const paint::Painter& painter() const { return painter_; }

    /// Counts a pattern's coordinates from what has bounds(), if it wants that.
    template <class S>
    void place_pattern(const S& shape) {
        if (!belongs_to_shape()) return;
        const Box bounds = shape.bounds();
        painter_.set_pattern_origin(bounds.x, bounds.y);
    }
    void place_pattern(const Point& origin) {
        if (belongs_to_shape()) painter_.set_pattern_origin(origin.x, origin.y);
    }

    /// Paints the spans that add(sink) adds.
    template <class Add>
    void paint_spans(Add add) {
        // While the processor writes a long run to memory, the next one is worked out.
        const std::int64_t long_run = painter_.replaces() ? 512 : raster::SpanSink::no_run;
        raster::SpanSink::run(clip_, {&painter_, take_spans, take_mirrored, long_run, take_coverage}, add);
    }

  private:
    static void take_spans(void* painter, std::span<const Span> spans) {
        static_cast<const paint::Painter*>(painter)->paint(spans);
    }
    static void take_mirrored(void* painter, std::span<const base::MirroredSpan> spans) {
        static_cast<const paint::Painter*>(painter)->paint(spans);
    }
    static void take_coverage(void* painter, std::span<const base::CoverageSpan> spans) {
        static_cast<const paint::Painter*>(painter)->paint(spans);
    }

    [[nodiscard]] bool belongs_to_shape() const {
        return paint_.pattern() != nullptr && paint::origin_of(*paint_.pattern()) == PatternOrigin::shape;
    }

    base::Clip clip_;
    const Paint& paint_;
    paint::Painter painter_;
};

} // namespace coldbrick::image
