/// @file
/// Shapes whose pixels are replaced by the same bytes, or mixed with one colour, straight to memory.
#pragma once

#include "paint/writers/plain_mix.hpp"
#include "paint/writers/plain_pixels.hpp"
#include "raster/stroke/pen.hpp"
#include "raster/thin/small_ellipses.hpp"
#include "raster/thin/thin_circle_steps.hpp"
#include "raster/thin/thin_ellipse_steps.hpp"
#include "raster/thin/thin_line_steps.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/circle.hpp>
#include <coldbrick/ellipse.hpp>
#include <coldbrick/line.hpp>
#include <coldbrick/polyline.hpp>

#include <algorithm>
#include <array>
#include <bit>
#include <cstddef>
#include <cstdint>
#include <span>

namespace coldbrick::image {

// For thin lines and for what is small, gathering spans costs more than the pixels do. Here these shapes are
// written without, if a clip, a part of an image, shows them whole; their pixels come from the raster layer's
// own steps. Each function takes a shape with any values and returns false, having painted nothing, where
// something else must do. All are inlined into the draw calls: that way most of them are short.

/// Runs of more bytes are worth the way to wider registers.
constexpr std::int64_t short_run = 256;

/// True if a side of a clip, from `begin` on, holds all of [place, place + extent), and the extent is not
/// below 0.
[[gnu::always_inline]] inline bool holds(std::int64_t begin, std::int64_t length, std::int64_t place,
                                         std::int64_t extent) {
    // What lies before the beginning, or is below 0, is a huge number here.
    const std::uint64_t from = static_cast<std::uint64_t>(place) - static_cast<std::uint64_t>(begin);
    const auto whole = static_cast<std::uint64_t>(length);
    return from <= whole && static_cast<std::uint64_t>(extent) <= whole - from;
}
[[gnu::always_inline]] inline bool holds(const Box& clip, const Box& box) {
    return holds(clip.x, clip.width, box.x, box.width) && holds(clip.y, clip.height, box.y, box.height);
}
[[gnu::always_inline]] inline bool holds(const Box& clip, Point point) {
    const auto within = [](std::int64_t begin, std::int64_t length, std::int64_t place) {
        return static_cast<std::uint64_t>(place - begin) < static_cast<std::uint64_t>(length);
    };
    return within(clip.x, clip.width, point.x) && within(clip.y, clip.height, point.y);
}
[[gnu::always_inline]] inline bool holds(const Box& clip, const Circle& circle) {
    const std::int64_t radius = circle.radius;
    const auto within = [radius](std::int64_t place, std::int64_t length) {
        return place >= radius && place + radius < length;
    };
    return radius >= 0 && within(circle.centre.x - clip.x, clip.width) &&
           within(circle.centre.y - clip.y, clip.height);
}

/// Only boxes that are not large.
/// @tparam Pixels paint::PlainPixels or paint::PlainMix, where steps come to each pixel once
template <class Pixels>
[[gnu::always_inline]] inline bool fill_whole(const Box& box, const Box& clip, const Pixels& pixels) {
    if (!holds(clip, box) || !pixels.contiguous()) return false;
    const std::int64_t bytes = box.width * pixels.bytes;
    if (bytes > short_run) return false;
    paint::with_run_writer(
        pixels, [&](const auto& writer) __attribute__((always_inline)) {
            writer.write_rows(pixels.address(box.x, box.y), pixels.row_stride_bytes, box.height,
                              static_cast<std::size_t>(bytes));
        });
    return true;
}

/// Only circles that are not large.
template <class Pixels>
[[gnu::always_inline]] inline bool fill_whole(const Circle& circle, const Box& clip, const Pixels& pixels) {
    if (!holds(clip, circle) || (2 * std::int64_t{circle.radius} + 1) * pixels.bytes > short_run ||
        !pixels.contiguous())
        return false;
    paint::with_run_writer(
        pixels, [&](const auto& writer) __attribute__((always_inline)) {
            std::byte* const centre = pixels.address(circle.centre.x, circle.centre.y);
            raster::for_each_row_pair(
                circle.radius, [&](std::ptrdiff_t distance,
                                   std::ptrdiff_t half_width) __attribute__((always_inline)) {
                    std::byte* const middle = centre - half_width * pixels.bytes;
                    const std::ptrdiff_t down = distance * pixels.row_stride_bytes;
                    writer.write(paint::Places<2>{middle - down, middle + down},
                                 static_cast<std::size_t>((2 * half_width + 1) * pixels.bytes));
                });
        });
    return true;
}

// On large images most pixels of a line lie in lines of the cache that must come from memory: those of the
// next steps are asked for early. Short lines are through before that helps.
constexpr std::int64_t worth_asking_ahead = 64;
constexpr std::int64_t steps_ahead = 16;

/// Asks for the memory that lies so many bytes from an address; it need not belong to the image, so that no
/// pointer may reckon with it.
[[gnu::always_inline]] inline void ask_for(const std::byte* at, std::ptrdiff_t bytes) {
    constexpr int to_write = 1;
    const auto address = std::bit_cast<std::uintptr_t>(at) + static_cast<std::uintptr_t>(bytes);
    __builtin_prefetch(std::bit_cast<const void*>(address), to_write);
}

/// Calls walk(first, along, side, write) for a line's walks: where its first step lies in memory, how far it
/// is to the next one and, at a side step, beyond that.
template <class Pixels, class Walk>
[[gnu::always_inline]] inline void write_walk(const raster::ThinLineSteps& steps, const Pixels& pixels,
                                              const Walk& walk) {
    const std::ptrdiff_t row = pixels.row_stride_bytes;
    const std::ptrdiff_t pixel = pixels.pixel_stride_bytes;
    const std::ptrdiff_t along = steps.along_y ? row : pixel;
    const std::ptrdiff_t side = steps.sideways * (steps.along_y ? pixel : row);
    std::byte* const first = pixels.address(steps.first.x, steps.first.y);
    paint::with_pixel_writer(
        pixels, [&](const auto& write) __attribute__((always_inline)) { walk(first, along, side, write); });
}

/// Writes a line's steps, or parts of a whole line's.
template <class Pixels>
[[gnu::always_inline]] inline void write_steps(const raster::ThinLineSteps& steps, const Pixels& pixels) {
    write_walk(
        steps, pixels,
        [&](std::byte * first, std::ptrdiff_t along, std::ptrdiff_t side, const auto& write)
            __attribute__((always_inline)) {
                if (steps.count < worth_asking_ahead) return steps.walk(first, along, side, write);
                const std::ptrdiff_t ahead =
                    steps_ahead * along + steps_ahead * steps.error_step / steps.error_reset * side;
                steps.walk(
                    first, along, side, [&](std::byte * at) __attribute__((always_inline)) {
                        ask_for(at, ahead);
                        write(at);
                    });
            });
}
inline void write_steps(const raster::ThinLineSteps& line, std::span<const raster::StepRange> parts,
                        const paint::PlainPixels& pixels) {
    write_walk(
        line, pixels,
        [&](std::byte * first, std::ptrdiff_t along, std::ptrdiff_t side, const auto& write)
            __attribute__((always_inline)) { line.walk_parts(parts, first, along, side, write); });
}

/// Lines at width 1; likewise below.
template <class Pixels>
[[gnu::always_inline]] inline bool stroke_whole(const Line& line, const Box& clip, const Pixels& pixels) {
    if (!holds(clip, line.from) || !holds(clip, line.to)) return false;
    write_steps(raster::ThinLineSteps(line), pixels);
    return true;
}

/// The eight reflections of a circle's pixels, as rows of memory that move along with the steps.
struct CirclePixels {
    std::byte* centre;
    std::ptrdiff_t row;
    std::ptrdiff_t pixel;

