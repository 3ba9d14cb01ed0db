/// @file
/// The pixels that shapes cover in part or wholly.
#pragma once

#include "raster/shapes/real_pen.hpp"
#include "raster/spans/span_sink.hpp"
#include "raster/stroke/outermost_places.hpp"

#include <coldbrick/line_style.hpp>
#include <coldbrick/shape.hpp>

namespace coldbrick::raster {

// For each of the shapes, or those with an inside. What is far outside the sink's clip costs nothing.

/// The ideal area of the filled shape: its inside and the stroke of width 1, or of polygons and paths the
/// bare inside.
template <class S>
void fill_smooth(const S& shape, const InsideRule& rule, SpanSink& sink);

/// The positions within half a width of the shape's path.
/// @param filled what a stroke inside or outside is cut to
template <class S>
void stroke_smooth(const S& shape, const RealPen& pen, Alignment alignment, const InsideRule& filled,
                   SpanSink& sink);

/// The corners of these areas.
template <class S>
OutermostPlaces outermost_smooth(const S& shape, const InsideRule& rule);
template <class S>
OutermostPlaces outermost_smooth(const S& shape, const RealPen& pen, Alignment alignment,
                                 const InsideRule& filled);

} // namespace coldbrick::raster
