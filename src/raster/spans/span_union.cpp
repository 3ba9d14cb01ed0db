#include "raster/spans/span_union.hpp"

#include <algorithm>

namespace coldbrick::raster {

void SpanUnion::gather(void* self, std::span<const Span> spans) {
    auto& gathered = static_cast<SpanUnion*>(self)->spans_;
    gathered.insert(gathered.end(), spans.begin(), spans.end());
}

void SpanUnion::sort_by_row() {
    const auto [first, last] = std::ranges::minmax(spans_, {}, &Span::y);
    const std::int64_t top = first.y;
    const auto rows = static_cast<std::size_t>(last.y - top + 1);
    // Rows are few and dense but where parts lie far from each other: memory follows the spans.
    if (rows <= 8 * spans_.size() + 64)
        sort_dense(top, rows);
    else
        sort_sparse();
}

/// A counting sort.
void SpanUnion::sort_dense(std::int64_t top, std::size_t rows) {
    row_ends_.assign(rows + 1, 0);
    const auto row_of = [top](const Span& span) { return static_cast<std::size_t>(span.y - top); };
    for (const Span& span : spans_) ++row_ends_[row_of(span) + 1];
    for (std::size_t row = 1; row < row_ends_.size(); ++row) row_ends_[row] += row_ends_[row - 1];
    sorted_.resize(spans_.size());
    for (const Span& span : spans_) sorted_[row_ends_[row_of(span)]++] = span;
    row_ends_.pop_back(); // each row's start has moved to its end
}

void SpanUnion::sort_sparse() {
    sorted_ = spans_;
    std::ranges::sort(sorted_, {}, &Span::y);
    row_ends_.clear();
    for (std::size_t i = 1; i <= sorted_.size(); ++i)
        if (i == sorted_.size() || sorted_[i].y != sorted_[i - 1].y) row_ends_.push_back(i);
}

void SpanUnion::give(SpanSink& target) {
    sink_.flush();
    if (spans_.empty()) return;
    sort_by_row();
    auto row_begin = sorted_.begin();
    for (const std::size_t row_end : row_ends_) {
        const auto end = sorted_.begin() + static_cast<std::ptrdiff_t>(row_end);
        if (row_begin == end) continue;
        std::sort(row_begin, end, [](const Span& a, const Span& b) { return a.x_begin < b.x_begin; });
        Span run = *row_begin;
        for (const Span& span : std::span(row_begin, end)) {
            if (span.x_begin > run.x_end) {
                target.add_visible(run);
                run = span;
            }
            run.x_end = std::max(run.x_end, span.x_end);
        }
        target.add_visible(run);
        row_begin = end;
    }
    spans_.clear();
}

} // namespace coldbrick::raster
