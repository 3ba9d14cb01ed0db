/// @file
/// Where rasterising puts its spans: gathered in batches, so that neither side knows the other's type.
#pragma once

#include "raster/clip.hpp"

#include <coldbrick/span.hpp>

#include <algorithm>
#include <array>
#include <cstddef>
#include <cstdint>
#include <span>

namespace coldbrick::raster {

/// Cuts spans to a clip and hands them to a receiver in batches. Each shape gives every pixel at most once,
/// its rows in any order. The caller ends with flush().
class SpanSink {
  public:
    using Receive = void (*)(void* receiver, std::span<const Span> spans);

    SpanSink(const Clip& clip, void* receiver, Receive receive)
        : clip_(clip), receiver_(receiver), receive_(receive) {}

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

    /// A span that is not empty and lies in the clip.
    void add_visible(const Span& span) {
        if (count_ == spans_.size()) flush();
        spans_[count_++] = span;
    }

    void flush() {
        receive_(receiver_, std::span(spans_.data(), count_));
        count_ = 0;
    }

  private:
    Clip clip_;
    void* receiver_;
    Receive receive_;
    std::size_t count_ = 0;
    std::array<Span, 128> spans_; // left as it is: only what count_ covers is read
};

} // namespace coldbrick::raster
