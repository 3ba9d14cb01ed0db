/// @file
/// Spans and a paint become bytes.
#pragma once

#include "base/coverage_span.hpp"
#include "base/mirrored_span.hpp"
#include "paint/blending/composite_colour.hpp"
#include "paint/blending/constant_blend.hpp"
#include "paint/formats/surface.hpp"
#include "paint/patterns/pattern_sampler.hpp"
#include "paint/writers/plain_pixels.hpp"

#include <coldbrick/blend.hpp>
#include <coldbrick/paint.hpp>
#include <coldbrick/span.hpp>

#include <cstddef>
#include <cstdint>
#include <memory>
#include <optional>
#include <span>

namespace coldbrick::paint {

/// Paints spans with one paint onto a surface. The spans must lie on the surface, and the paint must outlive
/// the painter.
class Painter {
  public:
    Painter(const Surface& surface, const Paint& paint, const Blending& blending = {})
        : surface_(surface), paint_(&paint), blending_(blending) {
        // Most draw calls come here with an opaque colour, and some for a few pixels only.
        const auto* const colour = paint.colour<Colour>();
        if (colour != nullptr && colour->alpha == 255 && surface.mask.all() && blending == Blending{})
            use_pixel(Way::replace, *colour);
        else
            choose_way();
    }

    /// Counts a pattern's coordinates from here.
    void set_pattern_origin(std::int64_t x, std::int64_t y) {
        pattern_x_ = x;
        pattern_y_ = y;
    }

    /// Paints each span once, over what is there.
    void paint(std::span<const Span> spans) const;
    void paint(std::span<const base::MirroredSpan> spans) const;
    void paint(std::span<const base::CoverageSpan> spans) const;

    /// True if painting replaces pixels without reading them.
    [[nodiscard]] bool replaces() const { return way_ == Way::replace; }

    /// What it does, if it replaces pixels of up to four bytes; else of no bytes.
    [[nodiscard]] PlainPixels plain_pixels() const;

  private:
    enum class Way : std::uint8_t {
        nothing, ///< the paint is wholly see-through
        replace, ///< the same bytes everywhere
        mix,     ///< one see-through colour over bytes
        general,
    };
    void choose_way();
    void use_pixel(Way way, const Colour& colour) {
        way_ = way;
        pixel_ = surface_.codec.pixel(colour);
    }
    void use_constant_blend(const Colour& colour);
    void use_deep_pixel();

    // Each a function of its own, so that a call for a few short spans passes through no more than it needs.
    template <std::size_t Width, class Spans>
    [[gnu::always_inline]] void replace_by(const Spans& spans) const;
    template <class Spans>
    [[gnu::noinline]] void replace_wide(const Spans& spans) const;
    template <class Spans>
    [[gnu::noinline]] void replace_narrow(const Spans& spans) const;
    [[gnu::noinline]] void replace_scattered(std::span<const Span> spans) const;
    [[gnu::noinline]] void mix(std::span<const Span> spans) const;
    [[gnu::noinline]] void composite_all(std::span<const Span> spans) const;
    template <class Work>
    void with_colours(const Work& work) const;
    template <std::size_t Bytes>
    void lay_over(const Colour& colour, std::span<const base::CoverageSpan> spans) const;
    [[nodiscard]] const Colour* colour_over_bytes() const;

    Surface surface_;
    const Paint* paint_;
    Blending blending_;
    Way way_ = Way::general;
    PixelBytes pixel_{};
    std::int64_t pattern_x_ = 0;
    std::int64_t pattern_y_ = 0;
    std::optional<ConstantBlend> blend_;      ///< if the way is to mix
    std::optional<PatternSampler> sampler_;   ///< if the paint is a pattern
    std::unique_ptr<NearestEntries> nearest_; ///< if entries of a palette are looked for
};

} // namespace coldbrick::paint
