/// @file
/// Spans and a colour become bytes.
#pragma once

#include "paint/pixel_codec.hpp"

#include <coldbrick/colour.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/span.hpp>

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
    enum class Mode : std::uint8_t {
        blend,   ///< source-over; a see-through colour mixes with what is there
        replace, ///< the colour takes the place of what is there, alpha included
    };

    Painter(const Surface& surface, const Colour& colour, Mode mode)
        : Painter(surface, colour, layout(surface.format), mode == Mode::replace || colour.alpha == 255) {}

    /// Paints each span once, over what is there.
    void paint(std::span<const Span> spans) const;

    /// True if painting replaces pixels without reading them, so that pixel() is all there is to know.
    [[nodiscard]] bool replaces() const { return replaces_; }

    /// The bytes of a painted pixel, the first one lowest.
    [[nodiscard]] std::uint64_t pixel() const { return pixel_; }
    [[nodiscard]] std::ptrdiff_t pixel_bytes() const { return pixel_bytes_; }
    [[nodiscard]] std::ptrdiff_t row_stride_bytes() const { return row_stride_bytes_; }

    /// Where a pixel of the surface lies.
    [[nodiscard]] std::byte* address(std::int32_t x, std::int32_t y) const {
        return origin_ + y * row_stride_bytes_ + x * pixel_bytes_;
    }

  private:
    /// What is mixed in over an opaque backdrop is the opaque colour: the result is opaque, too.
    Painter(const Surface& surface, const Colour& colour, const PixelLayout& layout, bool replaces)
        : origin_(surface.origin), row_stride_bytes_(surface.row_stride_bytes), pixel_bytes_(layout.bytes),
          pixel_(encode(replaces ? colour : Colour(colour.red, colour.green, colour.blue), layout)),
          layout_(&layout), colour_(colour), replaces_(replaces) {}

    void replace(std::span<const Span> spans) const;
    void replace_avx2(std::span<const Span> spans) const;
    void replace_narrow(std::span<const Span> spans) const;
    void blend(std::span<const Span> spans) const;
    [[nodiscard]] std::size_t byte_count(const Span& span) const {
        return static_cast<std::size_t>((span.x_end - span.x_begin) * pixel_bytes_);
    }

    std::byte* origin_;
    std::ptrdiff_t row_stride_bytes_;
    std::ptrdiff_t pixel_bytes_;
    std::uint64_t pixel_;
    const PixelLayout* layout_;
    Colour colour_;
    bool replaces_;
};

} // namespace coldbrick::paint
