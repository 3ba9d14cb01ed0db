#include "paint/pattern_sampler.hpp"

#include <algorithm>
#include <cmath>

namespace coldbrick::paint {

namespace {

/// value mod divisor, never below 0.
std::int64_t modulo(std::int64_t value, std::int64_t divisor) {
    const std::int64_t rest = value % divisor;
    return rest < 0 ? rest + divisor : rest;
}

/// Counts places along a row that repeat.
class Phase {
  public:
    Phase(std::int64_t place, std::int64_t period) : period_(period), phase_(modulo(place, period)) {}

    [[nodiscard]] std::int64_t value() const { return phase_; }
    void next() { phase_ = phase_ + 1 == period_ ? 0 : phase_ + 1; }

  private:
    std::int64_t period_;
    std::int64_t phase_;
};

const Colour& at(const Stipple& stipple, std::int64_t x, std::int64_t y) {
    const unsigned row = stipple.rows[static_cast<std::size_t>(modulo(y, 8))];
    const auto bit = static_cast<unsigned>(7 - modulo(x, 8));
    return (row >> bit & 1U) != 0 ? stipple.colour : stipple.ground;
}

const Colour16& at(const Texture& texture, std::int64_t x, std::int64_t y) {
    const auto row = static_cast<std::size_t>(modulo(y, texture.size.height));
    const auto column = static_cast<std::size_t>(modulo(x, texture.size.width));
    return texture.pixels[row * static_cast<std::size_t>(texture.size.width) + column];
}

// Each fills colours with a pattern's pixels from (x, y) on to the right.

template <class C, class Kind>
void fill_row(const Kind& kind, const Ramp&, std::int64_t x, std::int64_t y, std::span<C> colours) {
    for (C& colour : colours) colour = to_depth<C>(at(kind, x++, y));
}

template <class C>
void fill_row(const Hatch& hatch, const Ramp&, std::int64_t x, std::int64_t y, std::span<C> colours) {
    using Direction = Hatch::Direction;
    const C painted = to_depth<C>(hatch.colour);
    const C ground = to_depth<C>(hatch.ground);
    const bool whole_row = (hatch.direction == Direction::level || hatch.direction == Direction::grid) &&
                           modulo(y, hatch.spacing) < hatch.width;
    if (whole_row || hatch.direction == Direction::level)
        return (void)std::ranges::fill(colours, whole_row ? painted : ground);
    const bool both = hatch.direction == Direction::lattice;
    const bool falls = hatch.direction == Direction::falling;
    const bool rises = both || hatch.direction == Direction::rising;
    Phase phase(falls ? x - y : rises ? x + y : x, hatch.spacing);
    Phase other(both ? x - y : 0, hatch.spacing); // of the lattice's other lines
    for (C& colour : colours) {
        colour = phase.value() < hatch.width || (both && other.value() < hatch.width) ? painted : ground;
        phase.next();
        other.next();
    }
}

template <class C>
void fill_row(const LinearGradient& gradient, const Ramp& ramp, std::int64_t x, std::int64_t y,
              std::span<C> colours) {
    const auto along_x = static_cast<double>(std::int64_t{gradient.to.x} - gradient.from.x);
    const auto along_y = static_cast<double>(std::int64_t{gradient.to.y} - gradient.from.y);
    const double square = along_x * along_x + along_y * along_y;
    const auto from_y = static_cast<double>(y - gradient.from.y);
    const auto colour_at = [&](std::int64_t column) {
        const auto from_x = static_cast<double>(column - gradient.from.x);
        return to_depth<C>(ramp.at((from_x * along_x + from_y * along_y) / square));
    };
    if (along_x == 0) return (void)std::ranges::fill(colours, colour_at(x));
    for (C& colour : colours) colour = colour_at(x++);
}

template <class C>
void fill_row(const RadialGradient& gradient, const Ramp& ramp, std::int64_t x, std::int64_t y,
              std::span<C> colours) {
    const auto down = static_cast<double>(y - gradient.centre.y);
    for (C& colour : colours) {
        const auto across = static_cast<double>(x++ - gradient.centre.x);
        colour = to_depth<C>(ramp.at(std::sqrt(across * across + down * down) / gradient.radius));
    }
}

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

RealColour Ramp::at(double place) const {
    const auto after = std::ranges::upper_bound(steps_, place, {}, &Step::place);
    if (after == steps_.begin()) return after->colour;
    const Step& step = *(after - 1);
    if (after == steps_.end()) return step.colour;
    const double further = place - step.place;
    const auto along = [further](double from, double change) { return from + change * further; };
    return {along(step.colour.red, step.slope.red), along(step.colour.green, step.slope.green),
            along(step.colour.blue, step.slope.blue), along(step.colour.alpha, step.slope.alpha)};
}

PatternSampler::PatternSampler(const Pattern& pattern) : pattern_(&pattern) {
    if (const auto* const linear = std::get_if<LinearGradient>(&pattern)) ramp_ = Ramp(linear->stops);
    if (const auto* const radial = std::get_if<RadialGradient>(&pattern)) ramp_ = Ramp(radial->stops);
}

template <class C>
void PatternSampler::row(std::int64_t x, std::int64_t y, std::span<C> colours) const {
    const auto fill = [&](const auto& kind) { fill_row(kind, ramp_, x, y, colours); };
    std::visit(fill, *pattern_);
}

template void PatternSampler::row(std::int64_t, std::int64_t, std::span<Colour>) const;
template void PatternSampler::row(std::int64_t, std::int64_t, std::span<Colour16>) const;
template void PatternSampler::row(std::int64_t, std::int64_t, std::span<RealColour>) const;

PatternOrigin origin_of(const Pattern& pattern) {
    return std::visit([](const auto& one) { return one.origin; }, pattern);
}

} // namespace coldbrick::paint
