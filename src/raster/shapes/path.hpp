/// @file
/// The pixels of paths with crisp edges.
#pragma once

#include "raster/shapes/real_pen.hpp"
#include "raster/spans/span_sink.hpp"

#include <coldbrick/path.hpp>

namespace coldbrick::raster {

/// The pixels whose centre lies within the path's contours, with or without their outline.
void fill(const Path& path, const InsideRule& rule, SpanSink& sink);

/// At width 1 the nearest pixels, otherwise those whose centre lies within half a width of the path.
void stroke(const Path& path, const RealPen& pen, SpanSink& sink);

} // namespace coldbrick::raster
