/// @file
/// The one way from a view, a shape and a style to pixels: check, cull, make a painter, rasterise.
///
/// All verbs that paint come through here, and what asks for a shape's pixels without painting them takes its
/// last step, rasterise(). docs/architecture.md follows some calls.
#pragma once

#include "geometry/loose_bounds.hpp"
#include "image/plain_shapes.hpp"
#include "image/style_checks.hpp"
#include "paint/painter.hpp"
#include "paint/pattern_sampler.hpp"
#include "raster/shapes/arc.hpp"
#include "raster/shapes/box.hpp"
#include "raster/shapes/circle.hpp"
#include "raster/shapes/ellipse.hpp"
#include "raster/shapes/path.hpp"
#include "raster/shapes/polygon.hpp"
#include "raster/shapes/rounded_box.hpp"
#include "raster/shapes/smooth.hpp"
#include "raster/spans/span_sink.hpp"
#include "raster/stroke/line_stroker.hpp"
#include "raster/stroke/stroke_alignment.hpp"

#include <coldbrick/fill.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/shape.hpp>
#include <coldbrick/stroke.hpp>

#include <concepts>
#include <cstdint>
#include <optional>

namespace coldbrick::image {

inline base::Clip clip_of(const ImageView& view) {
    return {view.clip().x, view.clip().y, view.clip().end_x(), view.clip().end_y()};
}

inline paint::Surface surface_of(const ImageView& view) {
    return {view.bytes(), view.row_stride_bytes(), view.pixel_stride_bytes(),
            paint::Codec{&layout(view.format()), view.palette()}, view.mask()};
}

inline raster::Pen pen_of(const Stroke& stroke) {
    return {static_cast<std::int64_t>(stroke.width),
            stroke.cap,
            stroke.join,
            stroke.mitre_limit,
            stroke.dashes.lengths,
            stroke.dashes.offset};
}

inline raster::RealPen real_pen_of(const Stroke& stroke) {
    return {stroke.width,          stroke.cap,          stroke.join, stroke.mitre_limit,
            stroke.dashes.lengths, stroke.dashes.offset};
}

/// How a shape is filled, whatever with: what a stroke on one side of its edge has to know.
using raster::InsideRule;

inline InsideRule inside_of(const Fill& fill) {
    return {fill.rule, fill.extent};
}

// Rasterise: from a checked shape and style to spans.

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

template <class S>
void rasterise(const S& shape, const Fill& fill, raster::SpanSink& sink) {
    if (fill.edges == Edges::smooth) return raster::fill_smooth(shape, inside_of(fill), sink);
    rasterise_crisp(shape, inside_of(fill), sink);
}

/// @param filled how a stroke inside or outside sees the shape filled
template <class S>
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

// Cull: what a clip shows nothing of costs no more than this.

/// How far a wide stroke, or one that is not centred, may reach outside the bounds of its shape.
std::int64_t reach_of_wide(const Stroke& stroke);

/// How far a style's pixels may lie outside the loose bounds of a shape.
inline std::int64_t reach_of(const Fill&) {
    return 3; // the tips of the outline that belongs to it: two pixels on paths and smooth edges
}
inline bool is_thin(const Stroke& stroke) {
    return stroke.width == 1 && stroke.alignment == Alignment::centred && stroke.edges == Edges::crisp;
}
inline std::int64_t reach_of(const Stroke& stroke) {
    return is_thin(stroke) ? 1 : reach_of_wide(stroke);
}

/// False if a clip cannot show any pixel of the checked shape with the style.
template <class S, class Style>
bool may_show(const base::Clip& clip, const S& shape, const Style& style) {
    const Box bounds = geometry::loose_bounds(shape);
    const std::int64_t reach = reach_of(style);
    return bounds.x - reach < clip.right && bounds.end_x() + reach > clip.left &&
           bounds.y - reach < clip.bottom && bounds.end_y() + reach > clip.top;
}

// Paint: from spans to a view's bytes.

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
inline paint::PlainMix plain_mix(const ImageView& view, const Paint& paint) {
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
