/// @file
/// The pixels of boxes.
#pragma once

#include "raster/spans/span_sink.hpp"
#include "raster/stroke/outermost_places.hpp"
#include "raster/stroke/pen.hpp"

#include <coldbrick/box.hpp>

#include <cstdint>

namespace coldbrick::raster {

/// All pixels of the box.
void fill(const Box& box, SpanSink& sink);

/// The ring of a width about the box's outermost pixels: the box grown by floor((width - 1) / 2) without the
/// box shrunk by floor(width / 2) + 1, so that the odd pixel of an even width lies inside.
void stroke(const Box& box, const Pen& pen, SpanSink& sink);

/// Where the stroke with the pen reaches furthest.
OutermostPlaces outermost(const Box& box, const Pen& pen);

} // namespace coldbrick::raster
