#include "paint/blending/composite_run.hpp"

#include "paint/blending/composite_integers.hpp"
#include "paint/blending/composite_reals.hpp"
#include "paint/blending/real_formulas.hpp"
#include "paint/writers/cpu_features.hpp"
#include "paint/writers/simd_rows.hpp"

#include <algorithm>
#include <array>
#include <concepts>
#include <cstring>

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

/// The numbers that the channels are stored as, if they are each on their own and of the colour's depth.
template <class C>
using Stored = std::conditional_t<std::same_as<C, Colour>, std::uint8_t,
                                  std::conditional_t<std::same_as<C, Colour16>, std::uint16_t, float>>;

/// True if pixels lie in memory as colours of the kind do.
template <class C>
bool lie_in_order(const PixelLayout& layout) {
    constexpr auto channel = static_cast<int>(sizeof(Stored<C>));
    return !std::same_as<C, RealColour> && layout.channel_bytes() == channel && layout.red == 0 &&
           layout.green == channel && layout.blue == 2 * channel && layout.alpha == 3 * channel;
}

/// A pixel as a colour; packed ones and numbers of entries are read as 8 bits a channel.
template <class C>
C backdrop_at(const Codec& codec, const std::byte* at) {
    if (codec.layout->channel_bytes() == 0) return to_depth<C>(codec.decode<Colour>(at));
    return codec.decode<C>(at);
}

/// The pixels from `at` on as colours. Those that lie in memory as colours do are copied.
template <class C>
void read_run(const Surface& surface, const std::byte* at, std::span<C> colours) {
    const Codec codec = surface.codec; // a copy: stores of colours may alias it
    const std::ptrdiff_t stride = surface.pixel_stride_bytes;
    if (lie_in_order<C>(*codec.layout)) {
        for (C& colour : colours) {
            std::memcpy(&colour, at, sizeof colour);
            at += stride;
        }
    } else if (codec.layout->channel_bytes() != 0) {
        for (C& colour : colours) {
            colour = codec.decode_channels<C, Stored<C>>(at);
            at += stride;
        }
    } else {
        for (C& colour : colours) {
            colour = backdrop_at<C>(codec, at);
            at += stride;
        }
    }
}

template <class C>
void write_run(const Surface& surface, std::byte* at, std::span<const C> colours) {
    const Codec codec = surface.codec; // a copy: stores of pixels may alias it
    const std::ptrdiff_t stride = surface.pixel_stride_bytes;
    if (lie_in_order<C>(*codec.layout)) {
        for (const C& colour : colours) {
            std::memcpy(at, &colour, sizeof colour);
            at += stride;
        }
    } else if (codec.layout->channel_bytes() != 0) {
        for (const C& colour : colours) {
            codec.encode_channels<Stored<C>>(colour, at);
            at += stride;
        }
    } else {
        for (const C& colour : colours) {
            codec.encode(colour, at);
            at += stride;
        }
    }
}

/// Mixes each colour with the one there is.
template <BlendMode mode, class C>
[[gnu::always_inline]] inline void mix_by_reals(const C* sources, C* colours, std::size_t count) {
    for (std::size_t i = 0; i < count; ++i)
        colours[i] = settled(to_depth_of<C>(composited<mode>(reals(sources[i]), reals(colours[i]))));
}
template <BlendMode mode, class C>
COLDBRICK_WIDE void mix_by_reals_wide(const C* sources, C* colours, std::size_t count) {
    mix_by_reals<mode>(sources, colours, count);
}

template <BlendMode mode, class C>
void mix(const C* sources, C* colours, std::size_t count) {
    constexpr bool is_exact_in_integers = mode == BlendMode::source_over || mode == BlendMode::copy;
    if constexpr (goes_by_reals(mode) && !is_exact_in_integers && !std::same_as<C, RealColour>)
        return wide_vectors() ? mix_by_reals_wide<mode>(sources, colours, count)
                              : mix_by_reals<mode>(sources, colours, count);
    for (std::size_t i = 0; i < count; ++i) colours[i] = composite_as<mode>(sources[i], colours[i]);
}

/// What shows of a paint on such a surface.
template <class C>
C shown_of(const C& colour, std::uint8_t opacity, bool gray) {
    C result = with_opacity(colour, opacity);
    if (gray) result.red = result.green = result.blue = gray_of(result);
    return result;
}

