/// @file
/// The pixels of arcs, sectors and segments.
#pragma once

#include "raster/spans/span_sink.hpp"
#include "raster/stroke/outermost_places.hpp"
#include "raster/stroke/pen.hpp"

#include <coldbrick/arc.hpp>

namespace coldbrick::raster {

/// Width 1: the outline's pixels whose direction lies in the sweep, or else the one nearest to its middle.
/// Wider: the pixels of the ellipse's stroke whose nearest point on the curve lies in the sweep, with caps
/// about the curve's two ends.
void stroke(const Arc& arc, const Pen& pen, SpanSink& sink);

/// The filled ellipse's pixels whose direction lies in the sweep, and the centre's own.
void fill(const Sector& sector, SpanSink& sink);

/// The filled ellipse's pixels on the arc's side of its chord.
void fill(const Segment& segment, SpanSink& sink);

/// Where the stroke with the pen reaches furthest.
OutermostPlaces outermost(const Arc& arc, const Pen& pen);
OutermostPlaces outermost(const Sector& sector, const Pen& pen);
OutermostPlaces outermost(const Segment& segment, const Pen& pen);

/// Width 1: the filled pixels with one above, below, left or right that is not filled. Wider: along the ideal
/// boundary.
void stroke(const Sector& sector, const Pen& pen, SpanSink& sink);
void stroke(const Segment& segment, const Pen& pen, SpanSink& sink);

} // namespace coldbrick::raster
