/// @file
/// Spans and a paint become bytes.
#pragma once

#include "paint/blend.hpp"
#include "paint/surface.hpp"

#include <coldbrick/blend.hpp>
#include <coldbrick/paint.hpp>
#include <coldbrick/span.hpp>

#include <cstddef>
#include <cstdint>
#include <span>

namespace coldbrick::paint {

/// Paints spans with one paint onto a surface. The spans must lie on the surface, and the paint must outlive
/// the painter.
class Painter {
  public:
    Painter(const Surface& surface, const Paint& paint, const Blending& blending = {})
        : surface_(surface), paint_(&paint), blending_(blending),
          colour_(with_opacity(paint.plain_colour(), blending.opacity)) {
        choose_way();
    }

    /// Counts a pattern's coordinates from here.
    void set_pattern_origin(std::int64_t x, std::int64_t y) {
        pattern_x_ = x;
        pattern_y_ = y;
    }

    /// Paints each span once, over what is there.
    void paint(std::span<const Span> spans) const;

    /// True if painting replaces pixels without reading them, so that pixel() is all there is to know.
    [[nodiscard]] bool replaces() const { return way_ == Way::replace; }

    /// The bytes of a painted pixel.
    [[nodiscard]] const PixelBytes& pixel() const { return pixel_; }
    [[nodiscard]] const Surface& surface() const { return surface_; }

  private:
    enum class Way : std::uint8_t {
        nothing, ///< the paint is wholly see-through
        replace, ///< the same bytes everywhere
        mix,     ///< one see-through colour over bytes
        general,
    };
    void choose_way() {
        const BlendMode mode = blending_.mode;
        // Deep formats have an opacity in their own depth.
        const bool plain = paint_->pattern() == nullptr && surface_.mask.all() &&
                           (blending_.opacity == 255 || !surface_.codec.layout->is_deep());
        const bool over = mode == BlendMode::source_over;
        if (plain && over && colour_.alpha == 0)
            way_ = Way::nothing;
        else if (plain && (mode == BlendMode::copy || (over && colour_.alpha == 255)))
            use_pixel(Way::replace, colour_);
        else if (plain && over && surface_.codec.layout->kind == PixelLayout::Kind::bytes &&
                 surface_.contiguous())
            // Over an opaque backdrop the opaque colour is mixed in: the result is opaque, too.
            use_pixel(Way::mix, Colour(colour_.red, colour_.green, colour_.blue));
        else
            use_deep_pixel();
    }
    void use_pixel(Way way, const Colour& colour) {
        way_ = way;
        pixel_ = surface_.codec.pixel(colour);
    }
    void use_deep_pixel();

    void replace(std::span<const Span> spans) const;
    void replace_avx2(std::span<const Span> spans) const;
    void replace_narrow(std::span<const Span> spans) const;
    void replace_scattered(std::span<const Span> spans) const;
    void mix(std::span<const Span> spans) const;
    void composite_all(std::span<const Span> spans) const;
    [[nodiscard]] std::size_t byte_count(const Span& span) const {
        return static_cast<std::size_t>((span.x_end - span.x_begin) * surface_.pixel_stride_bytes);
    }

    Surface surface_;
    const Paint* paint_;
    Blending blending_;
    Colour colour_; ///< with the opacity
    Way way_ = Way::general;
    PixelBytes pixel_{};
    std::int64_t pattern_x_ = 0;
    std::int64_t pattern_y_ = 0;
};

} // namespace coldbrick::paint
