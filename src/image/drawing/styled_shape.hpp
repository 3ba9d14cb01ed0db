/// @file
/// The pixels of any shape with a style, for questions about single pixels and items: compiled once, without
/// the fast ways that drawing has.
#pragma once

#include "image/drawing/rasterise.hpp"

#include <coldbrick/image_view.hpp>
#include <coldbrick/shape.hpp>

namespace coldbrick::image {

/// Passes the spans of a checked shape with a style to a receiver. Open shapes have no fill.
void rasterise(const Shape& shape, const Fill& fill, const base::Clip& clip,
               const raster::SpanSink::Receiver& receiver);
/// @param filled how a stroke inside or outside sees the shape filled
void rasterise(const Shape& shape, const Stroke& stroke, const InsideRule& filled, const base::Clip& clip,
               const raster::SpanSink::Receiver& receiver);

/// Draws one style of a shape.
void paint(const ImageView& view, const Shape& shape, const Fill& fill);
/// @param filled how a stroke inside or outside sees the shape filled
void paint(const ImageView& view, const Shape& shape, const Stroke& stroke, const InsideRule& filled);

} // namespace coldbrick::image
