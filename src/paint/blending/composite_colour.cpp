#include "paint/blending/composite_colour.hpp"

#include "paint/blending/blend_formulas.hpp"

#include <algorithm>

namespace coldbrick::paint {

namespace {

double luminosity_of(const Rgb& colour) {
    return 0.3 * colour.channels[0] + 0.59 * colour.channels[1] + 0.11 * colour.channels[2];
}

double saturation_of(const Rgb& colour) {
    const auto [least, most] = std::ranges::minmax(colour.channels);
    return most - least;
}

/// Brought back into 0..1 without changing the luminosity. Of a gray, rounding may leave it outside by a bit.
Rgb clipped(Rgb colour) {
    const double luminosity = luminosity_of(colour);
    const auto [least, most] = std::ranges::minmax(colour.channels);
    for (double& channel : colour.channels) {
        if (least < 0 && least < luminosity)
            channel = luminosity + (channel - luminosity) * luminosity / (luminosity - least);
        if (most > 1 && most > luminosity)
            channel = luminosity + (channel - luminosity) * (1 - luminosity) / (most - luminosity);
    }
    return colour;
}

Rgb with_luminosity(Rgb colour, double luminosity) {
    const double change = luminosity - luminosity_of(colour);
    for (double& channel : colour.channels) channel += change;
    return clipped(colour);
}

Rgb with_saturation(Rgb colour, double saturation) {
    const auto [least, most] = std::ranges::minmax(colour.channels);
    for (double& channel : colour.channels)
        channel = most > least ? (channel - least) * saturation / (most - least) : 0;
    return colour;
}

} // namespace

Rgb mixed_together(BlendMode mode, const Rgb& cb, const Rgb& cs) {
    switch (mode) {
    case BlendMode::hue: return with_luminosity(with_saturation(cs, saturation_of(cb)), luminosity_of(cb));
    case BlendMode::saturation:
        return with_luminosity(with_saturation(cb, saturation_of(cs)), luminosity_of(cb));
    case BlendMode::colour: return with_luminosity(cs, luminosity_of(cb));
    default: return with_luminosity(cb, luminosity_of(cs));
    }
}

namespace {

template <class C>
C composite_any(BlendMode mode, const C& source, const C& backdrop) {
    return with_mode(mode, [&](auto known) { return composite_as<known()>(source, backdrop); });
}

} // namespace

RealColour composite(BlendMode mode, const RealColour& source, const RealColour& backdrop) {
    return composite_any(mode, source, backdrop);
}

Colour composite(BlendMode mode, const Colour& source, const Colour& backdrop) {
    return composite_any(mode, source, backdrop);
}

Colour16 composite(BlendMode mode, const Colour16& source, const Colour16& backdrop) {
    return composite_any(mode, source, backdrop);
}

namespace {

RealColour in_light(const RealColour& colour) {
    return {linear(colour.red), linear(colour.green), linear(colour.blue), colour.alpha};
}

RealColour from_light(const RealColour& colour) {
    return {from_linear(colour.red), from_linear(colour.green), from_linear(colour.blue), colour.alpha};
}

/// In proportion, each by its alpha.
RealColour mixed_by_alpha(const RealColour& first, const RealColour& second, double share) {
    const double over = second.alpha * share;
    const double under = first.alpha * (1 - share);
    const double alpha = over + under;
    if (alpha <= 0) return {0, 0, 0, 0};
    const auto mix = [&](double a, double b) { return (a * under + b * over) / alpha; };
    return {mix(first.red, second.red), mix(first.green, second.green), mix(first.blue, second.blue), alpha};
}

template <class C>
C composite_covered(const Blending& blending, const C& source, const C& backdrop, std::uint8_t coverage) {
    const BlendMode mode = blending.mode;
    if (only_changes_numbers(mode)) return coverage >= 128 ? composite(mode, source, backdrop) : backdrop;
    const bool by_light = blending.space == BlendSpace::linear;
    const bool in_part = coverage != 255 && erases(mode);
    const C shown = in_part ? source : with_opacity(source, coverage);
    if (!by_light && !in_part) return composite(mode, shown, backdrop);
    // What does not show stays as it is, whatever rounding there is on the way.
    if (shown.alpha == 0 && !erases(mode))
        return mode == BlendMode::source_over ? backdrop : settled(backdrop);
    const auto real = [by_light](const C& colour) {
        const RealColour encoded = to_depth<RealColour>(colour);
        return by_light ? in_light(encoded) : encoded;
    };
    const RealColour under = real(backdrop);
    RealColour result = composite(mode, real(shown), under);
    if (in_part) result = mixed_by_alpha(under, result, coverage / 255.0);
    return settled(to_depth<C>(by_light ? from_light(result) : result));
}

} // namespace

Colour composite(const Blending& blending, const Colour& source, const Colour& backdrop,
                 std::uint8_t coverage) {
    return composite_covered(blending, source, backdrop, coverage);
}

Colour16 composite(const Blending& blending, const Colour16& source, const Colour16& backdrop,
                   std::uint8_t coverage) {
    return composite_covered(blending, source, backdrop, coverage);
}

RealColour composite(const Blending& blending, const RealColour& source, const RealColour& backdrop,
                     std::uint8_t coverage) {
    return composite_covered(blending, source, backdrop, coverage);
}

} // namespace coldbrick::paint