    template <class Write>
    [[gnu::always_inline]] void write_reflections(std::ptrdiff_t x, std::ptrdiff_t y,
                                                  const Write& write) const {
        write_rows(x, y, write);
        if (x != y) write_rows(y, x, write);
    }

  private:
    /// Pixels (+-x, +-y), once each.
    template <class Write>
    [[gnu::always_inline]] void write_rows(std::ptrdiff_t x, std::ptrdiff_t y, const Write& write) const {
        std::byte* const below = centre + y * row;
        std::byte* const above = centre - y * row;
        write(below + x * pixel);
        if (x != 0) write(below - x * pixel);
        if (y == 0) return;
        write(above + x * pixel);
        if (x != 0) write(above - x * pixel);
    }
};

template <class Pixels>
[[gnu::always_inline]] inline bool stroke_whole(const Circle& circle, const Box& clip, const Pixels& pixels) {
    if (!holds(clip, circle)) return false;
    const CirclePixels reflections{pixels.address(circle.centre.x, circle.centre.y), pixels.row_stride_bytes,
                                   pixels.pixel_stride_bytes};
    paint::with_pixel_writer(
        pixels, [&](const auto& write) __attribute__((always_inline)) {
            raster::for_each_in_octant(
                circle.radius, [&](std::ptrdiff_t x, std::ptrdiff_t y) __attribute__((always_inline)) {
                    reflections.write_reflections(x, y, write);
                });
        });
    return true;
}

/// A pixel of an ellipse's quarter and its reflections in both axes, stepping through memory.
template <class Write>
struct QuarterPen {
    Write write;
    std::byte* near;         ///< the reflection that lies first in both directions
    std::byte* far;          ///< that reflected in the axis along the walk
    std::ptrdiff_t outwards; ///< from a pixel to the next along the walk
    std::ptrdiff_t across;   ///< from a pixel to its reflection in that direction
    std::ptrdiff_t inwards;  ///< from a pixel to the next towards the axis

