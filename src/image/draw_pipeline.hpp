/// @file
/// The one way from a view, a shape and a style to pixels: check, cull, make a painter, rasterise.
///
/// All verbs that paint shapes come through here. docs/architecture.md follows some calls.
#pragma once

#include "image/plain_shapes.hpp"
#include "image/rasterise.hpp"
#include "image/span_painter.hpp"
#include "image/style_checks.hpp"

#include <coldbrick/fill.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/shape.hpp>
#include <coldbrick/stroke.hpp>

#include <concepts>
#include <cstdint>
#include <optional>

namespace coldbrick::image {

// Plain: what most calls are, a colour of 8 bits on a format of bytes.

/// True if all of these choices are the first ones of their enumerations.
template <class... Enumerations>
[[gnu::always_inline]] inline bool all_first(Enumerations... choices) {
    return (static_cast<unsigned>(choices) | ...) == 0;
}

/// True of styles in whose form and blending nothing is special and nothing to refuse. Their paint is another
/// question.
[[gnu::always_inline]] inline bool is_plain(const Fill& fill) {
    return all_first(fill.edges, fill.blending.mode, fill.blending.space) && fill.blending.opacity == 255 &&
           fill.rule <= FillRule::non_zero && fill.extent <= FillExtent::tiling;
}
[[gnu::always_inline]] inline bool is_plain_but_for_dashes(const Stroke& stroke) {
    return all_first(stroke.edges, stroke.alignment, stroke.blending.mode, stroke.blending.space) &&
           stroke.blending.opacity == 255 && stroke.width == 1 && stroke.cap <= Cap::round &&
           stroke.join <= Join::round && stroke.mitre_limit >= 1;
}
[[gnu::always_inline]] inline bool is_plain(const Stroke& stroke) {
    return is_plain_but_for_dashes(stroke) && stroke.dashes.lengths.empty();
}
static_assert(Edges::crisp == Edges{} && Alignment::centred == Alignment{} &&
              BlendMode::source_over == BlendMode{} && BlendSpace::encoded == BlendSpace{});

/// True of the form of plain styles, whatever they paint with.
inline bool has_plain_form(const Fill& fill) {
    return fill.edges == Edges::crisp;
}
inline bool has_plain_form(const Stroke& stroke) {
    return is_thin(stroke) && stroke.dashes.lengths.empty();
}

inline const paint::PlainLayout& plain_layout(const ImageView& view) {
    return paint::plain_layouts[static_cast<std::size_t>(view.format())];
}

/// What an opaque colour makes of the view's pixels; of no bytes where more must be known.
[[gnu::always_inline]] inline paint::PlainPixels plain_pixels(const ImageView& view, const Colour& colour) {
    const paint::PlainLayout& layout = plain_layout(view);
    if (view.pixel_stride_bytes() != layout.bytes || !view.mask().all()) return {};
    return {view.bytes(), view.row_stride_bytes(), layout.bytes, layout.bytes, layout.word(colour)};
}

/// The same of a paint, if it is an opaque colour of 8 bits.
[[gnu::always_inline]] inline paint::PlainPixels plain_pixels(const ImageView& view, const Paint& paint) {
    const auto* const colour = paint.colour<Colour>();
    if (colour == nullptr || colour->alpha != 255) return {};
    return plain_pixels(view, *colour);
}

/// The same of a see-through colour of 8 bits.
[[gnu::always_inline]] inline paint::PlainMix plain_mix(const ImageView& view, const Paint& paint) {
    const auto* const colour = paint.colour<Colour>();
    if (colour == nullptr || colour->alpha == 0 || colour->alpha == 255) return {};
    const paint::PlainPixels pixels = plain_pixels(view, Colour(colour->red, colour->green, colour->blue));
    if (pixels.bytes == 0) return {};
    return {pixels, plain_layout(view), *colour, view.format()};
}

template <class S, class Style, class Pixels = paint::PlainPixels>
concept PaintedWhole = (std::same_as<Style, Fill> && FilledWhole<S, Pixels>) ||
                       (std::same_as<Style, Stroke> && StrokedWhole<S, Pixels>);

template <class S, class Pixels>
[[gnu::always_inline]] inline bool paint_whole(const S& shape, const Fill&, const Box& clip,
                                               const Pixels& pixels) {
    return fill_whole(shape, clip, pixels);
}
template <class S, class Pixels>
[[gnu::always_inline]] inline bool paint_whole(const S& shape, const Stroke&, const Box& clip,
                                               const Pixels& pixels) {
    return stroke_whole(shape, clip, pixels);
}

/// What a plain style makes of a shape that a clip may cut. False, having painted nothing, where spans must
/// do.
template <class S, class Style>
bool paint_cut(const S& shape, const Style& style, const Box& clip, const paint::PlainPixels& pixels) {
    if (!geometry::is_in_range(shape)) return false;
    if (clip.empty()) return true;
    const base::Clip shown{clip.x, clip.y, clip.end_x(), clip.end_y()};
    if (!may_show(shown, shape, style)) return true;
    if constexpr (std::same_as<S, Line>) {
        const raster::ThinLineSteps steps(shape, shown);
        if (steps.count > 0) write_steps(steps, pixels);
        return true;
    }
    return false;
}

/// The same of a call. It finds the pixels again, which a call that shows the whole shape need not keep.
template <class S, class Style>
[[gnu::noinline]] bool draw_cut(const ImageView& view, const S& shape, const Style& style) {
    return paint_cut(shape, style, view.clip(), plain_pixels(view, style.paint));
}

/// The way of see-through colours: only shapes that the view shows whole.
template <class S, class Style>
[[gnu::noinline]] bool draw_mixed(const ImageView& view, const S& shape, const Style& style) {
    if constexpr (PaintedWhole<S, Style, paint::PlainMix>) {
        const paint::PlainMix pixels = plain_mix(view, style.paint);
        return pixels.bytes != 0 && paint_whole(shape, style, view.clip(), pixels);
    }
    return false;
}

/// The short way of most calls: false, having neither painted nor refused anything, where the call must go
/// the long one.
template <class S, class Style>
[[gnu::always_inline]] inline bool draw_plainly(const ImageView& view, const S& shape, const Style& style) {
    if (!is_plain(style)) return false;
    const paint::PlainPixels pixels = plain_pixels(view, style.paint);
    if (pixels.bytes == 0) return draw_mixed(view, shape, style);
    return paint_whole(shape, style, view.clip(), pixels) || draw_cut(view, shape, style);
}

/// The short way of paths of width 1, dashed or not.
template <StrokedThin S>
bool draw_thin_plainly(const ImageView& view, const S& shape, const Stroke& stroke) {
    if (!is_plain_but_for_dashes(stroke)) return false;
    const paint::PlainPixels pixels = plain_pixels(view, stroke.paint);
    if (pixels.bytes == 0) return false;
    if (!stroke.dashes.lengths.empty()) check(stroke.dashes);
    geometry::check(shape);
    const base::Clip clip = clip_of(view);
    if (clip.empty()) return true;
    if constexpr (!std::same_as<S, Line>) // which looks at the clip itself
        if (!may_show(clip, shape, stroke)) return true;
    return stroke_thin(shape, pen_of(stroke), clip, pixels);
}

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
        if (!paint_whole_plainly(shape, view_.clip(), plain_)) paint_otherwise(shape);
    }

    /// The same of all that next() points to until it returns null.
    template <class Next>
    void paint_all(Next next) {
        // Copies: stores of pixels may alias members, which would be read again for each shape.
        const paint::PlainPixels plain = plain_;
        const Box clip = view_.clip();
        while (const auto* shape = next())
            if (!paint_whole_plainly(*shape, clip, plain)) paint_otherwise(*shape);
    }

  private:
    template <class S>
    [[gnu::always_inline]] bool paint_whole_plainly(const S& shape, const Box& clip,
                                                    const paint::PlainPixels& plain) const {
        if constexpr (PaintedWhole<S, Style>)
            return plain.bytes != 0 && paint_whole(shape, style_, clip, plain);
        return false;
    }

    template <class S>
    [[gnu::noinline]] void paint_otherwise(const S& shape) {
        if constexpr (PaintedWhole<S, Style, paint::PlainMix>)
            if (mixed_.bytes != 0 && paint_whole(shape, style_, view_.clip(), mixed_)) return;
        if (clip_.empty() || !may_show(clip_, shape, style_)) return;
        if (!spans_) make_painter();
        if constexpr (PaintedWhole<S, Style>)
            if (plain_.bytes != 0 && (paint_whole(shape, style_, view_.clip(), plain_) ||
                                      paint_cut(shape, style_, view_.clip(), plain_)))
                return;
        if constexpr (std::same_as<Style, Stroke> && StrokedThin<S>)
            if (replaced_.bytes != 0 && is_thin(style_) &&
                stroke_thin(shape, pen_of(style_), clip_, replaced_))
                return;
        spans_->place_pattern(shape);
        if constexpr (std::same_as<Style, Stroke>)
            spans_->paint_spans([&](raster::SpanSink& sink) { rasterise(shape, style_, filled_, sink); });
        else if constexpr (ClosedShape<S>)
            spans_->paint_spans([&](raster::SpanSink& sink) { rasterise(shape, style_, sink); });
    }

    void make_painter() {
        spans_.emplace(view_, style_.paint, style_.blending);
        replaced_ = spans_->painter().plain_pixels();
        if (has_plain_form(style_)) plain_ = replaced_;
    }

    const ImageView& view_;
    const Style& style_;
    InsideRule filled_;
    base::Clip clip_;
    std::optional<SpanPainter> spans_;
    paint::PlainPixels replaced_{}; ///< of no bytes unless pixels are replaced
    paint::PlainPixels plain_{};    ///< of no bytes unless the style has a plain form and pixels are replaced
    paint::PlainMix mixed_;         ///< likewise where a colour is mixed with them
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
