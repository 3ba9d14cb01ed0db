/// @file
/// The pixels of polygons.
#pragma once

#include "raster/spans/span_sink.hpp"
#include "raster/stroke/outermost_places.hpp"
#include "raster/stroke/pen.hpp"

#include <coldbrick/fill_rule.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/polygon.hpp>

#include <span>

namespace coldbrick::raster {

/// The pixels within the polygon's rings by the rule, with or without their outline.
void fill(const Polygon& polygon, FillRule rule, FillExtent extent, SpanSink& sink);

/// The same of the polygon of one ring, which is not empty.
void fill(std::span<const Point> ring, FillRule rule, FillExtent extent, SpanSink& sink);

/// All rings with the pen, each pixel once.
void stroke(const Polygon& polygon, const Pen& pen, SpanSink& sink);

/// Where the stroke with the pen reaches furthest.
OutermostPlaces outermost(const Polygon& polygon, const Pen& pen);

/// Where the bare inside reaches furthest.
OutermostPlaces outermost(const Polygon& polygon);

} // namespace coldbrick::raster
