#include "paint/patterns/ramp.hpp"

#include <algorithm>
#include <limits>

namespace coldbrick::paint {

namespace {

/// How a colour changes to another along so much.
RealColour slope(const RealColour& from, const RealColour& to, double length) {
    return {(to.red - from.red) / length, (to.green - from.green) / length, (to.blue - from.blue) / length,
            (to.alpha - from.alpha) / length};
}

} // namespace

Ramp::Ramp(const std::vector<ColourStop>& stops) {
    steps_.reserve(stops.size());
    for (const ColourStop& stop : stops)
        steps_.push_back({stop.place, to_depth<RealColour>(stop.colour), {}});
    for (std::size_t i = 0; i + 1 < steps_.size(); ++i) {
        const double length = steps_[i + 1].place - steps_[i].place;
        if (length > 0) steps_[i].slope = slope(steps_[i].colour, steps_[i + 1].colour, length);
    }
}

Ramp::Piece Ramp::piece_at(double place) const {
    constexpr double infinity = std::numeric_limits<double>::infinity();
    constexpr RealColour level{0, 0, 0, 0};
    const auto after = std::ranges::upper_bound(steps_, place, {}, &Step::place);
    if (after == steps_.begin()) return {-infinity, after->place, 0, after->colour, level};
    const Step& step = *(after - 1);
    if (after == steps_.end()) return {step.place, infinity, 0, step.colour, level};
    return {step.place, after->place, step.place, step.colour, step.slope};
}

} // namespace coldbrick::paint
