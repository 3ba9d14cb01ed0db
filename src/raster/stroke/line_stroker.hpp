/// @file
/// The pixels of lines, polylines and rings of any width.
#pragma once

#include "raster/spans/span_sink.hpp"
#include "raster/stroke/outermost_places.hpp"
#include "raster/stroke/pen.hpp"

#include <coldbrick/dots.hpp>
#include <coldbrick/line.hpp>
#include <coldbrick/polyline.hpp>

#include <span>

namespace coldbrick::raster {

/// The line with the pen.
void stroke(const Line& line, const Pen& pen, SpanSink& sink);

/// The lines from each point to the next, each pixel once.
void stroke(const Polyline& polyline, const Pen& pen, SpanSink& sink);

/// Discs of the pen's width about the points, each pixel once.
void stroke(const Dots& dots, const Pen& pen, SpanSink& sink);

/// Where the stroke of a path with the pen reaches furthest.
OutermostPlaces outermost(std::span<const Point> points, bool closed, const Pen& pen);

/// About how many spans the parts of a path have in a clip.
std::int64_t expected_spans(std::span<const Point> points, bool closed, const Pen& pen,
                            const base::Clip& clip);

/// Adds the parts of a path with the pen, which may overlap each other: bands, caps and joins.
void add_path(std::span<const Point> points, bool closed, const Pen& pen, SpanSink& parts);

} // namespace coldbrick::raster
