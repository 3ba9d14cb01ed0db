#include "paint/composite_colour.hpp"

#include <algorithm>
#include <array>
#include <cmath>

namespace coldbrick::paint {

namespace {

// The names are those of the recommendation: Cs is the source's colour and Cb the backdrop's, B mixes them.

double hard_light(double cb, double cs) {
    return cs <= 0.5 ? cb * (2 * cs) : cb + (2 * cs - 1) - cb * (2 * cs - 1);
}

double soft_light(double cb, double cs) {
    if (cs <= 0.5) return cb - (1 - 2 * cs) * cb * (1 - cb);
    const double d = cb <= 0.25 ? ((16 * cb - 12) * cb + 4) * cb : std::sqrt(cb);
    return cb + (2 * cs - 1) * (d - cb);
}

double colour_dodge(double cb, double cs) {
    if (cb == 0) return 0;
    return cs == 1 ? 1 : std::min(1.0, cb / (1 - cs));
}

double colour_burn(double cb, double cs) {
    if (cb == 1) return 1;
    return cs == 0 ? 0 : 1 - std::min(1.0, (1 - cb) / cs);
}

/// The separable modes.
double mixed(BlendMode mode, double cb, double cs) {
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

    [[nodiscard]] double luminosity() const {
        return 0.3 * channels[0] + 0.59 * channels[1] + 0.11 * channels[2];
    }
    [[nodiscard]] double saturation() const {
        const auto [least, most] = std::ranges::minmax(channels);
        return most - least;
    }
};

/// Brought back into 0..1 without changing the luminosity. Of a gray, rounding may leave it outside by a bit.
Rgb clipped(Rgb colour) {
    const double luminosity = colour.luminosity();
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
    const double change = luminosity - colour.luminosity();
    for (double& channel : colour.channels) channel += change;
    return clipped(colour);
}

Rgb with_saturation(Rgb colour, double saturation) {
    const auto [least, most] = std::ranges::minmax(colour.channels);
    for (double& channel : colour.channels)
        channel = most > least ? (channel - least) * saturation / (most - least) : 0;
    return colour;
}

Rgb mixed(BlendMode mode, const Rgb& cb, const Rgb& cs) {
    switch (mode) {
    case BlendMode::hue: return with_luminosity(with_saturation(cs, cb.saturation()), cb.luminosity());
    case BlendMode::saturation: return with_luminosity(with_saturation(cb, cs.saturation()), cb.luminosity());
    case BlendMode::colour: return with_luminosity(cs, cb.luminosity());
    case BlendMode::luminosity: return with_luminosity(cb, cs.luminosity());
    default: break;
    }
    Rgb result{};
    for (std::size_t i = 0; i < 3; ++i) result.channels[i] = mixed(mode, cb.channels[i], cs.channels[i]);
    return result;
}

/// The shares of source and backdrop in an operator of Porter and Duff, "Compositing Digital Images",
/// Computer Graphics 18(3), 1984.
struct Shares {
    double source;
    double backdrop;
};
Shares shares(BlendMode mode, double source_alpha, double backdrop_alpha) {
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

template <class C>
C composite_integers(BlendMode mode, const C& source, const C& backdrop) {
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
    case BlendMode::copy: return source;
    case BlendMode::invert: return each([](auto, auto under) { return ChannelDepth<C>::most - under; });
    case BlendMode::bits_and: return each([](auto over, auto under) { return over & under; });
    case BlendMode::bits_or: return each([](auto over, auto under) { return over | under; });
    case BlendMode::bits_xor: return each([](auto over, auto under) { return over ^ under; });
    default:
        return to_depth<C>(composite(mode, to_depth<RealColour>(source), to_depth<RealColour>(backdrop)));
    }
}

} // namespace

RealColour composite(BlendMode mode, const RealColour& source, const RealColour& backdrop) {
    if (mode == BlendMode::copy) return source;
    if (mode == BlendMode::invert) {
        if (source.alpha == 0) return backdrop;
        return {1 - backdrop.red, 1 - backdrop.green, 1 - backdrop.blue, backdrop.alpha};
    }
    const Rgb cs{{source.red, source.green, source.blue}};
    const Rgb cb{{backdrop.red, backdrop.green, backdrop.blue}};
    const Rgb mixture = mixed(mode, cb, cs);
    const Shares share = shares(mode, source.alpha, backdrop.alpha);
    const double over = source.alpha * share.source;
    const double under = backdrop.alpha * share.backdrop;
    const double alpha = std::min(1.0, over + under);
    if (alpha <= 0) return mode == BlendMode::source_over ? backdrop : RealColour{0, 0, 0, 0};
    const auto channel = [&](std::size_t i) {
        const double shown = (1 - backdrop.alpha) * cs.channels[i] + backdrop.alpha * mixture.channels[i];
        return std::clamp((over * shown + under * cb.channels[i]) / alpha, 0.0, 1.0);
    };
    return {channel(0), channel(1), channel(2), alpha};
}

Colour composite(BlendMode mode, const Colour& source, const Colour& backdrop) {
    return composite_integers(mode, source, backdrop);
}

Colour16 composite(BlendMode mode, const Colour16& source, const Colour16& backdrop) {
    return composite_integers(mode, source, backdrop);
}

namespace {

bool only_changes_numbers(BlendMode mode) {
    return is_for_bits(mode) || mode == BlendMode::invert;
}

/// True if a source that is wholly see-through changes what is there.
bool erases(BlendMode mode) {
    switch (mode) {
    case BlendMode::copy:
    case BlendMode::clear:
    case BlendMode::source_in:
    case BlendMode::destination_in:
    case BlendMode::source_out:
    case BlendMode::destination_atop: return true;
    default: return false;
    }
}

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
    if (shown.alpha == 0 && !erases(mode)) return backdrop;
    const auto real = [by_light](const C& colour) {
        const RealColour encoded = to_depth<RealColour>(colour);
        return by_light ? in_light(encoded) : encoded;
    };
    const RealColour under = real(backdrop);
    RealColour result = composite(mode, real(shown), under);
    if (in_part) result = mixed_by_alpha(under, result, coverage / 255.0);
    return to_depth<C>(by_light ? from_light(result) : result);
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
