/// @file
/// The areas of contours and of their strokes.
#pragma once

#include "raster/coverage/covered_area.hpp"
#include "raster/path/convex_pieces.hpp"
#include "raster/path/curve.hpp"
#include "raster/path/flattening.hpp"
#include "raster/path/outline.hpp"

#include <cstdint>
#include <span>
#include <vector>

namespace coldbrick::raster {

/// How contours are stroked.
struct ContourPen {
    OutlinePen outline;
    std::span<const double> dashes; ///< in pixels
    double dash_offset;
    /// As shapes that lie on pixels are: butt ends go on by half a pixel, so that the pixels at the ends are
    /// whole.
    bool on_pixels;
    /// Lines of an even width on pixels lie half a pixel further up and to the left, but for their ends.
    bool shifted;
};

/// Adds what is inside contours, each closed by a straight line, or takes it away.
enum class Inside : std::uint8_t { added, taken_away };
void add_inside(std::span<const CurveContour> contours, const Flattening& flattening, CoveredArea& area,
                AreaPart part, Inside inside = Inside::added);

/// Adds the stroke of contours.
void add_stroke(std::span<const CurveContour> contours, const ContourPen& pen, CoveredArea& area,
                AreaPart part);
void add_stroke(std::span<const CurveContour> contours, const ContourPen& pen, ConvexPieces& pieces);

/// True if so many parts of a stroke overlap that it is better found from pieces: where more lines meet than
/// what is seen of them is worth, or dashes are short beside the width. It depends on the contours alone.
[[nodiscard]] bool is_dense(std::span<const CurveContour> contours, const ContourPen& pen);

} // namespace coldbrick::raster
