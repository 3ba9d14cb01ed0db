#include "image/drawing/rasterise.hpp"

#include "geometry/shape_instances.hpp"
#include "raster/shapes/arc.hpp"
#include "raster/shapes/box.hpp"
#include "raster/shapes/circle.hpp"
#include "raster/shapes/ellipse.hpp"
#include "raster/shapes/path.hpp"
#include "raster/shapes/polygon.hpp"
#include "raster/shapes/rounded_box.hpp"
#include "raster/shapes/smooth.hpp"
#include "raster/stroke/line_stroker.hpp"
#include "raster/stroke/stroke_alignment.hpp"

#include <algorithm>
#include <concepts>

namespace coldbrick::image {

namespace {

/// Crisp strokes of paths may have any width.
template <class S>
auto crisp_pen_of(const Stroke& stroke) {
    if constexpr (std::same_as<S, Path>)
        return real_pen_of(stroke);
    else
        return pen_of(stroke);
}

template <class S>
void rasterise_crisp(const S& shape, const InsideRule& inside, raster::SpanSink& sink) {
    if constexpr (std::same_as<S, Polygon>)
        raster::fill(shape, inside.rule, inside.extent, sink);
    else if constexpr (std::same_as<S, Path>)
        raster::fill(shape, inside, sink);
    else
        raster::fill(shape, sink);
}

} // namespace

template <ClosedShape S>
void rasterise(const S& shape, const Fill& fill, raster::SpanSink& sink) {
    if (fill.edges == Edges::smooth) return raster::fill_smooth(shape, inside_of(fill), sink);
    rasterise_crisp(shape, inside_of(fill), sink);
}

template <AnyShape S>
void rasterise(const S& shape, const Stroke& stroke, const InsideRule& filled, raster::SpanSink& sink) {
    if (stroke.edges == Edges::smooth)
        return raster::stroke_smooth(shape, real_pen_of(stroke), stroke.alignment, filled, sink);
    const auto pen = crisp_pen_of<S>(stroke);
    if (stroke.alignment == Alignment::centred) return raster::stroke(shape, pen, sink);
    if constexpr (ClosedShape<S>)
        raster::stroke_on_one_side(
            pen, stroke.alignment, sink,
            [&](raster::SpanSink& target) { rasterise_crisp(shape, filled, target); },
            [&](const auto& used, raster::SpanSink& target) { raster::stroke(shape, used, target); });
}

std::int64_t reach_of_wide(const Stroke& stroke) {
    // A tip goes as far as the mitre limit in half widths, and twice as far for a stroke outside.
    const double factor = stroke.join == Join::mitre ? std::max(stroke.mitre_limit, 2.0) : 2.0;
    constexpr auto beyond_all = static_cast<double>(base::beyond_all_pixels);
    return static_cast<std::int64_t>(std::min(1 + (1 + stroke.width) * factor, beyond_all));
}

#define COLDBRICK_INSTANTIATE(S) template void rasterise(const S&, const Fill&, raster::SpanSink&);
COLDBRICK_FOR_EACH_CLOSED_SHAPE(COLDBRICK_INSTANTIATE)
#undef COLDBRICK_INSTANTIATE
#define COLDBRICK_INSTANTIATE(S)                                                                             \
    template void rasterise(const S&, const Stroke&, const InsideRule&, raster::SpanSink&);
COLDBRICK_FOR_EACH_SHAPE(COLDBRICK_INSTANTIATE)
#undef COLDBRICK_INSTANTIATE

} // namespace coldbrick::image
