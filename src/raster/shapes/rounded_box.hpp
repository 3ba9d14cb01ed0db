/// @file
/// The pixels of boxes with rounded corners.
#pragma once

#include "raster/spans/span_sink.hpp"
#include "raster/stroke/outermost_places.hpp"
#include "raster/stroke/pen.hpp"

#include <coldbrick/rounded_box.hpp>

namespace coldbrick::raster {

/// The box with the corners of filled circles.
void fill(const RoundedBox& rounded, SpanSink& sink);

/// The box's stroke with the corners of the circle's stroke.
void stroke(const RoundedBox& rounded, const Pen& pen, SpanSink& sink);

/// Where the stroke with the pen reaches furthest.
OutermostPlaces outermost(const RoundedBox& rounded, const Pen& pen);

} // namespace coldbrick::raster
