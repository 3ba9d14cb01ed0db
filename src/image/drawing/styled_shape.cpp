#include "image/drawing/styled_shape.hpp"

#include <variant>

namespace coldbrick::image {

void rasterise(const Shape& shape, const Fill& fill, const base::Clip& clip,
               const raster::SpanSink::Receiver& receiver) {
    const auto rasterise_one = [&]<class S>(const S& one) {
        if constexpr (ClosedShape<S>)
            if (may_show(clip, one, fill))
                raster::SpanSink::run(clip, receiver,
                                      [&](raster::SpanSink& sink) { rasterise(one, fill, sink); });
    };
    if (!clip.empty()) std::visit(rasterise_one, shape);
}

void rasterise(const Shape& shape, const Stroke& stroke, const InsideRule& filled, const base::Clip& clip,
               const raster::SpanSink::Receiver& receiver) {
    const auto rasterise_one = [&](const auto& one) {
        if (may_show(clip, one, stroke))
            raster::SpanSink::run(clip, receiver,
                                  [&](raster::SpanSink& sink) { rasterise(one, stroke, filled, sink); });
    };
    if (!clip.empty()) std::visit(rasterise_one, shape);
}

} // namespace coldbrick::image
