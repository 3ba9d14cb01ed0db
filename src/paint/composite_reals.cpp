#include "paint/composite_reals.hpp"

#include "paint/blend_formulas.hpp"
#include "paint/cpu_features.hpp"
#include "paint/reals.hpp"

#include <algorithm>
#include <cstring>

namespace coldbrick::paint {

namespace {

// The formulas of composite_as(), operation by operation, so that every number comes out the same.

using Floats [[gnu::vector_size(16)]] = float;
[[gnu::always_inline]] inline Reals hard_light_of(const Reals& cb, const Reals& cs) {
    return chosen(cs <= four_times(0.5), cb * (2 * cs), cb + (2 * cs - 1) - cb * (2 * cs - 1));
}

template <BlendMode mode>
[[gnu::always_inline]] inline Reals mixture(const Reals& cb, const Reals& cs) {
    switch (mode) {
    case BlendMode::multiply: return cb * cs;
    case BlendMode::screen: return cb + cs - cb * cs;
    case BlendMode::overlay: return hard_light_of(cs, cb);
    case BlendMode::darken: return chosen(cs < cb, cs, cb);
    case BlendMode::lighten: return chosen(cb < cs, cs, cb);
    case BlendMode::hard_light: return hard_light_of(cb, cs);
    case BlendMode::difference: return chosen(cb < cs, cs - cb, cb - cs);
    case BlendMode::exclusion: return cb + cs - 2 * cb * cs;
    default: return cs;
    }
}

constexpr bool is_known(BlendMode mode) {
    switch (mode) {
    case BlendMode::colour_dodge:
    case BlendMode::colour_burn:
    case BlendMode::soft_light: return false;
    default: return !mixes_all_channels(mode) && !only_changes_numbers(mode);
    }
}

template <BlendMode mode>
[[gnu::always_inline]] inline Reals composited(const Reals& source, const Reals& backdrop) {
    if constexpr (mode == BlendMode::copy) return source;
    const double source_alpha = source[3];
    const double backdrop_alpha = backdrop[3];
    const Shares share = shares<mode>(source_alpha, backdrop_alpha);
    const double over = source_alpha * share.source;
    const double under = backdrop_alpha * share.backdrop;
    const double alpha = std::min(1.0, over + under);
    if (alpha <= 0) return mode == BlendMode::source_over ? backdrop : Reals{};
    const Reals shown = (1 - backdrop_alpha) * source + backdrop_alpha * mixture<mode>(backdrop, source);
    const Reals sum = over * shown + under * backdrop;
    Reals result = in_range(alpha == 1 ? sum : sum / alpha);
    result[3] = alpha;
    return result;
}

template <BlendMode mode>
[[gnu::always_inline]] inline void composite_row(std::byte* at, std::span<const RealColour> colours,
                                                 std::uint8_t opacity, const ChoiceOfReals& may_change) {
    for (const RealColour& colour : colours) {
        const RealColour shown = with_opacity(colour, opacity);
        Floats stored;
        std::memcpy(&stored, at, sizeof stored);
        const Reals backdrop = in_range(__builtin_convertvector(stored, Reals));
        const Reals source = reals(shown);
        const Reals result = chosen(may_change, composited<mode>(source, backdrop), backdrop);
        stored = __builtin_convertvector(in_range(result), Floats);
        std::memcpy(at, &stored, sizeof stored);
        at += sizeof stored;
    }
}
template <BlendMode mode>
COLDBRICK_WIDE void composite_wide(std::byte* at, std::span<const RealColour> colours, std::uint8_t opacity,
                                   const ChoiceOfReals& may_change) {
    composite_row<mode>(at, colours, opacity, may_change);
}
template <BlendMode mode>
void composite_narrow(std::byte* at, std::span<const RealColour> colours, std::uint8_t opacity,
                      const ChoiceOfReals& may_change) {
    composite_row<mode>(at, colours, opacity, may_change);
}

} // namespace

bool composites_reals(const Surface& surface, const Blending& blending) {
    const PixelLayout& layout = *surface.codec.layout;
    return layout.kind == PixelLayout::Kind::floats && layout.red == 0 && layout.alpha == 12 &&
           surface.contiguous() && blending.space == BlendSpace::encoded && is_known(blending.mode);
}

void composite_reals(const ChannelMask& mask, const Blending& blending, std::byte* at,
                     std::span<const RealColour> colours) {
    const auto choice = [](bool chosen) { return chosen ? std::int64_t{-1} : 0; };
    const ChoiceOfReals may_change{choice(mask.red), choice(mask.green), choice(mask.blue),
                                   choice(mask.alpha)};
    with_mode(blending.mode, [&](auto known) {
        if constexpr (is_known(known()))
            wide_vectors() ? composite_wide<known()>(at, colours, blending.opacity, may_change)
                           : composite_narrow<known()>(at, colours, blending.opacity, may_change);
    });
}

} // namespace coldbrick::paint
