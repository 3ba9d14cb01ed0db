/// @file
/// Rows one below the other.
#pragma once

#include "raster/spans/span_sink.hpp"

#include <cstdint>

namespace coldbrick::raster {

/// The rows [first, end), in pixels.
struct RowRange {
    std::int64_t first;
    std::int64_t end;
};

/// Adds row_of(y) for the rows of a range.
template <class RowOf>
void add_rows(const RowRange& range, RowOf row_of, SpanSink& sink) {
    for (std::int64_t y = range.first; y < range.end; ++y) row_of(y).give(y, sink);
}

} // namespace coldbrick::raster
