#include "image/thin.hpp"

#include "raster/circle.hpp"
#include "raster/curve.hpp"
#include "raster/line.hpp"

#include <cstddef>
#include <cstdint>
#include <cstring>

namespace coldbrick {

namespace {

/// Writes single pixels of a size that is known when compiling.
template <std::size_t Bytes>
struct PixelWriter {
    std::uint64_t pixel;

    void operator()(std::byte* at) const { std::memcpy(at, &pixel, Bytes); }
};

/// Calls draw(writer) with the writer for the painter's pixels, if there is one.
template <class Draw>
bool with_writer(const paint::Painter& painter, Draw draw) {
    if (!painter.replaces()) return false;
    switch (painter.pixel_bytes()) {
    case 1: draw(PixelWriter<1>{painter.pixel()}); return true;
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

} // namespace

bool draw_thin(const Line& line, const raster::Clip& clip, const paint::Painter& painter) {
    if (line.from.y == line.to.y) return false; // one run
    return with_writer(painter, [&](const auto& write) {
        const raster::LineSteps steps(line, clip);
        if (steps.count == 0) return;
        const std::ptrdiff_t row = painter.row_stride_bytes();
        const std::ptrdiff_t pixel = painter.pixel_bytes();
        const std::ptrdiff_t along = steps.along_y ? row : pixel;
        const std::ptrdiff_t side = steps.sideways * (steps.along_y ? pixel : row);
        steps.walk_in_any_order(painter.address(steps.first.x, steps.first.y), along, side, write);
    });
}

bool draw_thin(const Circle& circle, const raster::Clip& clip, const paint::Painter& painter) {
    if (!clip.contains(circle.bounds())) return false;
    return with_writer(painter, [&](const auto& write) {
        const CirclePixels pixels{painter.address(circle.centre.x, circle.centre.y),
                                  painter.row_stride_bytes(), painter.pixel_bytes()};
        raster::for_each_in_octant(circle.radius, [&](std::ptrdiff_t x, std::ptrdiff_t y) {
            pixels.write_reflections(x, y, write);
        });
    });
}

bool draw_thin(const Ellipse& ellipse, const raster::Clip& clip, const paint::Painter& painter) {
    const Box& box = ellipse.box;
    constexpr std::int64_t largest = std::int64_t{1} << 15;
    if (box.empty() || ellipse.turn != Angle() || !clip.contains(box)) return false;
    if (box.width > largest || box.height > largest) return false;
    return with_writer(painter, [&](const auto& write) {
        const std::ptrdiff_t row = painter.row_stride_bytes();
        const std::ptrdiff_t pixel = painter.pixel_bytes();
        std::byte* const corner =
            painter.address(static_cast<std::int32_t>(box.x), static_cast<std::int32_t>(box.y));
        const std::ptrdiff_t a = box.width - 1;
        const std::ptrdiff_t b = box.height - 1;
        const auto write_reflections = [&](std::ptrdiff_t x, std::ptrdiff_t y) {
            std::byte* const above = corner + (b - y) / 2 * row;
            std::byte* const below = corner + (b + y) / 2 * row;
            const std::ptrdiff_t left = (a - x) / 2 * pixel;
            const std::ptrdiff_t right = (a + x) / 2 * pixel;
            write(above + left);
            write(above + right);
            write(below + left);
            write(below + right);
        };
        raster::for_each_on_columns(a, b, write_reflections);
        raster::for_each_on_columns(b, a,
                                    [&](std::ptrdiff_t y, std::ptrdiff_t x) { write_reflections(x, y); });
    });
}

} // namespace coldbrick