/// Blends without coverages in encoded numbers, block by block: pixels are read, mixed and written, so that
/// modes are not compiled for each format.
template <class C>
void composite_in_blocks(const Surface& surface, const ChannelMask& mask, const Blending& blending,
                         std::byte* at, std::span<const C> colours) {
    constexpr std::size_t block = 16; // few, as short runs pay for all of them
    std::array<C, block> sources;
    std::array<C, block> before;
    std::array<C, block> mixed;
    const bool gray = surface.codec.layout->is_gray();
    while (!colours.empty()) {
        const std::size_t count = std::min(block, colours.size());
        for (std::size_t i = 0; i < count; ++i) sources[i] = shown_of(colours[i], blending.opacity, gray);
        read_run(surface, at, std::span(mixed.data(), count));
        if (!mask.all()) std::copy_n(mixed.begin(), count, before.begin());
        with_mode(blending.mode, [&](auto known) { mix<known()>(sources.data(), mixed.data(), count); });
        if (!mask.all())
            for (std::size_t i = 0; i < count; ++i) mixed[i] = masked(mask, mixed[i], before[i]);
        write_run(surface, at, std::span<const C>(mixed.data(), count));
        colours = colours.subspan(count);
        at += static_cast<std::ptrdiff_t>(count) * surface.pixel_stride_bytes;
    }
}

/// Any blending of anything, pixel by pixel.
template <class C>
void composite_otherwise(const Surface& surface, const ChannelMask& mask, const Blending& blending,
                         std::byte* at, std::span<const C> colours, const std::uint8_t* coverages) {
    const bool gray = surface.codec.layout->is_gray();
    for (const C& colour : colours) {
        const C source = shown_of(colour, blending.opacity, gray);
        const C backdrop = backdrop_at<C>(surface.codec, at);
        const C result = composite(blending, source, backdrop, coverages == nullptr ? 255 : *coverages++);
        surface.codec.encode(mask.all() ? result : masked(mask, result, backdrop), at);
        at += surface.pixel_stride_bytes;
    }
}

template <class C>
void composite_part(const Surface& surface, const ChannelMask& mask, const Blending& blending, std::byte* at,
                    std::span<const C> colours, const std::uint8_t* coverages) {
    if (coverages != nullptr || blending.space != BlendSpace::encoded)
        return composite_otherwise(surface, mask, blending, at, colours, coverages);
    composite_in_blocks(surface, mask, blending, at, colours);
}

} // namespace

template <class C>
void composite_run(const Surface& surface, const Blending& blending, std::int64_t x, std::int64_t y,
                   std::span<const C> colours, const std::uint8_t* coverages) {
    std::byte* at = surface.address(x, y);
    const ChannelMask mask = mask_for(surface);
    if constexpr (std::same_as<C, Colour>)
        if (coverages == nullptr && lays_over_bytes(surface, blending))
            return composite_over_row(colours, at, surface.codec);
    if constexpr (!std::same_as<C, RealColour>)
        if (composites_integers(surface, blending, coverages != nullptr)) {
            while (!colours.empty()) {
                const auto block = colours.first(std::min(integer_block, colours.size()));
                if (!composite_integers(surface, mask, blending, at, block, coverages))
                    composite_part(surface, mask, blending, at, block, coverages);
                colours = colours.subspan(block.size());
                at += static_cast<std::ptrdiff_t>(block.size()) * surface.pixel_stride_bytes;
                if (coverages != nullptr) coverages += block.size();
            }
            return;
        }
    if constexpr (std::same_as<C, RealColour>)
        if (coverages == nullptr && composites_reals(surface, blending))
            return composite_reals(mask, blending, at, colours);
    composite_part(surface, mask, blending, at, colours, coverages);
}

template void composite_run(const Surface&, const Blending&, std::int64_t, std::int64_t,
                            std::span<const Colour>, const std::uint8_t*);
template void composite_run(const Surface&, const Blending&, std::int64_t, std::int64_t,
                            std::span<const Colour16>, const std::uint8_t*);
template void composite_run(const Surface&, const Blending&, std::int64_t, std::int64_t,
                            std::span<const RealColour>, const std::uint8_t*);

} // namespace coldbrick::paint
