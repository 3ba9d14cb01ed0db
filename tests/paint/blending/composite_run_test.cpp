// Every blend mode against the formulas of the recommendation, written anew, in every depth.

#include "support/errors.hpp"
#include "support/formats.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <functional>

namespace coldbrick::test {

namespace {

using Real = long double;

struct Rgb {
    Real r, g, b;
};
Real lum(const Rgb& c) {
    return 0.3L * c.r + 0.59L * c.g + 0.11L * c.b;
}
Real sat(const Rgb& c) {
    return std::max({c.r, c.g, c.b}) - std::min({c.r, c.g, c.b});
}
Rgb set_lum(Rgb c, Real l) {
    const Real d = l - lum(c);
    c = {c.r + d, c.g + d, c.b + d};
    const Real whole = lum(c);
    const Real low = std::min({c.r, c.g, c.b});
    const Real high = std::max({c.r, c.g, c.b});
    const auto each = [&](Real v) {
        if (low < -1e-15L) v = whole + (v - whole) * whole / (whole - low);
        if (high > 1 + 1e-15L) v = whole + (v - whole) * (1 - whole) / (high - whole);
        return v;
    };
    return {each(c.r), each(c.g), each(c.b)};
}
/// The definition's own steps: the largest becomes s, the least 0, the middle one in proportion.
Rgb set_sat(Rgb c, Real s) {
    Real* channels[] = {&c.r, &c.g, &c.b};
    std::sort(std::begin(channels), std::end(channels), [](const Real* a, const Real* b) { return *a < *b; });
    if (*channels[2] > *channels[0]) {
        *channels[1] = (*channels[1] - *channels[0]) * s / (*channels[2] - *channels[0]);
        *channels[2] = s;
    } else {
        *channels[1] = *channels[2] = 0;
    }
    *channels[0] = 0;
    return c;
}

Real soft(Real b, Real s) {
    if (s <= 0.5L) return b - (1 - 2 * s) * b * (1 - b);
    const Real d = b <= 0.25L ? ((16 * b - 12) * b + 4) * b : std::sqrt(b);
    return b + (2 * s - 1) * (d - b);
}
Real hard(Real b, Real s) {
    return s <= 0.5L ? b * 2 * s : b + 2 * s - 1 - b * (2 * s - 1);
}

using Mix = std::function<Rgb(const Rgb&, const Rgb&)>; // of backdrop and source
Mix separable(const std::function<Real(Real, Real)>& mix) {
    return [mix](const Rgb& b, const Rgb& s) { return Rgb{mix(b.r, s.r), mix(b.g, s.g), mix(b.b, s.b)}; };
}

const std::vector<std::pair<BlendMode, Mix>>& mixes() {
    static const std::vector<std::pair<BlendMode, Mix>> rows{
        {BlendMode::multiply, separable([](Real b, Real s) { return b * s; })},
        {BlendMode::screen, separable([](Real b, Real s) { return 1 - (1 - b) * (1 - s); })},
        {BlendMode::overlay, separable([](Real b, Real s) { return hard(s, b); })},
        {BlendMode::darken, separable([](Real b, Real s) { return std::min(b, s); })},
        {BlendMode::lighten, separable([](Real b, Real s) { return std::max(b, s); })},
        {BlendMode::colour_dodge, separable([](Real b, Real s) {
             return b == 0 ? 0 : s == 1 ? 1 : std::min<Real>(1, b / (1 - s));
         })},
        {BlendMode::colour_burn, separable([](Real b, Real s) {
             return b == 1 ? 1 : s == 0 ? 0 : 1 - std::min<Real>(1, (1 - b) / s);
         })},
        {BlendMode::hard_light, separable(hard)},
        {BlendMode::soft_light, separable(soft)},
        {BlendMode::difference, separable([](Real b, Real s) { return std::abs(b - s); })},
        {BlendMode::exclusion, separable([](Real b, Real s) { return b + s - 2 * b * s; })},
        {BlendMode::hue, [](const Rgb& b, const Rgb& s) { return set_lum(set_sat(s, sat(b)), lum(b)); }},
        {BlendMode::saturation,
         [](const Rgb& b, const Rgb& s) { return set_lum(set_sat(b, sat(s)), lum(b)); }},
        {BlendMode::colour, [](const Rgb& b, const Rgb& s) { return set_lum(s, lum(b)); }},
        {BlendMode::luminosity, [](const Rgb& b, const Rgb& s) { return set_lum(b, lum(s)); }},
    };
    return rows;
}

struct Operator {
    BlendMode mode;
    std::function<std::pair<Real, Real>(Real, Real)> shares; // of source and backdrop, from their alphas
};
const std::vector<Operator>& operators() {
    using P = std::pair<Real, Real>;
    static const std::vector<Operator> rows{
        {BlendMode::source_over,
         [](Real s, Real) {
             return P{1, 1 - s};
         }},
        {BlendMode::copy,
         [](Real, Real) {
             return P{1, 0};
         }},
        {BlendMode::clear,
         [](Real, Real) {
             return P{0, 0};
         }},
        {BlendMode::destination_over,
         [](Real, Real b) {
             return P{1 - b, 1};
         }},
        {BlendMode::source_in,
         [](Real, Real b) {
             return P{b, 0};
         }},
        {BlendMode::destination_in,
         [](Real s, Real) {
             return P{0, s};
         }},
        {BlendMode::source_out,
         [](Real, Real b) {
             return P{1 - b, 0};
         }},
        {BlendMode::destination_out,
         [](Real s, Real) {
             return P{0, 1 - s};
         }},
        {BlendMode::source_atop,
         [](Real s, Real b) {
             return P{b, 1 - s};
         }},
        {BlendMode::destination_atop,
         [](Real s, Real b) {
             return P{1 - b, s};
         }},
        {BlendMode::exclusive_or,
         [](Real s, Real b) {
             return P{1 - b, 1 - s};
         }},
        {BlendMode::lighter,
         [](Real, Real) {
             return P{1, 1};
         }},
    };
    return rows;
}

/// Colour and alpha of source over backdrop once more in the recommendation's own words, in real numbers.
RealColour wanted(BlendMode mode, const RealColour& source, const RealColour& backdrop) {
    const Real as = source.alpha;
    const Real ab = backdrop.alpha;
    Rgb s{source.red, source.green, source.blue};
    const Rgb b{backdrop.red, backdrop.green, backdrop.blue};
    std::pair<Real, Real> shares{1, 1 - as};
    for (const auto& [known, mix] : mixes())
        if (known == mode) {
            const Rgb m = mix(b, s);
            s = {(1 - ab) * s.r + ab * m.r, (1 - ab) * s.g + ab * m.g, (1 - ab) * s.b + ab * m.b};
        }
    for (const auto& [known, tell] : operators())
        if (known == mode) shares = tell(as, ab);
    const Real over = as * shares.first;
    const Real under = ab * shares.second;
    const Real alpha = std::min<Real>(1, over + under);
    if (alpha <= 0) return mode == BlendMode::source_over ? backdrop : RealColour{0, 0, 0, 0};
    const auto mixed = [&](Real cs, Real cb) {
        return static_cast<double>(std::clamp<Real>((over * cs + under * cb) / alpha, 0, 1));
    };
    return {mixed(s.r, b.r), mixed(s.g, b.g), mixed(s.b, b.b), static_cast<double>(alpha)};
}

std::vector<BlendMode> formula_modes() {
    std::vector<BlendMode> result;
    for (const auto& row : mixes()) result.push_back(row.first);
    for (const auto& row : operators()) result.push_back(row.mode);
    return result;
}

Image row_of(PixelFormat format, const std::vector<RealColour>& colours) {
    Image row({static_cast<std::int32_t>(colours.size()), 1}, format);
    for (int x = 0; x < row.width(); ++x) row.view().set_pixel({x, 0}, colours[static_cast<std::size_t>(x)]);
    return row;
}

} // namespace

TEST(BlendModes, EveryPairOfValuesOfAnOpaqueChannel) {
    for (const BlendMode mode : formula_modes()) {
        Image row({256, 1}, PixelFormat::gray8);
        Image once({1, 1}, PixelFormat::gray8);
        for (int source = 0; source < 256; ++source)
            for (const int alpha : {0, 1, 77, 128, 254, 255}) {
                for (int x = 0; x < 256; ++x) row.set_pixel({x, 0}, Colour(x, x, x));
                const Colour colour(source, source, source, alpha);
                draw(row, Box{0, 0, 256, 1}, Fill{colour, {}, {}, {mode}});
                for (int x = 0; x < 256; ++x) {
                    once.view().set_pixel({0, 0},
                                          wanted(mode, real_colour(colour), real_colour(Colour(x, x, x))));
                    ASSERT_EQ(row.pixel({x, 0}), once.pixel({0, 0}))
                        << "mode " << int(mode) << ", " << source << " alpha " << alpha << " over " << x;
                }
            }
    }
}

namespace {

/// Draws a grid of colours over others, of which all are opaque or not.
void expect_formulas(bool over_opaque) {
    std::vector<RealColour> backdrops;
    std::vector<Colour> sources;
    for (int i = 0; i < 60; ++i) {
        Colour colour(i * 37 % 256, i * 91 % 256, i * 151 % 256, i % 4 == 0 ? 255 : i * 53 % 256);
        sources.push_back(colour);
        if (over_opaque) colour.alpha = 255;
        backdrops.push_back(real_colour(colour));
    }
    for (const PixelFormat format : all_formats) {
        for (const BlendMode mode : formula_modes())
            for (const Colour& source : sources)
                for (const std::uint8_t opacity : {std::uint8_t{255}, std::uint8_t{100}}) {
                    const Image before = row_of(format, backdrops);
                    Image row = before;
                    draw(row, Box{0, 0, 60, 1}, Fill{source, {}, {}, {mode, opacity}});
                    // Onto 8 bits the scaled alpha is one of 8 bits, onto others of theirs.
                    RealColour scaled = real_colour(source);
                    const int most = layout(format).kind == PixelLayout::Kind::words ? 65535 : 255;
                    scaled.alpha = scaled.alpha * opacity / 255;
                    if (layout(format).kind != PixelLayout::Kind::floats)
                        scaled.alpha = std::floor(scaled.alpha * most + 0.5 + 1e-9) / most;
                    if (layout(format).is_gray()) {
                        const double gray =
                            0.2126 * scaled.red + 0.7152 * scaled.green + 0.0722 * scaled.blue;
                        const bool floats = layout(format).kind == PixelLayout::Kind::floats;
                        scaled.red = scaled.green = scaled.blue =
                            floats ? gray : std::floor(gray * most + 0.5 + 1e-9) / most;
                    }
                    Image once = before;
                    for (int x = 0; x < 60; ++x) {
                        const bool narrow = !layout(format).is_deep();
                        const RealColour backdrop =
                            narrow ? real_colour(before.pixel({x, 0})) : before.view().real_pixel({x, 0});
                        RealColour result = wanted(mode, scaled, backdrop);
                        // Alpha that is rounded to 0 leaves no colour.
                        const bool vanishes = result.alpha * most + 0.5 + 1e-9 < 1 &&
                                              layout(format).kind != PixelLayout::Kind::floats;
                        if (vanishes && mode != BlendMode::source_over) result = {0, 0, 0, 0};
                        if (narrow)
                            once.set_pixel({x, 0}, colour(result)); // rounded to 8 bits first
                        else
                            once.view().set_pixel({x, 0}, result);
                        const RealColour read = row.view().real_pixel({x, 0});
                        const RealColour want = once.view().real_pixel({x, 0});
                        const double slack = layout(format).kind == PixelLayout::Kind::floats ? 1e-6 : 0;
                        ASSERT_TRUE(std::abs(read.red - want.red) <= slack &&
                                    std::abs(read.green - want.green) <= slack &&
                                    std::abs(read.blue - want.blue) <= slack &&
                                    std::abs(read.alpha - want.alpha) <= slack)
                            << layout(format).name << " mode " << int(mode) << ' ' << hex(source)
                            << " opacity " << int(opacity) << " over pixel " << x;
                    }
                }
    }
}

} // namespace

TEST(BlendModes, ADenseGridOfColoursInEveryFormat) {
    expect_formulas(false);
}

TEST(BlendModes, OverOpaqueColoursInEveryFormat) {
    expect_formulas(true); // whole runs of which go at once
}

/// Onto gray a deep colour's gray is rounded once, and onto few bits the mixture.
TEST(BlendModes, DeepColoursAreRoundedOnce) {
    const auto rounded = [](double value, int most) { return std::floor(value * most + 0.5 + 1e-9) / most; };
    for (int i = 0; i < 300; ++i) {
        const RealColour source{i * 37 % 101 / 100.0, i * 91 % 103 / 102.0, i * 151 % 107 / 106.0,
                                i % 3 == 0 ? 1 : i * 53 % 97 / 96.0};
        const RealColour ground = real_colour(Colour(i * 71 % 256, i * 13 % 256, i * 29 % 256));
        for (const PixelFormat format : {PixelFormat::gray8, PixelFormat::gray16, PixelFormat::rgb565}) {
            Image image = row_of(format, {ground});
            const bool packed = format == PixelFormat::rgb565;
            const int most = layout(format).is_deep() ? 65535 : 255;
            RealColour shown = source;
            if (!packed) {
                shown.red = shown.green = shown.blue =
                    rounded(0.2126 * source.red + 0.7152 * source.green + 0.0722 * source.blue, most);
                shown.alpha = rounded(source.alpha, most);
            }
            const RealColour backdrop =
                packed ? real_colour(image.pixel({0, 0})) : image.view().real_pixel({0, 0});
            draw(image, Box{0, 0, 1, 1}, Fill{source});
            const Image once = row_of(format, {wanted(BlendMode::source_over, shown, backdrop)});
            EXPECT_EQ(image.view().real_pixel({0, 0}), once.view().real_pixel({0, 0}))
                << layout(format).name << ' ' << i;
        }
    }
}

TEST(BlendModes, ForMarkingChangeNumbersAndComeBack) {
    for (const PixelFormat format : {PixelFormat::rgb8, PixelFormat::bgra8, PixelFormat::gray8}) {
        Image image({2, 1}, format, {0b11001010, 0b11001010, 0b11001010, 77});
        const Image before = image;
        const auto paint = [&](BlendMode mode) {
            draw(image, Box{0, 0, 1, 1}, Fill{Colour(0b10100110, 0b10100110, 0b10100110), {}, {}, {mode}});
            return int{image.pixel({0, 0}).red};
        };
        EXPECT_EQ(paint(BlendMode::bits_xor), 0b01101100);
        EXPECT_EQ(paint(BlendMode::bits_xor), 0b11001010);
        EXPECT_EQ(paint(BlendMode::invert), 0b00110101);
        EXPECT_EQ(paint(BlendMode::invert), 0b11001010);
        EXPECT_EQ(image.pixel({0, 0}), before.pixel({0, 0}));
        EXPECT_EQ(paint(BlendMode::bits_and), 0b10000010);
        EXPECT_EQ(paint(BlendMode::bits_or), 0b10100110);
        EXPECT_EQ(image.pixel({1, 0}), before.pixel({1, 0}));
    }
    Image floats({1, 1}, PixelFormat::gray32f);
    expect_errors<ArgumentError>({{[&] {
                                       draw(floats, Box{0, 0, 1, 1}, Fill{{}, {}, {}, {BlendMode::bits_or}});
                                   },
                                   "a blend mode for bits cannot paint the floats of gray32f"}});
}

TEST(BlendModes, MasksAndChannelViewsChangeTheirChannelsOnly) {
    for (const PixelFormat format : {PixelFormat::rgba8, PixelFormat::argb8, PixelFormat::rgba16}) {
        Image image({9, 5}, format, {10, 20, 30, 40});
        draw(image.view().masked({.red = true, .green = false, .blue = false, .alpha = false}),
             Box{0, 0, 3, 5}, Fill{Colour(200, 201, 202)});
        EXPECT_EQ(image.pixel({2, 4}).green, 20);
        EXPECT_EQ(image.pixel({2, 4}).alpha, 40);
        EXPECT_NE(image.pixel({2, 4}).red, 10);
        draw(image.view().channel(Channel::green), Circle{{6, 2}, 2}, Fill{Colour(99, 99, 99)});
        draw(image.view().channel(Channel::blue), Line{{3, 0}, {8, 4}}, Stroke{Colour(77, 77, 77)});
        EXPECT_EQ(image.pixel({6, 2}), Colour(10, 99, 77, 40)) << layout(format).name;
        EXPECT_EQ(image.pixel({3, 4}), Colour(10, 20, 30, 40));
        EXPECT_EQ(image.pixel({3, 0}), Colour(10, 20, 77, 40));
        const ImageView guarded =
            image.view().masked({.red = true, .green = false, .blue = true, .alpha = true});
        draw(guarded.channel(Channel::green), Box{3, 0, 1, 1}, Fill{Colour(1, 1, 1)});
        draw(guarded.channel(Channel::red), Box{3, 0, 1, 1}, Fill{Colour(5, 5, 5)});
        EXPECT_EQ(image.pixel({3, 0}), Colour(5, 20, 77, 40));
    }
}

} // namespace coldbrick::test
