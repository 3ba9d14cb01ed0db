#include "files/codecs/canvas.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/fill.hpp>
#include <coldbrick/overlay.hpp>

namespace coldbrick::files {

namespace {

Image see_through(Size size, PixelFormat format, const DecodeLimits& limits) {
    check_limits(size, format, limits);
    return Image(size, format, Colour(0, 0, 0, 0), limits.bytes);
}

} // namespace

Canvas::Canvas(Size size, PixelFormat format, const DecodeLimits& limits)
    : image_(see_through(size, format, limits)) {}

void Canvas::dispose() {
    if (disposal_ == Disposal::see_through)
        clear(image_.view().clipped(box_), Colour(0, 0, 0, 0));
    else if (disposal_ == Disposal::previous && before_)
        image_ = std::move(*before_);
    before_.reset();
}

void Canvas::show(const ConstImageView& frame, Point at, bool over, Disposal disposal) {
    dispose();
    if (disposal == Disposal::previous) before_ = image_;
    overlay(image_, frame, at, {.blending = {over ? BlendMode::source_over : BlendMode::copy}});
    box_ = {at.x, at.y, frame.width(), frame.height()};
    disposal_ = disposal;
}

} // namespace coldbrick::files
