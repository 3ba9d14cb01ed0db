/// @file
/// Where rasterising puts its spans: gathered in batches, so that neither side knows the other's type.
#pragma once

#include "base/clip.hpp"
#include "base/contract.hpp"
#include "base/coverage_span.hpp"
#include "base/mirrored_span.hpp"

#include <coldbrick/span.hpp>

#include <algorithm>
#include <array>
#include <cstddef>
#include <cstdint>
#include <cstring>
#include <limits>
#include <span>

namespace coldbrick::raster {

/// Cuts spans to a clip and hands them to a receiver in batches. Each shape gives every pixel at most once,
/// its rows in any order. Sinks are made by run(), which sees to the last batch.
class SpanSink {
  public:
    /// Who takes the spans.
    struct Receiver {
        void* object;
        void (*take)(void* object, std::span<const Span> spans);
        /// Takes mirrored spans as they are; without it they come as spans, too.
        void (*take_mirrored)(void* object, std::span<const base::MirroredSpan> spans) = nullptr;
        /// Runs of so many pixels are handed on without waiting for others.
        std::int64_t long_run = no_run;
        /// Takes pixels that are covered in part; without it they come as spans, too.
        void (*take_coverage)(void* object, std::span<const base::CoverageSpan> spans) = nullptr;
    };

    /// Longer than any run.
    static constexpr std::int64_t no_run = std::numeric_limits<std::int64_t>::max();

    /// Calls add(sink), which adds spans to a sink, and hands all of them to the receiver.
    template <class Add>
    static void run(const base::Clip& clip, const Receiver& receiver, Add add) {
        SpanSink sink(clip, receiver);
        add(sink);
        sink.flush();
    }

    /// The same with the part of another sink's clip.
    template <class Add>
    static void run_within(const base::Clip& clip, SpanSink& target, Add add) {
        const Receiver onward{&target,
                              [](void* other, std::span<const Span> spans) {
                                  for (const Span& span : spans)
                                      static_cast<SpanSink*>(other)->add_visible(span);
                              },
                              [](void* other, std::span<const base::MirroredSpan> spans) {
                                  for (const base::MirroredSpan& span : spans)
                                      static_cast<SpanSink*>(other)->add_mirrored(span);
                              }};
        run(clip, onward, add);
    }

    SpanSink(const SpanSink&) = delete;
    SpanSink& operator=(const SpanSink&) = delete;
    ~SpanSink() = default;

    [[nodiscard]] const base::Clip& clip() const { return clip_; }

    /// The columns [x_begin, x_end) of a row that lies in the clip; what lies outside the clip is cut off,
    /// and an empty run is nothing.
    void add(std::int32_t y, std::int64_t x_begin, std::int64_t x_end) {
        add_rows(y, std::int64_t{y} + 1, x_begin, x_end);
    }

    /// The same columns of the rows [y_begin, y_end), which lie in the clip.
    void add_rows(std::int64_t y_begin, std::int64_t y_end, std::int64_t x_begin, std::int64_t x_end) {
        const auto begin = std::max(x_begin, clip_.left);
        const auto end = std::min(x_end, clip_.right);
        if (begin >= end) return;
        for (std::int64_t y = y_begin; y < y_end; ++y)
            add_visible({static_cast<std::int32_t>(y), static_cast<std::int32_t>(begin), end});
    }

    /// A span that is not empty and lies in the clip.
    void add_visible(const Span& span) {
        *next_++ = span;
        if (next_ == spans_.data() + spans_.size() || span.x_end - span.x_begin >= receiver_.long_run)
            flush_spans();
    }

    /// Mirrored spans that lie in the clip.
    void add_mirrored(const base::MirroredSpan& span) {
        if (receiver_.take_mirrored == nullptr)
            return span.for_each([this](const Span& one) { add_visible(one); });
        *next_mirrored_++ = span;
        if (next_mirrored_ == mirrored_.data() + mirrored_.size() || span.length >= receiver_.long_run)
            flush_mirrored();
    }

