/// @file
/// Where rasterising puts its spans: gathered in batches, so that neither side knows the other's type.
#pragma once

#include "raster/clip.hpp"

#include <coldbrick/span.hpp>

#include <algorithm>
#include <array>
#include <cstdint>
#include <span>

namespace coldbrick::raster {

/// Cuts spans to a clip and hands them to a receiver in batches. Each shape gives every pixel at most once,
/// its rows in any order. The caller ends with flush().
class SpanSink {
  public:
    using Receive = void (*)(void* receiver, std::span<const Span> spans);

    SpanSink(const Clip& clip, void* receiver, Receive receive)
        : clip_(clip), receiver_(receiver), receive_(receive) {
        next_ = spans_.data();
    }

    /// Hands its spans on to another sink whose clip holds this one's.
    SpanSink(const Clip& clip, SpanSink& target)
        : SpanSink(clip, &target, [](void* other, std::span<const Span> spans) {
              for (const Span& span : spans) static_cast<SpanSink*>(other)->add_visible(span);
          }) {}
    SpanSink(const SpanSink&) = delete;
    SpanSink& operator=(const SpanSink&) = delete;
    ~SpanSink() = default;

    [[nodiscard]] const Clip& clip() const { return clip_; }

    /// The columns [x_begin, x_end) of a row that lies in the clip; what lies outside the clip is cut off,
    /// and an empty run is nothing.
    void add(std::int32_t y, std::int64_t x_begin, std::int64_t x_end) {
        const auto begin = std::max(x_begin, clip_.left);
        const auto end = std::min(x_end, clip_.right);
        if (begin < end) add_visible({y, static_cast<std::int32_t>(begin), end});
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
        if (next_ == spans_.data() + spans_.size() || is_long(span)) flush();
    }

    /// Two such spans, of the same columns.
    void add_visible(const Span& first, const Span& second) {
        if (next_ >= spans_.data() + spans_.size() - 1) flush();
        next_[0] = first;
        next_[1] = second;
        next_ += 2;
        if (is_long(first)) flush();
    }

    void flush() {
        if (next_ == spans_.data()) return;
        receive_(receiver_, std::span(spans_.data(), next_));
        next_ = spans_.data();
    }

  private:
    /// While the processor writes long spans to memory, the next ones are worked out: they do not wait for
    /// others.
    static bool is_long(const Span& span) { return span.x_end - span.x_begin >= 512; }

    Clip clip_;
    void* receiver_;
    Receive receive_;
    Span* next_;
    std::array<Span, 128> spans_; // left as it is: only what lies before next_ is read
};

} // namespace coldbrick::raster