    [[gnu::always_inline]] void visit_and_go_outwards() {
        write(near);
        write(near + across);
        write(far);
        write(far + across);
        near -= outwards;
        far -= outwards;
        across += 2 * outwards;
    }

    [[gnu::always_inline]] void go_inwards(std::ptrdiff_t mask) {
        near += inwards & mask;
        far -= inwards & mask;
    }
};

template <class Write>
QuarterPen(Write, std::byte*, std::byte*, std::ptrdiff_t, std::ptrdiff_t, std::ptrdiff_t)
    -> QuarterPen<Write>;

/// Only upright ellipses that are not huge.
[[gnu::always_inline]] inline bool stroke_whole(const Ellipse& ellipse, const Box& clip,
                                                const paint::PlainPixels& pixels) {
    const Box& box = ellipse.box;
    if (!holds(clip, box) || ellipse.turn != Angle()) return false;
    const std::int64_t a = box.width - 1;
    const std::int64_t b = box.height - 1;
    if (std::min(a, b) < 2 || std::max(a, b) > raster::largest_stepped_axis) return false;
    const std::ptrdiff_t row = pixels.row_stride_bytes;
    const std::ptrdiff_t pixel = pixels.pixel_stride_bytes;
    std::byte* const corner = pixels.address(box.x, box.y);
    if (std::max(a, b) <= raster::largest_tabled_axis) {
        const auto quarter = raster::small_ellipse(a, b);
        paint::with_pixel_writer(
            pixels, [&](const auto& write) __attribute__((always_inline)) {
                for (const raster::QuarterPixel& one : quarter) {
                    std::byte* const above = corner + one.y * row + one.x * pixel;
                    std::byte* const below = above + (b - std::int64_t{2} * one.y) * row;
                    const std::ptrdiff_t across = (a - std::int64_t{2} * one.x) * pixel;
                    write(above);
                    write(above + across);
                    write(below);
                    write(below + across);
                }
            });
        return true;
    }
    std::byte* const top = corner + a / 2 * pixel;
    std::byte* const left = corner + b / 2 * row;
    paint::with_pixel_writer(
        pixels, [&](const auto& write) __attribute__((always_inline)) {
            const QuarterPen columns{write, top, top + b * row, pixel, (a & 1) * pixel, row};
            raster::walk_ellipse_columns(a, b, columns);
            const QuarterPen rows{write, left, left + a * pixel, row, (b & 1) * row, pixel};
            raster::walk_ellipse_columns(b, a, rows);
        });
    return true;
}

// Paths of width 1 whose lines may share pixels: writing these again changes nothing. Each returns false,
// having painted nothing, where something else must do.

bool stroke_thin(std::span<const Point> points, bool closed, const raster::Pen& pen, const base::Clip& clip,
                 const paint::PlainPixels& pixels);
inline bool stroke_thin(const Line& line, const raster::Pen& pen, const base::Clip& clip,
                        const paint::PlainPixels& pixels) {
    return stroke_thin(std::array{line.from, line.to}, false, pen, clip, pixels);
}
inline bool stroke_thin(const Polyline& polyline, const raster::Pen& pen, const base::Clip& clip,
                        const paint::PlainPixels& pixels) {
    return stroke_thin(polyline.points, polyline.closed, pen, clip, pixels);
}

template <class S>
concept StrokedThin = requires(const S& shape, const raster::Pen& pen, const base::Clip& clip,
                               const paint::PlainPixels& pixels) {
    stroke_thin(shape, pen, clip, pixels);
};

template <class S, class Pixels = paint::PlainPixels>
concept FilledWhole = requires(const S& shape, const Box& clip, const Pixels& pixels) {
    fill_whole(shape, clip, pixels);
};
template <class S, class Pixels = paint::PlainPixels>
concept StrokedWhole = requires(const S& shape, const Box& clip, const Pixels& pixels) {
    stroke_whole(shape, clip, pixels);
};

} // namespace coldbrick::image
