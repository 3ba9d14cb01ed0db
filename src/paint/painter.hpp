/// @file
/// Spans and a colour become bytes.
#pragma once

#include "paint/pixel_pattern.hpp"

#include <coldbrick/colour.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/span.hpp>

#include <array>
#include <cstddef>
#include <cstdint>
#include <span>

namespace coldbrick::paint {

/// Where pixels lie in memory: pixel (x, y) begins at origin + y * row_stride_bytes + x * its format's bytes.
struct Surface {
    std::byte* origin;
    std::ptrdiff_t row_stride_bytes;
    PixelFormat format;
};

/// Paints spans in one colour onto a surface. The spans must lie on the surface.
class Painter {
  public:
    Painter(const Surface& surface, const Colour& colour);

    /// Paints each span once, over what is there.
    void paint(std::span<const Span> spans) const { (this->*paint_)(spans); }

    /// True if painting replaces pixels without reading them, so that pattern() is all there is to know.
    [[nodiscard]] bool opaque() const { return paint_ == &Painter::replace; }

    [[nodiscard]] const PixelPattern& pattern() const { return pattern_; }
    [[nodiscard]] const Surface& surface() const { return surface_; }

  private:
    using Paint = void (Painter::*)(std::span<const Span>) const;

    void leave(std::span<const Span>) const {}
    void replace(std::span<const Span> spans) const;
    void blend_opaque(std::span<const Span> spans) const;
    void blend_alpha(std::span<const Span> spans) const;
    void mix_bytes(std::byte* at, std::size_t count) const;
    [[nodiscard]] Paint choose(const PixelLayout& layout) const;
    [[nodiscard]] std::byte* address(const Span& span) const;
    [[nodiscard]] std::size_t byte_count(const Span& span) const;

    Surface surface_;
    Colour colour_;
    PixelPattern pattern_;
    Paint paint_;
    /// Each byte of the pattern times the colour's alpha: the source's share of a mixture.
    std::array<std::uint16_t, PixelPattern::period> weighted_{};
};

} // namespace coldbrick::paint
