// The union of spans, dense and sparse, band by band, against a set of pixels.

#include "raster/spans/span_queries.hpp"
#include "raster/spans/span_union.hpp"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <limits>
#include <set>
#include <utility>

namespace coldbrick::raster {

namespace {

using Pixels = std::set<std::pair<std::int32_t, std::int64_t>>;

/// The pixels of spans, which must be in order and given once.
Pixels pixels_of(const std::vector<Span>& spans) {
    Pixels result;
    for (std::size_t i = 0; i < spans.size(); ++i) {
        const bool follows = i == 0 || spans[i].y > spans[i - 1].y || spans[i].x_begin > spans[i - 1].x_end;
        RC_ASSERT(follows);
        for (std::int64_t x = spans[i].x_begin; x < spans[i].x_end; ++x) result.insert({spans[i].y, x});
    }
    return result;
}

} // namespace

RC_GTEST_PROP(SpanUnion, GivesEachPixelOnceInOrder, ()) {
    const base::Clip clip{-20, -20, 30, 30};
    const bool far_apart = *rc::gen::arbitrary<bool>();
    const base::Clip wide{-20, std::numeric_limits<std::int32_t>::min(), 30, base::end_coordinate};
    std::vector<Span> parts;
    Pixels expected;
    for (int i = *rc::gen::inRange(0, 60); i > 0; --i) {
        const auto y = *rc::gen::inRange(-25, 35);
        const auto x = *rc::gen::inRange(-25, 35);
        const std::int64_t end = x + *rc::gen::inRange(0, 12);
        parts.push_back({far_apart ? y * 60000000 : y, x, end});
        const bool shown = far_apart || (y >= clip.top && y < clip.bottom);
        for (std::int64_t column = std::max<std::int64_t>(x, -20);
             shown && column < std::min<std::int64_t>(end, 30); ++column)
            expected.insert({parts.back().y, column});
    }
    const base::Clip& used = far_apart ? wide : clip;
    const auto add = [&](SpanSink& sink) {
        for (const Span& span : parts)
            if (span.y >= sink.clip().top && span.y < sink.clip().bottom)
                sink.add(span.y, span.x_begin, span.x_end);
    };
    RC_ASSERT(pixels_of(ordered_spans(used, add)) == expected);
    // As many bands as rows, if so many spans are expected.
    const std::int64_t expected_spans = *rc::gen::element<std::int64_t>(0, 1 << 20, std::int64_t{1} << 30);
    if (!far_apart) {
        const auto in_bands = [&](SpanSink& sink) { add_union(expected_spans, sink, add); };
        RC_ASSERT(pixels_of(ordered_spans(used, in_bands)) == expected);
    }
}

TEST(SpanUnion, RowsAtBothEndsOfTheDomainTakeMemoryForThemselvesOnly) {
    constexpr std::int32_t first = std::numeric_limits<std::int32_t>::min();
    constexpr std::int32_t last = std::numeric_limits<std::int32_t>::max();
    const std::vector<Span> spans = ordered_spans(everywhere, [](SpanSink& sink) {
        sink.add(last, 5, 6);
        sink.add(first, first, base::end_coordinate);
        sink.add(0, -1, 1);
        sink.add(0, 1, 3);
    });
    EXPECT_EQ(spans, (std::vector<Span>{{first, first, base::end_coordinate}, {0, -1, 3}, {last, 5, 6}}));
}

} // namespace coldbrick::raster
