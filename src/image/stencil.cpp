#include <coldbrick/stencil.hpp>

#include "image/draw_pipeline.hpp"
#include "image/stencil_checks.hpp"

#include <coldbrick/error.hpp>

#include <algorithm>
#include <cstring>

namespace coldbrick {

namespace {

/// Where a run of coverages from `begin` on ends. @param belongs tells whether a coverage goes on with it
template <class Belongs>
std::size_t end_of_run(std::span<const std::uint8_t> coverages, std::size_t begin, Belongs belongs) {
    while (begin < coverages.size() && belongs(coverages[begin])) ++begin;
    return begin;
}

std::size_t end_of_bare(std::span<const std::uint8_t> coverages, std::size_t begin) {
    std::uint64_t eight = 0;
    for (; begin + sizeof eight <= coverages.size(); begin += sizeof eight) {
        std::memcpy(&eight, coverages.data() + begin, sizeof eight);
        if (eight != 0) break;
    }
    return end_of_run(coverages, begin, [](std::uint8_t coverage) { return coverage == 0; });
}

std::span<const std::uint8_t> coverages_of_row(const Stencil& stencil, std::int32_t row) {
    const auto bytes = stencil.coverage->view().row(row);
    return {reinterpret_cast<const std::uint8_t*>(bytes.data()), bytes.size()};
}

/// @param x the column of the first coverage
void add_row(std::int32_t y, std::int64_t x, std::span<const std::uint8_t> coverages,
             raster::SpanSink& sink) {
    constexpr std::uint8_t whole = 255;
    constexpr std::size_t most_at_once = 256; // of the sink
    for (std::size_t at = end_of_bare(coverages, 0); at < coverages.size();) {
        const auto column = x + static_cast<std::int64_t>(at);
        std::size_t end = end_of_run(coverages, at, [](std::uint8_t coverage) { return coverage == whole; });
        if (end > at) {
            sink.add(y, column, x + static_cast<std::int64_t>(end));
        } else {
            end = end_of_run(coverages.first(std::min(at + most_at_once, coverages.size())), at,
                             [](std::uint8_t coverage) { return coverage != 0 && coverage != whole; });
            sink.add_coverages(y, column, coverages.subspan(at, end - at));
        }
        at = end_of_bare(coverages, end);
    }
}

} // namespace

namespace image {

void check(const Stencil& stencil) {
    if (stencil.coverage->format() != PixelFormat::gray8)
        throw ArgumentError(fmt::format("a stencil has the format {}; its coverages are those of gray8",
                                        layout(stencil.coverage->format()).name));
}

} // namespace image

void draw(const ImageView& view, const Stencil& stencil, const Paint& paint, const Blending& blending) {
    image::check(stencil);
    image::check(blending, view.format());
    const base::Clip clip = image::clip_of(view);
    const Box box = stencil.bounds();
    const auto top = std::max(box.y, clip.top);
    const auto bottom = std::min(box.end_y(), clip.bottom);
    const auto left = std::max(box.x, clip.left);
    const auto right = std::min(box.end_x(), clip.right);
    if (top >= bottom || left >= right) return;
    image::SpanPainter painter(view, paint, blending);
    painter.place_pattern(stencil.pattern_origin.value_or(stencil.top_left));
    painter.paint_spans([&](raster::SpanSink& sink) {
        for (std::int64_t y = top; y < bottom; ++y) {
            const auto coverages = coverages_of_row(stencil, static_cast<std::int32_t>(y - box.y));
            add_row(static_cast<std::int32_t>(y), left,
                    coverages.subspan(static_cast<std::size_t>(left - box.x),
                                      static_cast<std::size_t>(right - left)),
                    sink);
        }
    });
}

Region region(const Stencil& stencil) {
    image::check(stencil);
    std::vector<Span> spans;
    const Box box = stencil.bounds();
    base::check_range("stencil's last row", box.end_y() - 1, base::first_coordinate, base::last_coordinate);
    for (std::int32_t y = 0; y < stencil.coverage->height(); ++y) {
        const auto coverages = coverages_of_row(stencil, y);
        for (std::size_t at = end_of_bare(coverages, 0); at < coverages.size();) {
            const std::size_t end =
                end_of_run(coverages, at, [](std::uint8_t coverage) { return coverage != 0; });
            spans.push_back({static_cast<std::int32_t>(box.y + y),
                             static_cast<std::int32_t>(box.x + static_cast<std::int64_t>(at)),
                             box.x + static_cast<std::int64_t>(end)});
            at = end_of_bare(coverages, end);
        }
    }
    return Region(std::move(spans));
}

} // namespace coldbrick
