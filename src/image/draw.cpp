#include <coldbrick/draw.hpp>

#include "geometry/checks.hpp"
#include "image/thin.hpp"
#include "paint/painter.hpp"
#include "raster/box.hpp"
#include "raster/circle.hpp"
#include "raster/line.hpp"
#include "raster/span_sink.hpp"

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
    void fill(const S& shape) {
        raster::fill(shape, sink_);
        sink_.flush();
    }

    template <class S>
    void stroke(const S& shape, std::int32_t width) {
        if (width == 1 && draw_thin(shape, sink_.clip(), painter_)) return;
        raster::stroke(shape, width, sink_);
        sink_.flush();
    }

  private:
    static void paint(const void* painter, std::span<const Span> spans) {
        static_cast<const paint::Painter*>(painter)->paint(spans);
    }

    paint::Painter painter_;
    raster::SpanSink sink_;
};

/// Lines have no ranges to check; the other shapes' checks are overloads of this name.
void check(const Line&) {}

void check(const Stroke& stroke) {
    check_range("stroke width", stroke.width, 1, std::numeric_limits<std::int32_t>::max());
}

template <class S>
void checked_fill(const ImageView& view, const S& shape, const Fill& fill) {
    if (!view.clip().empty()) Pass(view, fill.colour).fill(shape);
}

template <class S>
void checked_stroke(const ImageView& view, const S& shape, const Stroke& stroke) {
    if (!view.clip().empty()) Pass(view, stroke.colour).stroke(shape, stroke.width);
}

} // namespace

void clear(const ImageView& view, const Colour& colour) {
    if (!view.clip().empty()) Pass(view, colour, paint::Painter::Mode::replace).fill(view.clip());
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
template void draw(const ImageView&, const Box&, const Fill&);
template void draw(const ImageView&, const Box&, const Stroke&);
template void draw(const ImageView&, const Box&, const Fill&, const Stroke&);
template void draw(const ImageView&, const Circle&, const Fill&);
template void draw(const ImageView&, const Circle&, const Stroke&);
template void draw(const ImageView&, const Circle&, const Fill&, const Stroke&);

} // namespace coldbrick
