/// @file
/// Convex sets of pixels, as half-planes and as discs.
#pragma once

#include "base/exact_arithmetic.hpp"
#include "raster/spans/span_sink.hpp"

#include <coldbrick/point.hpp>

#include <cstddef>
#include <cstdint>
#include <span>

namespace coldbrick::raster {

/// The pixels (x, y) with a x + b y <= c; a and b are below base::steepest_slope in size.
struct HalfPlane {
    std::int64_t a;
    std::int64_t b;
    base::Int128 c;
};

constexpr std::size_t most_half_planes = 8;

/// Adds the pixels that lie in all of the half-planes, at most most_half_planes, among the rows [top,
/// bottom].
void add_convex(std::span<const HalfPlane> half_planes, base::Int128 top, base::Int128 bottom,
                SpanSink& sink);

/// Adds the pixels p with |q - centre| <= width / 2, where q is p for an odd width and p + (1/2, 1/2) for an
/// even one.
void add_disc(Point centre, std::int64_t width, SpanSink& sink);

} // namespace coldbrick::raster
