#include "image/thin.hpp"

#include "geometry/checks.hpp"
#include "raster/circle.hpp"
#include "raster/curve.hpp"
#include "raster/line.hpp"

#include <algorithm>
#include <cstddef>
#include <cstdint>
#include <cstring>

namespace coldbrick {

namespace {

/// Writes single pixels of a size that is known when compiling.
template <std::size_t Bytes>
struct PixelWriter {
    paint::PixelBytes pixel;

    void operator()(std::byte* at) const { std::memcpy(at, pixel.data(), Bytes); }
};

/// Calls draw(writer) with the writer for the painter's pixels, if there is one.
template <class Draw>
bool with_writer(const paint::Painter& painter, Draw draw) {
    if (!painter.replaces()) return false;
    switch (painter.surface().codec.layout->bytes) {
    case 1: draw(PixelWriter<1>{painter.pixel()}); return true;
    case 2: draw(PixelWriter<2>{painter.pixel()}); return true;
    case 3: draw(PixelWriter<3>{painter.pixel()}); return true;
    case 4: draw(PixelWriter<4>{painter.pixel()}); return true;
    default: return false;
    }
}

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

bool draw_thin(const Line& line, const raster::Clip& clip, const paint::Painter& painter) {
    if (line.from.y == line.to.y) return false; // one run
    return with_writer(painter, [&](const auto& write) {
        const raster::LineSteps steps(line, clip);
        if (steps.count == 0) return;
        const std::ptrdiff_t row = painter.surface().row_stride_bytes;
        const std::ptrdiff_t pixel = painter.surface().pixel_stride_bytes;
        const std::ptrdiff_t along = steps.along_y ? row : pixel;
        const std::ptrdiff_t side = steps.sideways * (steps.along_y ? pixel : row);
        steps.walk_in_any_order(painter.surface().address(steps.first.x, steps.first.y), along, side, write);
    });
}

bool draw_thin(const Circle& circle, const raster::Clip& clip, const paint::Painter& painter) {
    if (!clip.contains(bounds_of_checked(circle))) return false;
    return with_writer(painter, [&](const auto& write) {
        const CirclePixels pixels{painter.surface().address(circle.centre.x, circle.centre.y),
                                  painter.surface().row_stride_bytes, painter.surface().pixel_stride_bytes};
        raster::for_each_in_octant(circle.radius, [&](std::ptrdiff_t x, std::ptrdiff_t y) {
            pixels.write_reflections(x, y, write);
        });
    });
}

bool draw_thin(const Ellipse& ellipse, const raster::Clip& clip, const paint::Painter& painter) {
    const Box& box = ellipse.box;
    const std::int64_t a = box.width - 1;
    const std::int64_t b = box.height - 1;
    constexpr std::int64_t largest = std::int64_t{1} << 15;
    if (std::min(a, b) < 2 || std::max(a, b) > largest) return false;
    if (ellipse.turn != Angle() || !clip.contains(box)) return false;
    return with_writer(painter, [&](const auto& write) {
        const std::ptrdiff_t row = painter.surface().row_stride_bytes;
        const std::ptrdiff_t pixel = painter.surface().pixel_stride_bytes;
        std::byte* const corner =
            painter.surface().address(static_cast<std::int32_t>(box.x), static_cast<std::int32_t>(box.y));
        std::byte* const top = corner + a / 2 * pixel;
        const QuarterPen columns{write, top, top + b * row, pixel, (a & 1) * pixel, row};
        raster::walk_columns(a, b, columns);
        std::byte* const left = corner + b / 2 * row;
        const QuarterPen rows{write, left, left + a * pixel, row, (b & 1) * row, pixel};
        raster::walk_columns(b, a, rows);
    });
}

} // namespace coldbrick
