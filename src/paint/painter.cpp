#include "paint/painter.hpp"

#include "paint/blend.hpp"
#include "paint/pixel_codec.hpp"

namespace coldbrick::paint {

namespace {

/// The pattern of a colour as it is mixed in: over an opaque backdrop the result is opaque.
PixelPattern opaque_pattern(const Surface& surface, Colour colour) {
    std::array<std::byte, 16> pixel{};
    colour.alpha = 255;
    const PixelLayout& format = layout(surface.format);
    encode(colour, format, pixel.data());
    return {pixel.data(), static_cast<std::size_t>(format.bytes)};
}

} // namespace

Painter::Painter(const Surface& surface, const Colour& colour)
    : surface_(surface), colour_(colour), pattern_(opaque_pattern(surface, colour)),
      paint_(choose(layout(surface.format))) {
    if (paint_ == &Painter::replace)
        return;
    for (std::size_t i = 0; i < weighted_.size(); ++i)
        weighted_[i] =
            static_cast<std::uint16_t>(std::to_integer<unsigned>(pattern_.bytes()[i]) * colour.alpha);
}

Painter::Paint Painter::choose(const PixelLayout& layout) const {
    if (colour_.alpha == 255)
        return &Painter::replace;
    if (colour_.alpha == 0)
        return &Painter::leave;
    return layout.has_alpha() ? &Painter::blend_alpha : &Painter::blend_opaque;
}

std::byte* Painter::address(const Span& span) const {
    return surface_.origin + span.y * surface_.row_stride_bytes +
           span.x_begin * static_cast<std::ptrdiff_t>(pattern_.pixel_bytes());
}

std::size_t Painter::byte_count(const Span& span) const {
    return static_cast<std::size_t>(span.x_end - span.x_begin) * pattern_.pixel_bytes();
}

void Painter::replace(std::span<const Span> spans) const {
    for (const Span& span : spans)
        pattern_.write(address(span), byte_count(span));
}

void Painter::blend_opaque(std::span<const Span> spans) const {
    for (const Span& span : spans)
        mix_bytes(address(span), byte_count(span));
}

void Painter::mix_bytes(std::byte* at, std::size_t count) const {
    const std::uint32_t keep = 255U - colour_.alpha;
    const auto mix = [keep](std::byte backdrop, std::uint16_t weighted) {
        return static_cast<std::byte>(
            divide_by_255(weighted + std::to_integer<std::uint32_t>(backdrop) * keep));
    };
    for (; count >= PixelPattern::period; count -= PixelPattern::period, at += PixelPattern::period)
        for (std::size_t i = 0; i < PixelPattern::period; ++i)
            at[i] = mix(at[i], weighted_[i]);
    for (std::size_t i = 0; i < count; ++i)
        at[i] = mix(at[i], weighted_[i]);
}

void Painter::blend_alpha(std::span<const Span> spans) const {
    const PixelLayout& format = layout(surface_.format);
    const std::size_t step = pattern_.pixel_bytes();
    for (const Span& span : spans) {
        std::byte* at = address(span);
        std::byte* const end = at + byte_count(span);
        while (at != end) {
            // Runs of opaque pixels mix byte by byte, which is far faster than the general formula.
            std::byte* opaque_end = at;
            while (opaque_end != end && opaque_end[format.alpha] == std::byte{255})
                opaque_end += step;
            mix_bytes(at, static_cast<std::size_t>(opaque_end - at));
            for (at = opaque_end; at != end && at[format.alpha] != std::byte{255}; at += step)
                encode(source_over(colour_, decode(format, at)), format, at);
        }
    }
}

} // namespace coldbrick::paint
