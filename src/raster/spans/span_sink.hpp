/// @file
/// Where rasterising puts its spans: gathered in batches, so that neither side knows the other's type.
#pragma once

#include "base/clip.hpp"
#include "base/mirrored_span.hpp"

#include <coldbrick/span.hpp>

#include <algorithm>
#include <array>
#include <cstdint>
#include <limits>
#include <span>

namespace coldbrick::raster {

/// Cuts spans to a clip and hands them to a receiver in batches. Each shape gives every pixel at most once,
/// its rows in any order. The caller ends with flush().
class SpanSink {
  public:
    using Receive = void (*)(void* receiver, std::span<const Span> spans);
    using ReceiveMirrored = void (*)(void* receiver, std::span<const base::MirroredSpan> spans);

    /// Longer than any run.
    static constexpr std::int64_t no_run = std::numeric_limits<std::int64_t>::max();

    /// @param receive_mirrored takes mirrored spans as they are; without it they come as spans, too
    /// @param long_run runs of so many pixels are handed on without waiting for others
    SpanSink(const base::Clip& clip, void* receiver, Receive receive,
             ReceiveMirrored receive_mirrored = nullptr, std::int64_t long_run = no_run)
        : clip_(clip), receiver_(receiver), receive_(receive), receive_mirrored_(receive_mirrored),
          long_run_(long_run) {
        next_ = spans_.data();
        next_mirrored_ = mirrored_.data();
    }

    /// Hands its spans on to another sink whose clip holds this one's.
    SpanSink(const base::Clip& clip, SpanSink& target)
        : SpanSink(
              clip, &target,
              [](void* other, std::span<const Span> spans) {
                  for (const Span& span : spans) static_cast<SpanSink*>(other)->add_visible(span);
              },
              [](void* other, std::span<const base::MirroredSpan> spans) {
                  for (const base::MirroredSpan& span : spans)
                      static_cast<SpanSink*>(other)->add_mirrored(span);
              }) {}
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
        if (next_ == spans_.data() + spans_.size() || span.x_end - span.x_begin >= long_run_) flush_spans();
    }

    /// Mirrored spans that lie in the clip.
    void add_mirrored(const base::MirroredSpan& span) {
        if (receive_mirrored_ == nullptr) return span.for_each([this](const Span& one) { add_visible(one); });
        *next_mirrored_++ = span;
        if (next_mirrored_ == mirrored_.data() + mirrored_.size() || span.length >= long_run_)
            flush_mirrored();
    }

    void flush() {
        if (next_ != spans_.data()) flush_spans();
        if (next_mirrored_ != mirrored_.data()) flush_mirrored();
    }

  private:
    void flush_spans() {
        receive_(receiver_, std::span(spans_.data(), next_));
        next_ = spans_.data();
    }

    void flush_mirrored() {
        receive_mirrored_(receiver_, std::span(mirrored_.data(), next_mirrored_));
        next_mirrored_ = mirrored_.data();
    }

    base::Clip clip_;
    void* receiver_;
    Receive receive_;
    ReceiveMirrored receive_mirrored_;
    std::int64_t long_run_;
    // What lies from the next ones on is left as it is.
    Span* next_;
    base::MirroredSpan* next_mirrored_;
    std::array<Span, 128> spans_;
    std::array<base::MirroredSpan, 64> mirrored_;
};

} // namespace coldbrick::raster
