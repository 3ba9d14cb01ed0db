#include <coldbrick/colour_space.hpp>

#include "base/range_checks.hpp"
#include "paint/channel_depth.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cmath>

namespace coldbrick {

namespace {

void check_share(const char* what, double value) {
    if (!(value >= 0 && value <= 1)) // which what is not a number is not
        throw ArgumentError(fmt::format("{} {} is outside 0..1", what, value));
}

/// How far into the hue circle, in sixths, 0 to 6.
double sixths(Angle hue) {
    base::check_finite("hue", hue.in_degrees());
    return hue.within_turn().in_degrees() / 60;
}

/// A channel of the pure hue: 1 for two sixths about `centre`, falling to 0 over one sixth to both sides.
double pure(double hue, double centre) {
    const double distance = std::abs(hue - centre);
    return std::clamp(2 - std::min(distance, 6 - distance), 0.0, 1.0);
}

/// The colour whose least channel is `least` and whose largest one is `least + range`.
Colour of_hue(double hue, double least, double range, std::uint8_t alpha) {
    const auto channel = [&](double centre) {
        return paint::from_real<Colour>(least + range * pure(hue, centre));
    };
    return {channel(0), channel(2), channel(4), alpha};
}

/// What hues are worked out from, all in 0..255.
struct Extent {
    int most;
    int least;

    explicit Extent(const Colour& colour)
        : most(std::max({colour.red, colour.green, colour.blue})),
          least(std::min({colour.red, colour.green, colour.blue})) {}

    [[nodiscard]] double range() const { return most - least; }
};

Angle hue_of(const Colour& colour, const Extent& extent) {
    if (extent.range() == 0) return {};
    double sixth = 0;
    if (extent.most == colour.red)
        sixth = (colour.green - colour.blue) / extent.range();
    else if (extent.most == colour.green)
        sixth = 2 + (colour.blue - colour.red) / extent.range();
    else
        sixth = 4 + (colour.red - colour.green) / extent.range();
    return degrees(60 * sixth).within_turn();
}

} // namespace

Colour colour(const Hsl& hsl) {
    check_share("saturation", hsl.saturation);
    check_share("lightness", hsl.lightness);
    const double range = hsl.saturation * (1 - std::abs(2 * hsl.lightness - 1));
    return of_hue(sixths(hsl.hue), hsl.lightness - range / 2, range, hsl.alpha);
}

Colour colour(const Hsv& hsv) {
    check_share("saturation", hsv.saturation);
    check_share("value", hsv.value);
    const double range = hsv.saturation * hsv.value;
    return of_hue(sixths(hsv.hue), hsv.value - range, range, hsv.alpha);
}

Hsl hsl(const Colour& colour) {
    const Extent extent(colour);
    const int sum = extent.most + extent.least;
    const double saturation = extent.range() == 0 ? 0 : extent.range() / (255 - std::abs(sum - 255));
    return {hue_of(colour, extent), saturation, sum / 510.0, colour.alpha};
}

Hsv hsv(const Colour& colour) {
    const Extent extent(colour);
    const double saturation = extent.most == 0 ? 0 : extent.range() / extent.most;
    return {hue_of(colour, extent), saturation, extent.most / 255.0, colour.alpha};
}

Colour mix(const Colour& first, const Colour& second, double share) {
    check_share("share", share);
    const auto between = [share](int a, int b) {
        return paint::from_real<Colour>((a + (b - a) * share) / 255);
    };
    return {between(first.red, second.red), between(first.green, second.green),
            between(first.blue, second.blue), between(first.alpha, second.alpha)};
}

Colour lighter(const Colour& colour, double share) {
    return mix(colour, {255, 255, 255, colour.alpha}, share);
}

Colour darker(const Colour& colour, double share) {
    return mix(colour, {0, 0, 0, colour.alpha}, share);
}

double luminance(const Colour& colour) {
    return paint::linear_gray(paint::to_depth<RealColour>(colour));
}

double contrast(const Colour& a, const Colour& b) {
    const double first = luminance(a) + 0.05;
    const double second = luminance(b) + 0.05;
    return std::max(first, second) / std::min(first, second);
}

Colour RandomColours::next() {
    state_ += 0x9E3779B97F4A7C15U;
    std::uint64_t mixed = state_;
    mixed = (mixed ^ mixed >> 30U) * 0xBF58476D1CE4E5B9U;
    mixed = (mixed ^ mixed >> 27U) * 0x94D049BB133111EBU;
    mixed ^= mixed >> 31U;
    const auto byte = [mixed](unsigned shift) { return static_cast<int>(mixed >> shift & 255U); };
    return {byte(56), byte(48), byte(40)};
}

std::vector<Colour> distinct_colours(std::size_t count, std::uint64_t seed) {
    base::check_range("number of colours", static_cast<std::int64_t>(std::min<std::size_t>(count, 1000)), 1,
                      256);
    const Angle first = hsv(RandomColours(seed).next()).hue;
    std::vector<Colour> result;
    for (std::size_t i = 0; i < count; ++i) {
        const bool dark = count > 6 && i % 2 == 1;
        const Angle turn = degrees(360.0 * static_cast<double>(i) / static_cast<double>(count));
        result.push_back(colour(Hsl{first + turn, 0.75, dark ? 0.35 : 0.6}));
    }
    return result;
}

} // namespace coldbrick
