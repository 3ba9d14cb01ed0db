/// @file
/// Thin lines and outlines in an opaque colour, stepped straight through memory.
#pragma once

#include "base/clip.hpp"
#include "paint/painter.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/circle.hpp>
#include <coldbrick/ellipse.hpp>
#include <coldbrick/line.hpp>

namespace coldbrick::image {

// A span of one pixel costs more than a pixel, so these shapes of width 1 skip the spans where they can. The
// pixels are those of the raster layer's own steps. Each returns false, having painted nothing, where spans
// must do.

bool draw_thin(const Line& line, const base::Clip& clip, const paint::Painter& painter);

/// Only circles that the clip shows whole.
bool draw_thin(const Circle& circle, const base::Clip& clip, const paint::Painter& painter);

/// Only small ellipses that are upright and that the clip shows whole.
bool draw_thin(const Ellipse& ellipse, const base::Clip& clip, const paint::Painter& painter);

/// The edges of boxes are long runs already; the lines of paths may cross, and only spans are given once.
template <class Shape>
bool draw_thin(const Shape&, const base::Clip&, const paint::Painter&) {
    return false;
}

} // namespace coldbrick::image
