/// @file
/// The formulas of blend modes for all channels of a colour at once.
#pragma once

#include "paint/blending/blend_formulas.hpp"
#include "paint/blending/reals.hpp"

#include <algorithm>
#include <cmath>

namespace coldbrick::paint {

// The formulas of composite_as(), operation by operation, so that every number comes out the same.

[[gnu::always_inline]] inline Reals least(const Reals& a, const Reals& b) {
    return chosen(b < a, b, a);
}

[[gnu::always_inline]] inline Reals hard_light_of(const Reals& cb, const Reals& cs) {
    return chosen(cs <= four_times(0.5), cb * (2 * cs), cb + (2 * cs - 1) - cb * (2 * cs - 1));
}

[[gnu::always_inline]] inline Reals soft_light_of(const Reals& cb, const Reals& cs) {
    const Reals root{std::sqrt(cb[0]), std::sqrt(cb[1]), std::sqrt(cb[2]), 0};
    const Reals d = chosen(cb <= four_times(0.25), ((16 * cb - 12) * cb + 4) * cb, root);
    return chosen(cs <= four_times(0.5), cb - (1 - 2 * cs) * cb * (1 - cb), cb + (2 * cs - 1) * (d - cb));
}

// A division by 0 is not chosen.
[[gnu::always_inline]] inline Reals colour_dodge_of(const Reals& cb, const Reals& cs) {
    const Reals dodged = chosen(cs == four_times(1), four_times(1), least(four_times(1), cb / (1 - cs)));
    return chosen(cb == four_times(0), four_times(0), dodged);
}
[[gnu::always_inline]] inline Reals colour_burn_of(const Reals& cb, const Reals& cs) {
    const Reals burnt = chosen(cs == four_times(0), four_times(0), 1 - least(four_times(1), (1 - cb) / cs));
    return chosen(cb == four_times(1), four_times(1), burnt);
}

template <BlendMode mode>
[[gnu::always_inline]] inline Reals mixture(const Reals& cb, const Reals& cs) {
    switch (mode) {
    case BlendMode::multiply: return cb * cs;
    case BlendMode::screen: return cb + cs - cb * cs;
    case BlendMode::overlay: return hard_light_of(cs, cb);
    case BlendMode::darken: return chosen(cs < cb, cs, cb);
    case BlendMode::lighten: return chosen(cb < cs, cs, cb);
    case BlendMode::colour_dodge: return colour_dodge_of(cb, cs);
    case BlendMode::colour_burn: return colour_burn_of(cb, cs);
    case BlendMode::hard_light: return hard_light_of(cb, cs);
    case BlendMode::soft_light: return soft_light_of(cb, cs);
    case BlendMode::difference: return chosen(cb < cs, cs - cb, cb - cs);
    case BlendMode::exclusion: return cb + cs - 2 * cb * cs;
    default: return cs;
    }
}

/// True of the modes that composited() knows.
constexpr bool goes_by_reals(BlendMode mode) {
    return !mixes_all_channels(mode) && !only_changes_numbers(mode);
}

/// Any of these modes; in 0..1, as both colours are.
template <BlendMode mode>
[[gnu::always_inline]] inline Reals composited(const Reals& source, const Reals& backdrop) {
    if constexpr (mode == BlendMode::copy) return source[3] <= 0 ? Reals{} : source;
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

} // namespace coldbrick::paint
