/// @file
/// The one way from a view, a shape and a style to pixels: check, cull, make a painter, rasterise.
///
/// All verbs that paint shapes come through here. docs/architecture.md follows some calls.
#pragma once

#include "image/drawing/plain_calls.hpp"
#include "image/drawing/rasterise.hpp"
#include "image/drawing/span_painter.hpp"
#include "image/drawing/style_checks.hpp"

#include <coldbrick/fill.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/shape.hpp>
#include <coldbrick/stroke.hpp>

#include <concepts>
#include <cstdint>
#include <optional>
#include <type_traits>

namespace coldbrick::image {

/// Paints shapes one after another with one style. The painter is made for the first one that shows.
/// @tparam Style Fill or Stroke
template <class Style>
class DrawCall {
  public:
    /// @param style outlives this
    /// @param filled how a stroke inside or outside sees the shapes filled
    /// @throws ArgumentError if a value of the style is outside its range or does not suit the view.
    DrawCall(const ImageView& view, const Style& style, const InsideRule& filled = {})
        : view_(view), style_(style), filled_(filled), clip_(clip_of(view)) {
        image::check(style);
        image::check(style.blending, view.format());
        if (!is_plain(style)) return;
        plain_ = plain_pixels(view, style.paint);
        if (plain_.bytes == 0) mixed_ = plain_mix(view, style.paint);
    }

    /// @throws ArgumentError if the style does not suit shapes of this type.
    template <class S>
    void check_type() const {
        check_suits<S>(style_);
    }

    /// @throws ArgumentError if a value of the shape is outside its range or the style does not suit it.
    template <class S>
    void check(const S& shape) const {
        geometry::check(shape);
        check_type<S>();
    }

    /// Paints what the view shows of a checked shape.
    template <class S>
    void paint(const S& shape) {
        if constexpr (PaintedWhole<S, Style>)
            if (plain_.bytes != 0 && paint_replacing(shape, style_, view_.clip(), plain_)) return;
        if (!paint_mixed(shape)) paint_spans(shape);
    }

    /// The same of all that next() points to until it returns null.
    template <class Next>
    void paint_all(Next next) {
        // Copies: stores of pixels may alias members, which would be read again for each shape.
        const paint::PlainPixels plain = plain_;
        const Box clip = view_.clip();
        while (const auto* shape = next()) {
            if constexpr (PaintedWhole<std::remove_cvref_t<decltype(*shape)>, Style>)
                if (plain.bytes != 0 && paint_whole(*shape, style_, clip, plain)) continue;
            paint_rest(*shape);
        }
    }

    /// The same of a shape that draw_plainly() has left: no short way of plain styles is tried again.
    template <class S>
    void paint_spans(const S& shape) {
        if (clip_.empty() || !may_show(clip_, shape, style_)) return;
        if (!spans_) make_painter();
        if constexpr (PaintedWhole<S, Style>)
            if (replacing_.bytes != 0 && has_plain_form(style_) && plain_.bytes == 0 &&
                paint_replacing(shape, style_, view_.clip(), replacing_))
                return;
        if constexpr (std::same_as<Style, Stroke> && StrokedThin<S>)
            if (replacing_.bytes != 0 && is_thin(style_) &&
                stroke_thin(shape, pen_of(style_), clip_, replacing_))
                return;
        spans_->place_pattern(shape);
        if constexpr (std::same_as<Style, Stroke>)
            spans_->paint_spans([&](raster::SpanSink& sink) { rasterise(shape, style_, filled_, sink); });
        else if constexpr (ClosedShape<S>)
            spans_->paint_spans([&](raster::SpanSink& sink) { rasterise(shape, style_, sink); });
    }

  private:
    /// What is not painted whole.
    template <class S>
    [[gnu::noinline]] void paint_rest(const S& shape) {
        if constexpr (PaintedWhole<S, Style>)
            if (plain_.bytes != 0 && paint_cut(shape, style_, view_.clip(), plain_)) return;
        if (!paint_mixed(shape)) paint_spans(shape);
    }

    template <class S>
    bool paint_mixed(const S& shape) const {
        if constexpr (PaintedWhole<S, Style, paint::PlainMix>)
            return mixed_.bytes != 0 && paint_mixing(shape, style_, view_.clip(), mixed_);
        return false;
    }

    void make_painter() {
        spans_.emplace(view_, style_.paint, style_.blending);
        replacing_ = spans_->painter().plain_pixels();
    }

    const ImageView& view_;
    const Style& style_;
    InsideRule filled_;
    base::Clip clip_;
    std::optional<SpanPainter> spans_;
    // Each of no bytes unless it is what the style does:
    paint::PlainPixels plain_{};     ///< a plain style replaces pixels
    paint::PlainMix mixed_;          ///< a plain style mixes a colour with them
    paint::PlainPixels replacing_{}; ///< any replaces them; known once there is a painter
};

/// The same with two styles, the stroke over the fill, which it sees.
class FillAndStrokeCall {
  public:
    FillAndStrokeCall(const ImageView& view, const Fill& fill, const Stroke& stroke)
        : fill_(view, fill), stroke_(view, stroke, inside_of(fill)) {}

    template <class S>
    void check(const S& shape) const {
        fill_.check(shape);
        stroke_.check(shape);
    }

    template <class S>
    void paint(const S& shape) {
        fill_.paint(shape);
        stroke_.paint(shape);
    }

    template <class Next>
    void paint_all(Next next) {
        while (const auto* shape = next()) paint(*shape);
    }

  private:
    DrawCall<Fill> fill_;
    DrawCall<Stroke> stroke_;
};

} // namespace coldbrick::image
