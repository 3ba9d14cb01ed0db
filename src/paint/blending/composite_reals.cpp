#include "paint/blending/composite_reals.hpp"

#include "paint/blending/real_formulas.hpp"
#include "paint/writers/cpu_features.hpp"

#include <cstring>

namespace coldbrick::paint {

namespace {

using Floats [[gnu::vector_size(16)]] = float;

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
           surface.contiguous() && blending.space == BlendSpace::encoded && goes_by_reals(blending.mode);
}

void composite_reals(const ChannelMask& mask, const Blending& blending, std::byte* at,
                     std::span<const RealColour> colours) {
    const auto choice = [](bool chosen) { return chosen ? std::int64_t{-1} : 0; };
    const ChoiceOfReals may_change{choice(mask.red), choice(mask.green), choice(mask.blue),
                                   choice(mask.alpha)};
    with_mode(blending.mode, [&](auto known) {
        if constexpr (goes_by_reals(known()))
            wide_vectors() ? composite_wide<known()>(at, colours, blending.opacity, may_change)
                           : composite_narrow<known()>(at, colours, blending.opacity, may_change);
    });
}

} // namespace coldbrick::paint
