#include <coldbrick/stencil.hpp>

#include "image/drawing/span_painter.hpp"
#include "image/drawing/stencil_checks.hpp"
#include "image/drawing/style_checks.hpp"

#include <coldbrick/error.hpp>

#include <algorithm>
#include <array>
#include <cstring>
#include <utility>

namespace coldbrick {

namespace {

constexpr std::uint8_t whole = 255;

/// Where the first coverage from a place on is that is something else than `value`.
std::size_t end_of(std::uint8_t value, std::span<const std::uint8_t> coverages, std::size_t at) {
    std::uint64_t eight = 0;
    const std::uint64_t pattern = value * std::uint64_t{0x0101010101010101};
    for (; at + sizeof eight <= coverages.size(); at += sizeof eight) {
        std::memcpy(&eight, coverages.data() + at, sizeof eight);
        if (eight != pattern) break;
    }
    while (at < coverages.size() && coverages[at] == value) ++at;
    return at;
}

/// Where coverages from a place on are bare again.
std::size_t end_of_covered(std::span<const std::uint8_t> coverages, std::size_t at) {
    while (at < coverages.size() && coverages[at] != 0) ++at;
    return at;
}

/// Where covered pixels begin that are all covered wholly, so many that a span is worth it; the end if they
/// do not.
std::size_t begin_of_whole(std::span<const std::uint8_t> covered, std::size_t at) {
    constexpr std::size_t long_run = 4;
    for (; at + long_run <= covered.size(); ++at) {
        const std::size_t end = end_of(whole, covered.first(at + long_run), at);
        if (end == at + long_run) return at;
        at = end;
    }
    return covered.size();
}

std::span<const std::uint8_t> coverages_of_row(const Stencil& stencil, std::int32_t row) {
    const auto bytes = stencil.coverage->view().row(row);
    return {reinterpret_cast<const std::uint8_t*>(bytes.data()), bytes.size()};
}

/// Hands the covered pixels of rows to a painter, in batches, as they lie in memory.
class RowPainter {
  public:
    explicit RowPainter(const paint::Painter& painter) : painter_(painter) {}

    /// @param x the column of the first coverage
    void add(std::int32_t y, std::int64_t x, std::span<const std::uint8_t> coverages) {
        for (std::size_t at = end_of(0, coverages, 0); at < coverages.size(); at = end_of(0, coverages, at)) {
            const auto covered = coverages.first(end_of_covered(coverages, at));
            while (at < covered.size()) {
                const std::size_t begin = begin_of_whole(covered, at);
                if (begin > at) add_partial(span(y, x, at, begin), covered.data() + at);
                at = end_of(whole, covered, begin);
                if (at > begin) add_whole(span(y, x, begin, at));
            }
        }
    }

    void flush() {
        flush_whole();
        flush_partial();
    }

  private:
    static Span span(std::int32_t y, std::int64_t x, std::size_t begin, std::size_t end) {
        return {y, static_cast<std::int32_t>(x + static_cast<std::int64_t>(begin)),
                x + static_cast<std::int64_t>(end)};
    }

    void add_whole(const Span& one) {
        whole_[whole_count_++] = one;
        if (whole_count_ == whole_.size()) flush_whole();
    }
    void add_partial(const Span& one, const std::uint8_t* coverages) {
        partial_[partial_count_++] = {one, coverages};
        if (partial_count_ == partial_.size()) flush_partial();
    }
    void flush_whole() {
        painter_.paint(std::span<const Span>(whole_.data(), std::exchange(whole_count_, 0)));
    }
    void flush_partial() {
        painter_.paint(
            std::span<const base::CoverageSpan>(partial_.data(), std::exchange(partial_count_, 0)));
    }

    const paint::Painter& painter_;
    std::size_t whole_count_ = 0;
    std::size_t partial_count_ = 0;
    // Entries from the next ones on are uninitialised.
    std::array<Span, 128> whole_;
    std::array<base::CoverageSpan, 128> partial_;
};

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
    RowPainter rows(painter.painter());
    for (std::int64_t y = top; y < bottom; ++y) {
        const auto coverages = coverages_of_row(stencil, static_cast<std::int32_t>(y - box.y));
        rows.add(static_cast<std::int32_t>(y), left,
                 coverages.subspan(static_cast<std::size_t>(left - box.x),
                                   static_cast<std::size_t>(right - left)));
    }
    rows.flush();
}

Region region(const Stencil& stencil) {
    image::check(stencil);
    std::vector<Span> spans;
    const Box box = stencil.bounds();
    base::check_range("stencil's last row", box.end_y() - 1, base::first_coordinate, base::last_coordinate);
    for (std::int32_t y = 0; y < stencil.coverage->height(); ++y) {
        const auto coverages = coverages_of_row(stencil, y);
        for (std::size_t at = end_of(0, coverages, 0); at < coverages.size(); at = end_of(0, coverages, at)) {
            const std::size_t begin = at;
            at = end_of_covered(coverages, at);
            spans.push_back({static_cast<std::int32_t>(box.y + y),
                             static_cast<std::int32_t>(box.x + static_cast<std::int64_t>(begin)),
                             box.x + static_cast<std::int64_t>(at)});
        }
    }
    return Region(std::move(spans));
}

} // namespace coldbrick
