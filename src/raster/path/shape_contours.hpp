/// @file
/// Shapes as contours.
#pragma once

#include "raster/path/curve.hpp"

#include <coldbrick/path.hpp>
#include <coldbrick/shape.hpp>

#include <vector>

namespace coldbrick::raster {

using Contours = std::vector<CurveContour>;

// The ideal paths that strokes follow and dashes are measured along, closed ones clockwise: through the
// centres of a shape's outermost pixels. Boxes that begin or end far beyond all pixels do so less far. Shapes
// without pixels have none.
Contours contours_of(const Dots& dots);
Contours contours_of(const Line& line);
Contours contours_of(const Polyline& polyline);
Contours contours_of(const Polygon& polygon);
Contours contours_of(const Box& box);
Contours contours_of(const RoundedBox& rounded);
Contours contours_of(const Circle& circle);
Contours contours_of(const Ellipse& ellipse);
Contours contours_of(const Arc& arc);
Contours contours_of(const Sector& sector);
Contours contours_of(const Segment& segment);
Contours contours_of(const Path& path);

/// The same contours, each of them closed.
Contours closed(Contours contours);

/// A box between two corners, or one with rounded corners, in sub-pixels: clockwise from the top side's left
/// end.
struct SubBox {
    SubPoint top_left;
    SubPoint bottom_right;

    /// That of a box's outermost pixels' centres, at most far beyond all pixels. @param box not empty
    static SubBox of(const Box& box);

    /// Grown by so much on every side; below 0 it shrinks.
    [[nodiscard]] SubBox grown(double by) const;
    [[nodiscard]] bool empty() const { return top_left.x >= bottom_right.x || top_left.y >= bottom_right.y; }
};
CurveContour box_contour(const SubBox& box, double radius = 0);

/// The radius that a rounded box's corners have. @param rounded not empty
std::int64_t corner_radius(const RoundedBox& rounded);

/// A whole ellipse, with half diameters in sub-pixels from its centre, clockwise. Its straight lines, once it
/// is flattened, have the area of the ellipse.
CurveContour ellipse_contour(SubPoint centre, SubVector across, SubVector down);

/// An ellipse's centre and half diameters, in sub-pixels.
struct EllipseFrame {
    SubPoint centre;
    SubVector across;
    SubVector down;
    bool circular;

    /// @param ellipse not empty @param grown by so much to every side
    static EllipseFrame of(const Ellipse& ellipse, double grown = 0);
};

} // namespace coldbrick::raster
