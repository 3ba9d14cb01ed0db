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

namespace coldbrick {

/// These shapes have no ranges to check; the others' checks are overloads of this name.
inline void check(const Line&) {}
inline void check(const Dots&) {}

/// Throws ArgumentError unless all values lie in the ranges that Stroke documents.
void check(const Stroke& stroke);

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
    else
        return shape.bounds();
}

/// False if a clip cannot show any pixel of a shape that lies in the bounds, with a stroke if there is one.
bool may_show(const raster::Clip& clip, const Box& bounds, const Stroke* stroke);

template <class S>
void rasterise(const S& shape, const Fill& fill, raster::SpanSink& sink) {
    if constexpr (std::same_as<S, Polygon>)
        raster::fill(shape, fill.rule, fill.edge, sink);
    else
        raster::fill(shape, sink);
}

/// @param filled how a stroke inside or outside sees the shape filled
template <class S>
void rasterise(const S& shape, const Stroke& stroke, const Fill& filled, raster::SpanSink& sink) {
    const raster::Pen pen{stroke.width,          stroke.cap,          stroke.join, stroke.mitre_limit,
                          stroke.dashes.lengths, stroke.dashes.offset};
    if constexpr (ClosedShape<S>)
        raster::stroke_aligned(
            pen, stroke.alignment, sink, [&](raster::SpanSink& target) { rasterise(shape, filled, target); },
            [&](const raster::Pen& used, raster::SpanSink& target) { raster::stroke(shape, used, target); });
    else
        raster::stroke(shape, pen, sink);
}

} // namespace coldbrick
