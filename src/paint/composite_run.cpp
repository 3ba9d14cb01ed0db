#include "paint/composite_run.hpp"

#include "paint/composite_integers.hpp"
#include "paint/composite_reals.hpp"
#include "paint/cpu_features.hpp"
#include "paint/real_formulas.hpp"
#include "paint/simd_rows.hpp"

#include <algorithm>
#include <array>
#include <bit>
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

/// The pixels one after the other: what shows of a paint, mixed with what is there.
template <class C, class Read, class Mix, class Write>
[[gnu::always_inline]] inline void
composite_singly(const Surface& surface, const ChannelMask& mask, std::uint8_t opacity, std::byte* at,
                 std::span<const C> colours, const Read& read, const Mix& mix, const Write& write) {
    const bool gray = surface.codec.layout->is_gray();
    const bool all = mask.all();
    for (const C& colour : colours) {
        C source = with_opacity(colour, opacity);
        if (gray) source.red = source.green = source.blue = gray_of(source);
        const C backdrop = read(at);
        const C result = mix(source, backdrop);
        write(all ? result : masked(mask, result, backdrop), at);
        at += surface.pixel_stride_bytes;
    }
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

/// @param mix makes a colour of a source's and a backdrop's
template <class C, class Mix>
[[gnu::always_inline]] inline void composite_wholly(const Surface& surface, const ChannelMask& mask,
                                                    std::uint8_t opacity, std::byte* at,
                                                    std::span<const C> colours, const Mix& mix) {
    const Codec codec = surface.codec; // a copy: stores of pixels may alias it
    if (lie_in_order<C>(*codec.layout))
        return composite_singly(
            surface, mask, opacity, at, colours, [](const std::byte* pixel) __attribute__((always_inline)) {
                std::array<std::byte, sizeof(C)> bytes;
                std::memcpy(bytes.data(), pixel, sizeof(C));
                return std::bit_cast<C>(bytes);
            },
            mix, [](const C& colour, std::byte* pixel) __attribute__((always_inline)) {
                std::memcpy(pixel, &colour, sizeof colour);
            });
    if (codec.layout->channel_bytes() != 0)
        return composite_singly(
            surface, mask, opacity, at, colours,
            [&](const std::byte* pixel) { return codec.decode_channels<C, Stored<C>>(pixel); }, mix,
            [&](const C& colour, std::byte* pixel) { codec.encode_channels<Stored<C>>(colour, pixel); });
    composite_singly(
        surface, mask, opacity, at, colours, [&](const std::byte* pixel) { return codec.decode<C>(pixel); },
        mix, [&](const C& colour, std::byte* pixel) { codec.encode(colour, pixel); });
}

/// The formulas in real numbers, as composite_as() has them, with all channels of a pixel at once.
template <BlendMode mode, class C>
[[gnu::always_inline]] inline void composite_by_reals(const Surface& surface, const ChannelMask& mask,
                                                      std::uint8_t opacity, std::byte* at,
                                                      std::span<const C> colours) {
    composite_wholly(
        surface, mask, opacity, at, colours,
        [](const C& source, const C& backdrop) __attribute__((always_inline)) {
            return to_depth_of<C>(composited<mode>(reals(source), reals(backdrop)));
        });
}
template <BlendMode mode, class C>
COLDBRICK_WIDE void composite_by_reals_wide(const Surface& surface, const ChannelMask& mask,
                                            std::uint8_t opacity, std::byte* at, std::span<const C> colours) {
    composite_by_reals<mode>(surface, mask, opacity, at, colours);
}

template <BlendMode mode, class C>
void composite_as_run(const Surface& surface, const ChannelMask& mask, std::uint8_t opacity, std::byte* at,
                      std::span<const C> colours) {
    constexpr bool is_exact_in_integers = mode == BlendMode::source_over || mode == BlendMode::copy;
    if constexpr (goes_by_reals(mode) && !is_exact_in_integers && !std::same_as<C, RealColour>)
        return wide_vectors() ? composite_by_reals_wide<mode>(surface, mask, opacity, at, colours)
                              : composite_by_reals<mode>(surface, mask, opacity, at, colours);
    composite_wholly(surface, mask, opacity, at, colours,
                     [](const C& source, const C& backdrop) { return composite_as<mode>(source, backdrop); });
}

/// Any blending of anything.
template <class C>
void composite_otherwise(const Surface& surface, const ChannelMask& mask, const Blending& blending,
                         std::byte* at, std::span<const C> colours, const std::uint8_t* coverages) {
    composite_singly(
        surface, mask, blending.opacity, at, colours,
        [&](const std::byte* pixel) { return surface.codec.decode<C>(pixel); },
        [&](const C& source, const C& backdrop) {
            return composite(blending, source, backdrop, coverages == nullptr ? 255 : *coverages++);
        },
        [&](const C& colour, std::byte* pixel) { surface.codec.encode(colour, pixel); });
}

template <class C>
void composite_part(const Surface& surface, const ChannelMask& mask, const Blending& blending, std::byte* at,
                    std::span<const C> colours, const std::uint8_t* coverages) {
    if (coverages != nullptr || blending.space != BlendSpace::encoded)
        return composite_otherwise(surface, mask, blending, at, colours, coverages);
    with_mode(blending.mode,
              [&](auto known) { composite_as_run<known()>(surface, mask, blending.opacity, at, colours); });
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
