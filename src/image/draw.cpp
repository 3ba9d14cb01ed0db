#include <coldbrick/draw.hpp>

#include "geometry/checks.hpp"
#include "image/thin.hpp"
#include "paint/painter.hpp"
#include "raster/box.hpp"
#include "raster/circle.hpp"
#include "raster/ellipse.hpp"
#include "raster/path.hpp"
#include "raster/polygon.hpp"
#include "raster/span_sink.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <concepts>
#include <limits>

namespace coldbrick {

namespace {

/// The spans of one shape and style go from the raster layer to the paint layer, cut to the view's clip.
class Pass {
  public:
    Pass(const ImageView& view, const Colour& colour, paint::Painter::Mode mode = paint::Painter::Mode::blend)
        : painter_({view.bytes(), view.row_stride_bytes(), view.format()}, colour, mode),
          sink_({view.clip().x, view.clip().y, view.clip().end_x(), view.clip().end_y()}, &painter_, paint) {}

    template <class S>
    void fill(const S& shape, const Fill& style) {
        if constexpr (std::same_as<S, Polygon>)
            raster::fill(shape, style.rule, style.edge, sink_);
        else
            raster::fill(shape, sink_);
        sink_.flush();
    }

    template <class S>
    void stroke(const S& shape, const Stroke& style) {
        if (style.width == 1 && draw_thin(shape, sink_.clip(), painter_)) return;
        if constexpr (std::same_as<S, Box> || std::same_as<S, Circle> || std::same_as<S, Ellipse>)
            raster::stroke(shape, style.width, sink_);
        else
            raster::stroke(shape, {style.width, style.cap, style.join, style.mitre_limit}, sink_);
        sink_.flush();
    }

  private:
    static void paint(void* painter, std::span<const Span> spans) {
        static_cast<const paint::Painter*>(painter)->paint(spans);
    }

    paint::Painter painter_;
    raster::SpanSink sink_;
};

/// Lines have no ranges to check; the other shapes' checks are overloads of this name.
void check(const Line&) {}

void check(const Stroke& stroke) {
    check_range("stroke width", stroke.width, 1, std::numeric_limits<std::int32_t>::max());
    if (!(stroke.mitre_limit >= 1)) // which a NaN is not
        throw ArgumentError(fmt::format("mitre limit {} is below 1", stroke.mitre_limit));
}

template <class S>
void checked_fill(const ImageView& view, const S& shape, const Fill& fill) {
    if (!view.clip().empty()) Pass(view, fill.colour).fill(shape, fill);
}

template <class S>
void checked_stroke(const ImageView& view, const S& shape, const Stroke& stroke) {
    if (!view.clip().empty()) Pass(view, stroke.colour).stroke(shape, stroke);
}

} // namespace

void clear(const ImageView& view, const Colour& colour) {
    if (!view.clip().empty()) Pass(view, colour, paint::Painter::Mode::replace).fill(view.clip(), {});
}

template <ClosedShape S>
void draw(const ImageView& view, const S& shape, const Fill& fill) {
    check(shape);
    checked_fill(view, shape, fill);
}

template <AnyShape S>
void draw(const ImageView& view, const S& shape, const Stroke& stroke) {
    check(shape);
    check(stroke);
    checked_stroke(view, shape, stroke);
}

template <ClosedShape S>
void draw(const ImageView& view, const S& shape, const Fill& fill, const Stroke& stroke) {
    check(shape);
    check(stroke);
    checked_fill(view, shape, fill);
    checked_stroke(view, shape, stroke);
}

template void draw(const ImageView&, const Line&, const Stroke&);
template void draw(const ImageView&, const Polyline&, const Stroke&);
template void draw(const ImageView&, const Polygon&, const Fill&);
template void draw(const ImageView&, const Polygon&, const Stroke&);
template void draw(const ImageView&, const Polygon&, const Fill&, const Stroke&);
template void draw(const ImageView&, const Ellipse&, const Fill&);
template void draw(const ImageView&, const Ellipse&, const Stroke&);
template void draw(const ImageView&, const Ellipse&, const Fill&, const Stroke&);
template void draw(const ImageView&, const Box&, const Fill&);
template void draw(const ImageView&, const Box&, const Stroke&);
template void draw(const ImageView&, const Box&, const Fill&, const Stroke&);
template void draw(const ImageView&, const Circle&, const Fill&);
template void draw(const ImageView&, const Circle&, const Stroke&);
template void draw(const ImageView&, const Circle&, const Fill&, const Stroke&);

} // namespace coldbrick
