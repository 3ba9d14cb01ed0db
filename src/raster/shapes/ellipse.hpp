/// @file
/// The pixels of ellipses.
#pragma once

#include "raster/spans/span_sink.hpp"
#include "raster/stroke/outermost_places.hpp"
#include "raster/stroke/pen.hpp"

#include <coldbrick/ellipse.hpp>

#include <cstdint>

namespace coldbrick::raster {

/// The outline of width 1 and everything between its leftmost and rightmost pixel on every row.
void fill(const Ellipse& ellipse, SpanSink& sink);

/// Width 1: on every column and row that the curve meets, the pixel nearest to each crossing, halves away
/// from the axis (Freeman, "On the encoding of arbitrary geometric configurations", IRE Transactions on
/// Electronic Computers EC-10(2), 1961). Wider: the pixels within width / 2 of the curve along the shortest
/// line to it.
void stroke(const Ellipse& ellipse, const Pen& pen, SpanSink& sink);

/// Where the stroke with the pen reaches furthest.
OutermostPlaces outermost(const Ellipse& ellipse, const Pen& pen);

} // namespace coldbrick::raster
