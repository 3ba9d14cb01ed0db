#include <coldbrick/colour_mixing.hpp>

#include "base/range_checks.hpp"
#include "paint/formats/channel_depth.hpp"

#include <coldbrick/colour_space.hpp>

#include <algorithm>

namespace coldbrick {

Colour mix(const Colour& first, const Colour& second, double share) {
    base::check_share("share", share);
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
