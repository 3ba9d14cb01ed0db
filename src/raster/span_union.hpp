/// @file
/// The union of spans that may overlap, so that every pixel is given once.
#pragma once

#include "raster/span_sink.hpp"

#include <vector>

namespace coldbrick::raster {

/// Gathers the spans of several parts of a shape, cut to a clip.
class SpanUnion {
  public:
    explicit SpanUnion(const Clip& clip) : sink_(clip, this, gather) {}

    /// Where the parts put their spans, in any order and as often as they like.
    [[nodiscard]] SpanSink& parts() { return sink_; }

    /// Gives the union of all spans so far, row by row and from left to right, and begins anew.
    void give(SpanSink& target);

  private:
    static void gather(void* self, std::span<const Span> spans);
    void sort_by_row();

    std::vector<Span> spans_;
    std::vector<Span> sorted_;
    std::vector<std::size_t> row_ends_;
    SpanSink sink_;
};

} // namespace coldbrick::raster
