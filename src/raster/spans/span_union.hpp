/// @file
/// The union of spans that may overlap, so that every pixel is given once.
#pragma once

#include "raster/spans/span_sink.hpp"

#include <algorithm>
#include <cstdint>
#include <vector>

namespace coldbrick::raster {

/// Gathers the spans of several parts of a shape, cut to a clip.
class SpanUnion {
  public:
    explicit SpanUnion(const base::Clip& clip) : sink_(clip, {this, gather}) {}

    /// Where the parts put their spans, in any order and as often as they like.
    [[nodiscard]] SpanSink& parts() { return sink_; }

    /// Gives the union of all spans so far, row by row and from left to right, and begins anew.
    void give(SpanSink& target);

  private:
    static void gather(void* self, std::span<const Span> spans);
    void sort_by_row();
    void sort_dense(std::int64_t top, std::size_t rows);
    void sort_sparse();

    std::vector<Span> spans_;
    std::vector<Span> sorted_;
    std::vector<std::size_t> row_ends_; ///< of each row with spans, and perhaps of others
    SpanSink sink_;
};

/// Adds the union of a shape's parts to a sink, band by band of rows, so that a shape of very many parts does
/// not hold all of their spans at once.
/// @param expected about how many spans all parts have in the sink's clip
/// @param add_parts adds the parts to the sink it is given, and passes by those outside its clip quickly
template <class AddParts>
void add_union(std::int64_t expected, SpanSink& sink, AddParts add_parts) {
    constexpr std::int64_t held_at_once = std::int64_t{1} << 19;
    const base::Clip& clip = sink.clip();
    const std::int64_t rows = clip.bottom - clip.top;
    const std::int64_t bands = std::clamp<std::int64_t>(expected / held_at_once + 1, 1, rows);
    const std::int64_t height = (rows + bands - 1) / bands;
    for (std::int64_t top = clip.top; top < clip.bottom; top += height) {
        SpanUnion all({clip.left, top, clip.right, std::min(top + height, clip.bottom)});
        add_parts(all.parts());
        all.give(sink);
    }
}

} // namespace coldbrick::raster
