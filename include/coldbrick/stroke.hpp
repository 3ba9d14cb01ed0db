/// @file
/// The style that paints along the edge of a shape.
#pragma once

#include <coldbrick/blend.hpp>
#include <coldbrick/edges.hpp>
#include <coldbrick/line_style.hpp>
#include <coldbrick/line_width.hpp>
#include <coldbrick/paint.hpp>

#include <vector> // lengths of dashes

namespace [[gnu::visibility("default")]] coldbrick {

/// What the lengths of dashes add up to, in pixels, and how far an offset may lie from 0: 2^40 at most.
constexpr double smallest_dash_sum = 0.125;
constexpr double largest_dash_sum = 1'099'511'627'776.0;

/// Stretches of a stroke that are painted and left out in turns. n lengths take memory for n, and each pixel
/// a time of the order log n.
struct Dashes {
    std::vector<double> lengths; ///< on, off, on, off, ... in pixels, each 0..largest_dash_sum; solid if
                                 ///< there are none. After the last one the first follows. They add up to
                                 ///< smallest_dash_sum..largest_dash_sum
    double offset = 0; ///< how far into the lengths the path begins, in pixels, as far as the largest sum
                       ///< either way

    friend bool operator==(const Dashes&, const Dashes&) = default;
};

/// Paints a shape's edge with a width. Caps matter for what has ends: lines, polylines, arcs and dashes.
/// Joins matter for corners, but those of boxes are always square. A stroke inside or outside goes half a
/// width further on its side and not at all on the other one; only closed shapes have such strokes.
///
/// Dashes are measured along the ideal path, from its first point: a box's is its top-left pixel, the path
/// going on to the right; a circle's and an ellipse's is the rightmost one before any turn, going on
/// clockwise, as those of an arc do; a sector's is the centre.
struct Stroke {
    Paint paint;
    LineWidth width = 1;
    Cap cap = Cap::butt;
    Join join = Join::mitre;
    double mitre_limit = 4; ///< how far a mitre's tip may lie from the vertex, in half widths, 1 and up
    Alignment alignment = Alignment::centred;
    Dashes dashes = {};
    Blending blending = {};
    Edges edges = Edges::crisp;

    friend bool operator==(const Stroke&, const Stroke&) = default;
};

} // namespace coldbrick
