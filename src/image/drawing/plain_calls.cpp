#include "image/drawing/plain_calls.hpp"

#include "raster/thin/thin_paths.hpp"

namespace coldbrick::image {

bool stroke_thin(std::span<const Point> points, bool closed, const raster::Pen& pen, const base::Clip& clip,
                 const paint::PlainPixels& pixels) {
    return raster::visit_thin_path(points, closed, pen, clip,
                                   [&](const raster::ThinLineSteps& steps, const auto&... parts) {
                                       write_steps(steps, parts..., pixels);
                                   });
}

template <class S, class Style>
bool paint_cut(const S& shape, const Style& style, const Box& clip, const paint::PlainPixels& pixels) {
    return paint_cut_inline(shape, style, clip, pixels);
}

template <class S, class Style>
bool paint_replacing(const S& shape, const Style& style, const Box& clip, const paint::PlainPixels& pixels) {
    return paint_whole(shape, style, clip, pixels) || paint_cut_inline(shape, style, clip, pixels);
}

template <class S, class Style>
bool paint_mixing(const S& shape, const Style& style, const Box& clip, const paint::PlainMix& pixels) {
    return paint_whole(shape, style, clip, pixels);
}

#define COLDBRICK_INSTANTIATE(S, Style)                                                                      \
    template bool paint_cut(const S&, const Style&, const Box&, const paint::PlainPixels&);                  \
    template bool paint_replacing(const S&, const Style&, const Box&, const paint::PlainPixels&);
COLDBRICK_INSTANTIATE(Box, Fill)
COLDBRICK_INSTANTIATE(Circle, Fill)
COLDBRICK_INSTANTIATE(Line, Stroke)
COLDBRICK_INSTANTIATE(Circle, Stroke)
COLDBRICK_INSTANTIATE(Ellipse, Stroke)
#undef COLDBRICK_INSTANTIATE
#define COLDBRICK_INSTANTIATE(S, Style)                                                                      \
    template bool paint_mixing(const S&, const Style&, const Box&, const paint::PlainMix&);
COLDBRICK_INSTANTIATE(Box, Fill)
COLDBRICK_INSTANTIATE(Circle, Fill)
COLDBRICK_INSTANTIATE(Line, Stroke)
COLDBRICK_INSTANTIATE(Circle, Stroke)
#undef COLDBRICK_INSTANTIATE

} // namespace coldbrick::image
