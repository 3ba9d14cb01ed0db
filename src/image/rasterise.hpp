/// @file
/// From any shape and style to its spans.
#pragma once

#include "geometry/checks.hpp"
#include "raster/aligned.hpp"
#include "raster/arc.hpp"
#include "raster/box.hpp"
#include "raster/circle.hpp"
#include "raster/ellipse.hpp"
#include "raster/path.hpp"
#include "raster/polygon.hpp"
#include "raster/rounded_box.hpp"

#include <coldbrick/fill.hpp>
#include <coldbrick/shape.hpp>
#include <coldbrick/stroke.hpp>

#include <concepts>
#include <cstdint>
#include <limits>

namespace coldbrick {

/// These shapes have no ranges to check; the others' checks are overloads of this name.
inline void check(const Line&) {}
inline void check(const Dots&) {}

/// Throws ArgumentError unless all values lie in the ranges that Stroke documents.
void check(const Dashes& dashes);
[[noreturn]] void throw_mitre_below_1(double limit);
inline void check(const Stroke& stroke) {
    check_range("stroke width", stroke.width, 1, std::numeric_limits<std::int32_t>::max());
    check_choice("cap", stroke.cap, Cap::round);
    check_choice("join", stroke.join, Join::round);
    check_choice("alignment", stroke.alignment, Alignment::outside);
    if (!(stroke.mitre_limit >= 1)) throw_mitre_below_1(stroke.mitre_limit); // which a NaN is not
    if (!stroke.dashes.lengths.empty()) check(stroke.dashes);
}

inline void check(const Fill& fill) {
    check_choice("fill rule", fill.rule, FillRule::non_zero);
    check_choice("fill edge", fill.edge, FillEdge::tiling);
}

/// Throws ArgumentError: this shape has no inside to align a stroke to, or to fill.
[[noreturn]] void throw_no_inside();
[[noreturn]] void throw_not_filled();

/// The same for the stroke of a shape, of which some have no inside.
template <class S>
void check_stroke(const S&, const Stroke& stroke) {
    check(stroke);
    if constexpr (OpenShape<S>)
        if (stroke.alignment != Alignment::centred) throw_no_inside();
}

Box turned_bounds(const Ellipse& ellipse);

/// A box that holds all pixels of the shape when it is filled, without the work of finding the tight one.
template <class S>
Box loose_bounds(const S& shape) {
    if constexpr (requires { shape.ellipse; })
        return loose_bounds(shape.ellipse);
    else if constexpr (std::same_as<S, Ellipse>)
        return shape.turn == Angle() ? shape.box : turned_bounds(shape);
    else if constexpr (std::same_as<S, Box>)
        return shape;
    else if constexpr (std::same_as<S, Circle>)
        return bounds_of_checked(shape);
    else
        return shape.bounds();
}

/// False if a clip cannot show any pixel that lies in the bounds or at most `reach` outside of them.
inline bool may_show(const raster::Clip& clip, const Box& bounds, std::int64_t reach) {
    return bounds.x - reach < clip.right && bounds.end_x() + reach > clip.left &&
           bounds.y - reach < clip.bottom && bounds.end_y() + reach > clip.top;
}

/// How far a wide stroke, or one that is not centred, may reach outside the bounds of its shape.
std::int64_t reach_of_wide(const Stroke& stroke);

/// False if a clip cannot show any pixel of the checked shape when it is filled.
template <class S>
bool may_show_filled(const raster::Clip& clip, const S& shape) {
    return may_show(clip, loose_bounds(shape), 1);
}

/// The same of its stroke.
template <class S>
bool may_show_stroked(const raster::Clip& clip, const S& shape, const Stroke& stroke) {
    const bool thin = stroke.width == 1 && stroke.alignment == Alignment::centred;
    return may_show(clip, loose_bounds(shape), thin ? 1 : reach_of_wide(stroke));
}

template <class S>
void rasterise(const S& shape, const Fill& fill, raster::SpanSink& sink) {
    if constexpr (std::same_as<S, Polygon>)
        raster::fill(shape, fill.rule, fill.edge, sink);
    else
        raster::fill(shape, sink);
}

inline raster::Pen pen_of(const Stroke& stroke) {
    return {stroke.width,          stroke.cap,          stroke.join, stroke.mitre_limit,
            stroke.dashes.lengths, stroke.dashes.offset};
}

/// @param filled how a stroke inside or outside sees the shape filled
template <class S>
void rasterise(const S& shape, const Stroke& stroke, const Fill& filled, raster::SpanSink& sink) {
    const raster::Pen pen = pen_of(stroke);
    if constexpr (ClosedShape<S>)
        raster::stroke_aligned(
            pen, stroke.alignment, sink, [&](raster::SpanSink& target) { rasterise(shape, filled, target); },
            [&](const raster::Pen& used, raster::SpanSink& target) { raster::stroke(shape, used, target); });
    else
        raster::stroke(shape, pen, sink);
}

} // namespace coldbrick
