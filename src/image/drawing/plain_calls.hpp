/// @file
/// Calls that are plain, a colour of 8 bits on a format of bytes in the usual form, and their short way to
/// memory.
#pragma once

#include "geometry/shape_checks.hpp"
#include "image/drawing/plain_shapes.hpp"
#include "image/drawing/rasterise.hpp"
#include "image/drawing/span_painter.hpp"
#include "image/drawing/style_checks.hpp"

#include <coldbrick/fill.hpp>
#include <coldbrick/image_view.hpp>
#include <coldbrick/shape.hpp>
#include <coldbrick/stroke.hpp>

#include <concepts>
#include <cstddef>

namespace coldbrick::image {

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

/// What a plain style makes of a shape that the clip cuts. False, having painted nothing, where spans must
/// do.
template <class S, class Style>
[[gnu::always_inline]] inline bool paint_cut_inline(const S& shape, const Style& style, const Box& clip,
                                                    const paint::PlainPixels& pixels) {
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

// Compiled once for each shape and style. Each returns false, having painted nothing, where spans must do.

/// What a plain style makes of a shape that the clip cuts.
template <class S, class Style>
bool paint_cut(const S& shape, const Style& style, const Box& clip, const paint::PlainPixels& pixels);

/// What a plain style makes of a shape that the clip may cut.
template <class S, class Style>
bool paint_replacing(const S& shape, const Style& style, const Box& clip, const paint::PlainPixels& pixels);

/// The same of see-through colours: only shapes that the clip shows whole.
template <class S, class Style>
bool paint_mixing(const S& shape, const Style& style, const Box& clip, const paint::PlainMix& pixels);

// The short way of most calls. Each function returns false, having neither painted nor refused anything,
// where the call must go the long one.

// Two functions that find the pixels again, which a call that shows the whole shape need not keep.
template <class S, class Style>
[[gnu::noinline]] bool draw_cut(const ImageView& view, const S& shape, const Style& style) {
    return paint_cut_inline(shape, style, view.clip(), plain_pixels(view, style.paint));
}
template <class S, class Style>
[[gnu::noinline]] bool draw_mixing(const ImageView& view, const S& shape, const Style& style) {
    const paint::PlainMix pixels = plain_mix(view, style.paint);
    return pixels.bytes != 0 && paint_whole(shape, style, view.clip(), pixels);
}

template <class S, class Style>
[[gnu::always_inline]] inline bool draw_plainly(const ImageView& view, const S& shape, const Style& style) {
    if (!is_plain(style)) return false;
    const paint::PlainPixels pixels = plain_pixels(view, style.paint);
    if (pixels.bytes != 0)
        return paint_whole(shape, style, view.clip(), pixels) || draw_cut(view, shape, style);
    if constexpr (PaintedWhole<S, Style, paint::PlainMix>) return draw_mixing(view, shape, style);
    return false;
}

/// Paths of width 1, dashed or not.
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

} // namespace coldbrick::image
