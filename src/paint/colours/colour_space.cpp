#include <coldbrick/colour_space.hpp>

#include "base/range_checks.hpp"
#include "paint/formats/channel_depth.hpp"

#include <algorithm>
#include <cmath>

namespace coldbrick {

namespace {

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
struct ChannelRange {
    int most;
    int least;

    explicit ChannelRange(const Colour& colour)
        : most(std::max({colour.red, colour.green, colour.blue})),
          least(std::min({colour.red, colour.green, colour.blue})) {}

    [[nodiscard]] double width() const { return most - least; }
};

Angle hue_of(const Colour& colour, const ChannelRange& range) {
    if (range.width() == 0) return {};
    double sixth = 0;
    if (range.most == colour.red)
        sixth = (colour.green - colour.blue) / range.width();
    else if (range.most == colour.green)
        sixth = 2 + (colour.blue - colour.red) / range.width();
    else
        sixth = 4 + (colour.red - colour.green) / range.width();
    return degrees(60 * sixth).within_turn();
}

} // namespace

Colour colour(const Hsl& hsl) {
    base::check_share("saturation", hsl.saturation);
    base::check_share("lightness", hsl.lightness);
    const double range = hsl.saturation * (1 - std::abs(2 * hsl.lightness - 1));
    return of_hue(sixths(hsl.hue), hsl.lightness - range / 2, range, hsl.alpha);
}

Colour colour(const Hsv& hsv) {
    base::check_share("saturation", hsv.saturation);
    base::check_share("value", hsv.value);
    const double range = hsv.saturation * hsv.value;
    return of_hue(sixths(hsv.hue), hsv.value - range, range, hsv.alpha);
}

Hsl hsl(const Colour& colour) {
    const ChannelRange range(colour);
    const int sum = range.most + range.least;
    const double saturation = range.width() == 0 ? 0 : range.width() / (255 - std::abs(sum - 255));
    return {hue_of(colour, range), saturation, sum / 510.0, colour.alpha};
}

Hsv hsv(const Colour& colour) {
    const ChannelRange range(colour);
    const double saturation = range.most == 0 ? 0 : range.width() / range.most;
    return {hue_of(colour, range), saturation, range.most / 255.0, colour.alpha};
}

} // namespace coldbrick