    /// Pixels of a row in the clip from a column on, each covered by a number of its own, 1..255, at most
    /// 256.
    void add_coverages(std::int32_t y, std::int64_t x, std::span<const std::uint8_t> coverages) {
        const std::int64_t end = x + static_cast<std::int64_t>(coverages.size());
        if (receiver_.take_coverage == nullptr) return add_visible({y, static_cast<std::int32_t>(x), end});
        if (coverages.size() > coverages_.size() - coverage_count_ || partial_count_ == partial_.size())
            flush_coverage();
        std::uint8_t* const at = coverages_.data() + coverage_count_;
        for (std::size_t i = 0; i < coverages.size(); ++i) at[i] = coverages[i];
        partial_[partial_count_++] = {{y, static_cast<std::int32_t>(x), end}, at};
        coverage_count_ += coverages.size();
    }

    /// A pixel in the clip that is covered in part.
    void add_coverage(std::int32_t y, std::int64_t x, std::uint8_t coverage) {
        if (receiver_.take_coverage == nullptr || coverage_count_ == coverages_.size() ||
            partial_count_ == partial_.size())
            return add_coverage(y, x, x + 1, coverage);
        base::CoverageSpan* const last = partial_.data() + partial_count_;
        coverages_[coverage_count_] = coverage;
        if (partial_count_ > 0 && last[-1].span.x_end == x && last[-1].span.y == y) {
            ++last[-1].span.x_end;
        } else {
            *last = {{y, static_cast<std::int32_t>(x), x + 1}, coverages_.data() + coverage_count_};
            ++partial_count_;
        }
        ++coverage_count_;
    }

    /// The columns [x_begin, x_end), not none, of a row, all in the clip, covered alike: 1..255.
    void add_coverage(std::int32_t y, std::int64_t x_begin, std::int64_t x_end, std::uint8_t coverage) {
        if (receiver_.take_coverage == nullptr)
            return add_visible({y, static_cast<std::int32_t>(x_begin), x_end});
        while (x_begin < x_end) {
            const std::size_t room = coverages_.size() - coverage_count_;
            if (room == 0 || partial_count_ == partial_.size()) {
                flush_coverage();
                continue;
            }
            const auto count = std::min(static_cast<std::size_t>(x_end - x_begin), room);
            std::memset(coverages_.data() + coverage_count_, coverage, count);
            const std::int64_t end = x_begin + static_cast<std::int64_t>(count);
            if (partial_count_ > 0 && partial_[partial_count_ - 1].span.y == y &&
                partial_[partial_count_ - 1].span.x_end == x_begin)
                partial_[partial_count_ - 1].span.x_end = end;
            else
                partial_[partial_count_++] = {{y, static_cast<std::int32_t>(x_begin), end},
                                              coverages_.data() + coverage_count_};
            coverage_count_ += count;
            x_begin = end;
        }
    }

  private:
    friend class SpanUnion; // which sees to the last batch itself

    SpanSink(const base::Clip& clip, const Receiver& receiver) : clip_(clip), receiver_(receiver) {
        next_ = spans_.data();
        next_mirrored_ = mirrored_.data();
        COLDBRICK_ASSERT(!clip.empty());
    }

    void flush() {
        if (next_ != spans_.data()) flush_spans();
        if (next_mirrored_ != mirrored_.data()) flush_mirrored();
        if (partial_count_ != 0) flush_coverage();
    }

    void flush_coverage() {
        const std::size_t count = partial_count_;
        partial_count_ = coverage_count_ = 0;
        receiver_.take_coverage(receiver_.object, std::span(partial_.data(), count));
    }

    void flush_spans() {
        Span* const end = next_;
        next_ = spans_.data();
        receiver_.take(receiver_.object, std::span(spans_.data(), end));
    }

    void flush_mirrored() {
        base::MirroredSpan* const end = next_mirrored_;
        next_mirrored_ = mirrored_.data();
        receiver_.take_mirrored(receiver_.object, std::span(mirrored_.data(), end));
    }

    base::Clip clip_;
    Receiver receiver_;
    Span* next_;
    base::MirroredSpan* next_mirrored_;
    std::size_t partial_count_ = 0;
    std::size_t coverage_count_ = 0;
    // Entries from the next ones on are uninitialised.
    std::array<Span, 128> spans_;
    std::array<base::MirroredSpan, 64> mirrored_;
    std::array<base::CoverageSpan, 128> partial_;
    std::array<std::uint8_t, 1024> coverages_;
};

} // namespace coldbrick::raster
