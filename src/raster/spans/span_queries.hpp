/// @file
/// Questions about the pixels of a shape, answered by rasterising it.
#pragma once

#include "base/limits.hpp"
#include "raster/spans/span_sink.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/function_ref.hpp>
#include <coldbrick/point.hpp>

#include <vector>

namespace coldbrick::raster {

/// All pixels with 32-bit coordinates.
constexpr base::Clip everywhere{base::first_coordinate, base::first_coordinate, base::end_coordinate,
                                base::end_coordinate};

/// What adds a shape's spans to a sink.
using AddSpans = FunctionRef<void(SpanSink&)>;

/// True if a shape's spans have the pixel.
[[nodiscard]] bool shows(Point pixel, AddSpans add);

/// The tight box of a shape's pixels in a clip, empty if there are none. Takes as long as the shape has rows
/// there.
[[nodiscard]] Box tight_box(const base::Clip& clip, AddSpans add);

/// The spans of a shape in order.
[[nodiscard]] std::vector<Span> ordered_spans(const base::Clip& clip, AddSpans add);

} // namespace coldbrick::raster
