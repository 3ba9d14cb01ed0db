/// @file
/// The formulas of all blend modes, each for a mode that is known when compiling.
#pragma once

#include "paint/blending/composite_colour.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>
#include <type_traits>

namespace coldbrick::paint {

// The names are those of the recommendation: Cs is the source's colour and Cb the backdrop's, B mixes them.

inline double hard_light(double cb, double cs) {
    return cs <= 0.5 ? cb * (2 * cs) : cb + (2 * cs - 1) - cb * (2 * cs - 1);
}

inline double soft_light(double cb, double cs) {
    if (cs <= 0.5) return cb - (1 - 2 * cs) * cb * (1 - cb);
    const double d = cb <= 0.25 ? ((16 * cb - 12) * cb + 4) * cb : std::sqrt(cb);
    return cb + (2 * cs - 1) * (d - cb);
}

inline double colour_dodge(double cb, double cs) {
    if (cb == 0) return 0;
    return cs == 1 ? 1 : std::min(1.0, cb / (1 - cs));
}

inline double colour_burn(double cb, double cs) {
    if (cb == 1) return 1;
    return cs == 0 ? 0 : 1 - std::min(1.0, (1 - cb) / cs);
}

/// The separable modes; the operators of Porter and Duff take the source's colour.
template <BlendMode mode>
double mixed(double cb, double cs) {
    switch (mode) {
    case BlendMode::multiply: return cb * cs;
    case BlendMode::screen: return cb + cs - cb * cs;
    case BlendMode::overlay: return hard_light(cs, cb);
    case BlendMode::darken: return std::min(cb, cs);
    case BlendMode::lighten: return std::max(cb, cs);
    case BlendMode::colour_dodge: return colour_dodge(cb, cs);
    case BlendMode::colour_burn: return colour_burn(cb, cs);
    case BlendMode::hard_light: return hard_light(cb, cs);
    case BlendMode::soft_light: return soft_light(cb, cs);
    case BlendMode::difference: return std::abs(cb - cs);
    case BlendMode::exclusion: return cb + cs - 2 * cb * cs;
    default: return cs;
    }
}

// The modes that mix all three channels: section 10.2.

struct Rgb {
    std::array<double, 3> channels;
};
Rgb mixed_together(BlendMode mode, const Rgb& cb, const Rgb& cs);

constexpr bool mixes_all_channels(BlendMode mode) {
    return mode == BlendMode::hue || mode == BlendMode::saturation || mode == BlendMode::colour ||
           mode == BlendMode::luminosity;
}

template <BlendMode mode>
Rgb mixed(const Rgb& cb, const Rgb& cs) {
    if constexpr (mixes_all_channels(mode)) return mixed_together(mode, cb, cs);
    Rgb result{};
    for (std::size_t i = 0; i < 3; ++i) result.channels[i] = mixed<mode>(cb.channels[i], cs.channels[i]);
    return result;
}

/// The shares of source and backdrop in an operator of Porter and Duff, "Compositing Digital Images",
/// Computer Graphics 18(3), 1984.
struct Shares {
    double source;
    double backdrop;
};
template <BlendMode mode>
Shares shares(double source_alpha, double backdrop_alpha) {
    switch (mode) {
    case BlendMode::clear: return {0, 0};
    case BlendMode::copy: return {1, 0};
    case BlendMode::destination_over: return {1 - backdrop_alpha, 1};
    case BlendMode::source_in: return {backdrop_alpha, 0};
    case BlendMode::destination_in: return {0, source_alpha};
    case BlendMode::source_out: return {1 - backdrop_alpha, 0};
    case BlendMode::destination_out: return {0, 1 - source_alpha};
    case BlendMode::source_atop: return {backdrop_alpha, 1 - source_alpha};
    case BlendMode::destination_atop: return {1 - backdrop_alpha, source_alpha};
    case BlendMode::exclusive_or: return {1 - backdrop_alpha, 1 - source_alpha};
    case BlendMode::lighter: return {1, 1};
    default: return {1, 1 - source_alpha};
    }
}

/// Any mode in real numbers.
template <BlendMode mode>
RealColour composite_as(const RealColour& source, const RealColour& backdrop) {
    if constexpr (mode == BlendMode::copy) return settled(source);
    if constexpr (mode == BlendMode::invert) {
        if (source.alpha == 0) return backdrop;
        return {1 - backdrop.red, 1 - backdrop.green, 1 - backdrop.blue, backdrop.alpha};
    }
    const Rgb cs{{source.red, source.green, source.blue}};
    const Rgb cb{{backdrop.red, backdrop.green, backdrop.blue}};
    const Shares share = shares<mode>(source.alpha, backdrop.alpha);
    const double over = source.alpha * share.source;
    const double under = backdrop.alpha * share.backdrop;
    const double alpha = std::min(1.0, over + under);
    if (alpha <= 0) return mode == BlendMode::source_over ? backdrop : RealColour{0, 0, 0, 0};
    const Rgb mixture = mixed<mode>(cb, cs);
    const auto channel = [&](std::size_t i) {
        const double shown = (1 - backdrop.alpha) * cs.channels[i] + backdrop.alpha * mixture.channels[i];
        const double sum = over * shown + under * cb.channels[i];
        return std::clamp(alpha == 1 ? sum : sum / alpha, 0.0, 1.0);
    };
    return {channel(0), channel(1), channel(2), alpha};
}

/// Any mode in integers where that is exact, and otherwise rounded once from real numbers, halves up.
template <BlendMode mode, class C>
requires(!std::same_as<C, RealColour>) C composite_as(const C& source, const C& backdrop) {
    using Value = typename ChannelDepth<C>::Value;
    const auto each = [&](auto change) {
        C result = backdrop;
        if (source.alpha == 0) return result;
        result.red = static_cast<Value>(change(source.red, backdrop.red));
        result.green = static_cast<Value>(change(source.green, backdrop.green));
        result.blue = static_cast<Value>(change(source.blue, backdrop.blue));
        return result;
    };
    switch (mode) {
    case BlendMode::source_over: return source_over(source, backdrop);
    case BlendMode::copy: return settled(source);
    case BlendMode::invert: return each([](auto, auto under) { return ChannelDepth<C>::most - under; });
    case BlendMode::bits_and: return each([](auto over, auto under) { return over & under; });
    case BlendMode::bits_or: return each([](auto over, auto under) { return over | under; });
    case BlendMode::bits_xor: return each([](auto over, auto under) { return over ^ under; });
    default:
        return settled(
            to_depth<C>(composite_as<mode>(to_depth<RealColour>(source), to_depth<RealColour>(backdrop))));
    }
}

/// Calls use(constant) with the mode as a constant.
template <class Use>
auto with_mode(BlendMode mode, const Use& use) {
    switch (mode) {
    case BlendMode::copy: return use(std::integral_constant<BlendMode, BlendMode::copy>());
    case BlendMode::clear: return use(std::integral_constant<BlendMode, BlendMode::clear>());
    case BlendMode::destination_over:
        return use(std::integral_constant<BlendMode, BlendMode::destination_over>());
    case BlendMode::source_in: return use(std::integral_constant<BlendMode, BlendMode::source_in>());
    case BlendMode::destination_in:
        return use(std::integral_constant<BlendMode, BlendMode::destination_in>());
    case BlendMode::source_out: return use(std::integral_constant<BlendMode, BlendMode::source_out>());
    case BlendMode::destination_out:
        return use(std::integral_constant<BlendMode, BlendMode::destination_out>());
    case BlendMode::source_atop: return use(std::integral_constant<BlendMode, BlendMode::source_atop>());
    case BlendMode::destination_atop:
        return use(std::integral_constant<BlendMode, BlendMode::destination_atop>());
    case BlendMode::exclusive_or: return use(std::integral_constant<BlendMode, BlendMode::exclusive_or>());
    case BlendMode::lighter: return use(std::integral_constant<BlendMode, BlendMode::lighter>());
    case BlendMode::multiply: return use(std::integral_constant<BlendMode, BlendMode::multiply>());
    case BlendMode::screen: return use(std::integral_constant<BlendMode, BlendMode::screen>());
    case BlendMode::overlay: return use(std::integral_constant<BlendMode, BlendMode::overlay>());
    case BlendMode::darken: return use(std::integral_constant<BlendMode, BlendMode::darken>());
    case BlendMode::lighten: return use(std::integral_constant<BlendMode, BlendMode::lighten>());
    case BlendMode::colour_dodge: return use(std::integral_constant<BlendMode, BlendMode::colour_dodge>());
    case BlendMode::colour_burn: return use(std::integral_constant<BlendMode, BlendMode::colour_burn>());
    case BlendMode::hard_light: return use(std::integral_constant<BlendMode, BlendMode::hard_light>());
    case BlendMode::soft_light: return use(std::integral_constant<BlendMode, BlendMode::soft_light>());
    case BlendMode::difference: return use(std::integral_constant<BlendMode, BlendMode::difference>());
    case BlendMode::exclusion: return use(std::integral_constant<BlendMode, BlendMode::exclusion>());
    case BlendMode::hue: return use(std::integral_constant<BlendMode, BlendMode::hue>());
    case BlendMode::saturation: return use(std::integral_constant<BlendMode, BlendMode::saturation>());
    case BlendMode::colour: return use(std::integral_constant<BlendMode, BlendMode::colour>());
    case BlendMode::luminosity: return use(std::integral_constant<BlendMode, BlendMode::luminosity>());
    case BlendMode::invert: return use(std::integral_constant<BlendMode, BlendMode::invert>());
    case BlendMode::bits_and: return use(std::integral_constant<BlendMode, BlendMode::bits_and>());
    case BlendMode::bits_or: return use(std::integral_constant<BlendMode, BlendMode::bits_or>());
    case BlendMode::bits_xor: return use(std::integral_constant<BlendMode, BlendMode::bits_xor>());
    default: return use(std::integral_constant<BlendMode, BlendMode::source_over>());
    }
}

} // namespace coldbrick::paint
