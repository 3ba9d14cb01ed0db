#include "raster/spans/span_queries.hpp"

#include "raster/spans/span_union.hpp"

#include <algorithm>
#include <span>

namespace coldbrick::raster {

bool shows(Point pixel, AddSpans add) {
    bool found = false;
    const SpanSink::Receiver note{&found, [](void* noted, std::span<const Span> spans) {
                                      *static_cast<bool*>(noted) |= !spans.empty();
                                  }};
    SpanSink::run(base::Clip::at(pixel), note, add);
    return found;
}

Box tight_box(const base::Clip& clip, AddSpans add) {
    base::Clip seen{clip.right, clip.bottom, clip.left, clip.top};
    const auto note = [](void* noted, std::span<const Span> spans) {
        auto& box = *static_cast<base::Clip*>(noted);
        for (const Span& span : spans)
            box = {std::min<std::int64_t>(box.left, span.x_begin), std::min<std::int64_t>(box.top, span.y),
                   std::max(box.right, span.x_end), std::max(box.bottom, std::int64_t{span.y} + 1)};
    };
    SpanSink::run(clip, {&seen, note}, add);
    if (seen.left >= seen.right) return {};
    return {seen.left, seen.top, seen.right - seen.left, seen.bottom - seen.top};
}

std::vector<Span> ordered_spans(const base::Clip& clip, AddSpans add) {
    std::vector<Span> result;
    SpanUnion all(clip);
    add(all.parts());
    const auto gather = [](void* gathered, std::span<const Span> spans) {
        auto& list = *static_cast<std::vector<Span>*>(gathered);
        list.insert(list.end(), spans.begin(), spans.end());
    };
    SpanSink::run(clip, {&result, gather}, [&all](SpanSink& sink) { all.give(sink); });
    return result;
}

} // namespace coldbrick::raster
