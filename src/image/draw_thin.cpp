#include "image/draw_thin.hpp"

#include "geometry/loose_bounds.hpp"
#include "paint/pixel_writer.hpp"
#include "raster/thin/thin_circle_steps.hpp"
#include "raster/thin/thin_ellipse_steps.hpp"
#include "raster/thin/thin_line_steps.hpp"

#include <algorithm>
#include <cstddef>
#include <cstdint>

namespace coldbrick::image {

namespace {

/// The eight reflections of a circle's pixels, as rows of memory that move along with the steps.
struct CirclePixels {
    std::byte* centre;
    std::ptrdiff_t row;
    std::ptrdiff_t pixel;

    template <class Write>
    void write_reflections(std::ptrdiff_t x, std::ptrdiff_t y, const Write& write) const {
        write_rows(x, y, write);
        if (x != y) write_rows(y, x, write);
    }

  private:
    /// Pixels (+-x, +-y), once each.
    template <class Write>
    void write_rows(std::ptrdiff_t x, std::ptrdiff_t y, const Write& write) const {
        std::byte* const below = centre + y * row;
        std::byte* const above = centre - y * row;
        write(below + x * pixel);
        if (x != 0) write(below - x * pixel);
        if (y == 0) return;
        write(above + x * pixel);
        if (x != 0) write(above - x * pixel);
    }
};

/// A pixel of an ellipse's quarter and its reflections in both axes, stepping through memory.
template <class Write>
struct QuarterPen {
    Write write;
    std::byte* near;         ///< the reflection that lies first in both directions
    std::byte* far;          ///< that reflected in the axis along the walk
    std::ptrdiff_t outwards; ///< from a pixel to the next along the walk
    std::ptrdiff_t across;   ///< from a pixel to its reflection in that direction
    std::ptrdiff_t inwards;  ///< from a pixel to the next towards the axis

    void visit_and_go_outwards() {
        write(near);
        write(near + across);
        write(far);
        write(far + across);
        near -= outwards;
        far -= outwards;
        across += 2 * outwards;
    }

    void go_inwards(std::ptrdiff_t mask) {
        near += inwards & mask;
        far -= inwards & mask;
    }
};

template <class Write>
QuarterPen(Write, std::byte*, std::byte*, std::ptrdiff_t, std::ptrdiff_t, std::ptrdiff_t)
    -> QuarterPen<Write>;

} // namespace

bool draw_thin(const Line& line, const base::Clip& clip, const paint::Painter& painter) {
    if (line.from.y == line.to.y) return false; // one run
    return paint::with_pixel_writer(painter, [&](const auto& write) {
        const raster::ThinLineSteps steps(line, clip);
        if (steps.count == 0) return;
        const std::ptrdiff_t row = painter.surface().row_stride_bytes;
        const std::ptrdiff_t pixel = painter.surface().pixel_stride_bytes;
        const std::ptrdiff_t along = steps.along_y ? row : pixel;
        const std::ptrdiff_t side = steps.sideways * (steps.along_y ? pixel : row);
        steps.walk_in_any_order(painter.surface().address(steps.first.x, steps.first.y), along, side, write);
    });
}

bool draw_thin(const Circle& circle, const base::Clip& clip, const paint::Painter& painter) {
    if (!clip.contains(geometry::bounds_of_checked(circle))) return false;
    return paint::with_pixel_writer(painter, [&](const auto& write) {
        const CirclePixels pixels{painter.surface().address(circle.centre.x, circle.centre.y),
                                  painter.surface().row_stride_bytes, painter.surface().pixel_stride_bytes};
        raster::for_each_in_octant(circle.radius, [&](std::ptrdiff_t x, std::ptrdiff_t y) {
            pixels.write_reflections(x, y, write);
        });
    });
}

bool draw_thin(const Ellipse& ellipse, const base::Clip& clip, const paint::Painter& painter) {
    const Box& box = ellipse.box;
    const std::int64_t a = box.width - 1;
    const std::int64_t b = box.height - 1;
    if (std::min(a, b) < 2 || std::max(a, b) > raster::largest_stepped_axis) return false;
    if (ellipse.turn != Angle() || !clip.contains(box)) return false;
    return paint::with_pixel_writer(painter, [&](const auto& write) {
        const std::ptrdiff_t row = painter.surface().row_stride_bytes;
        const std::ptrdiff_t pixel = painter.surface().pixel_stride_bytes;
        std::byte* const corner =
            painter.surface().address(static_cast<std::int32_t>(box.x), static_cast<std::int32_t>(box.y));
        std::byte* const top = corner + a / 2 * pixel;
        const QuarterPen columns{write, top, top + b * row, pixel, (a & 1) * pixel, row};
        raster::walk_ellipse_columns(a, b, columns);
        std::byte* const left = corner + b / 2 * row;
        const QuarterPen rows{write, left, left + a * pixel, row, (b & 1) * row, pixel};
        raster::walk_ellipse_columns(b, a, rows);
    });
}

} // namespace coldbrick::image
