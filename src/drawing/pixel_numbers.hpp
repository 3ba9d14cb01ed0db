/// @file
/// Numbers of items by pixels.
#pragma once

#include "drawing/zeroed_memory.hpp"

#include <coldbrick/box.hpp>
#include <coldbrick/span.hpp>

#include <cstddef>
#include <cstdint>

namespace coldbrick::drawing {

/// A number a pixel of a view's clip.
class PixelNumbers {
  public:
    explicit PixelNumbers(const Box& clip)
        : clip_(clip),
          numbers_(static_cast<std::size_t>(clip.width) * static_cast<std::size_t>(clip.height)) {}

    /// Of a span's first pixel, those to its right following.
    [[nodiscard]] std::int32_t* at(const Span& span) { return numbers_.data() + place(span); }
    [[nodiscard]] const std::int32_t* at(const Span& span) const { return numbers_.data() + place(span); }

  private:
    [[nodiscard]] std::ptrdiff_t place(const Span& span) const {
        return (span.y - clip_.y) * clip_.width + (span.x_begin - clip_.x);
    }

    Box clip_;
    ZeroedMemory<std::int32_t> numbers_;
};

} // namespace coldbrick::drawing
