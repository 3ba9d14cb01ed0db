#include "paint/composite_run.hpp"

#include "paint/simd_rows.hpp"

namespace coldbrick::paint {

namespace {

/// The channels that may be written from `painted`, the others from `before`.
template <class C>
C masked(const ChannelMask& mask, const C& painted, const C& before) {
    C result = painted;
    if (!mask.red) result.red = before.red;
    if (!mask.green) result.green = before.green;
    if (!mask.blue) result.blue = before.blue;
    if (!mask.alpha) result.alpha = before.alpha;
    return result;
}

/// A pixel of gray may change if any colour may.
ChannelMask mask_for(const Surface& surface) {
    ChannelMask mask = surface.mask;
    if (surface.codec.layout->is_gray())
        mask.red = mask.green = mask.blue = mask.red || mask.green || mask.blue;
    return mask;
}

/// The most frequent case, which has a faster way.
bool lays_over_bytes(const Surface& surface, const Blending& blending) {
    return blending == Blending() && surface.mask.all() && surface.contiguous() &&
           has_byte_colours(*surface.codec.layout);
}

} // namespace

template <class C>
void composite_run(const Surface& surface, const Blending& blending, std::int64_t x, std::int64_t y,
                   std::span<const C> colours, const std::uint8_t* coverages) {
    if constexpr (std::same_as<C, Colour>)
        if (coverages == nullptr && lays_over_bytes(surface, blending))
            return composite_over_row(colours, surface.address(x, y), surface.codec);
    const ChannelMask mask = mask_for(surface);
    const bool gray = surface.codec.layout->is_gray();
    std::byte* at = surface.address(x, y);
    for (const C& colour : colours) {
        C source = with_opacity(colour, blending.opacity);
        if (gray) source.red = source.green = source.blue = gray_of(source);
        const C backdrop = surface.codec.decode<C>(at);
        const C result = composite(blending, source, backdrop, coverages == nullptr ? 255 : *coverages++);
        surface.codec.encode(mask.all() ? result : masked(mask, result, backdrop), at);
        at += surface.pixel_stride_bytes;
    }
}

template void composite_run(const Surface&, const Blending&, std::int64_t, std::int64_t,
                            std::span<const Colour>, const std::uint8_t*);
template void composite_run(const Surface&, const Blending&, std::int64_t, std::int64_t,
                            std::span<const Colour16>, const std::uint8_t*);
template void composite_run(const Surface&, const Blending&, std::int64_t, std::int64_t,
                            std::span<const RealColour>, const std::uint8_t*);

} // namespace coldbrick::paint
