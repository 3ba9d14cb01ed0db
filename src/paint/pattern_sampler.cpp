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

const Colour& at(const Hatch& hatch, std::int64_t x, std::int64_t y) {
    const auto on = [&hatch](std::int64_t place) { return modulo(place, hatch.spacing) < hatch.width; };
    using Direction = Hatch::Direction;
    bool painted = false;
    switch (hatch.direction) {
    case Direction::level: painted = on(y); break;
    case Direction::upright: painted = on(x); break;
    case Direction::rising: painted = on(x + y); break;
    case Direction::falling: painted = on(x - y); break;
    case Direction::grid: painted = on(x) || on(y); break;
    case Direction::lattice: painted = on(x + y) || on(x - y); break;
    }
    return painted ? hatch.colour : hatch.ground;
}

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

/// The colours of a pattern's pixels, one after the other to the right.
template <class Kind>
class Sampler {
  public:
    Sampler(const Kind& kind, const Ramp&) : kind_(kind) {}
    [[nodiscard]] decltype(auto) at(std::int64_t x, std::int64_t y) const {
        return coldbrick::paint::at(kind_, x, y);
    }

  private:
    const Kind& kind_;
};

template <>
class Sampler<LinearGradient> {
  public:
    Sampler(const LinearGradient& gradient, const Ramp& ramp)
        : gradient_(gradient), ramp_(ramp),
          along_x_(static_cast<double>(std::int64_t{gradient.to.x} - gradient.from.x)),
          along_y_(static_cast<double>(std::int64_t{gradient.to.y} - gradient.from.y)),
          square_(along_x_ * along_x_ + along_y_ * along_y_) {}

    [[nodiscard]] RealColour at(std::int64_t x, std::int64_t y) const {
        const auto from_x = static_cast<double>(x - gradient_.from.x);
        const auto from_y = static_cast<double>(y - gradient_.from.y);
        return ramp_.at((from_x * along_x_ + from_y * along_y_) / square_);
    }

  private:
    const LinearGradient& gradient_;
    const Ramp& ramp_;
    double along_x_;
    double along_y_;
    double square_;
};

template <>
class Sampler<RadialGradient> {
  public:
    Sampler(const RadialGradient& gradient, const Ramp& ramp) : gradient_(gradient), ramp_(ramp) {}

    [[nodiscard]] RealColour at(std::int64_t x, std::int64_t y) const {
        const auto across = static_cast<double>(x - gradient_.centre.x);
        const auto down = static_cast<double>(y - gradient_.centre.y);
        return ramp_.at(std::sqrt(across * across + down * down) / gradient_.radius);
    }

  private:
    const RadialGradient& gradient_;
    const Ramp& ramp_;
};

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
    const auto fill = [&]<class Kind>(const Kind& kind) {
        const Sampler<Kind> sampler(kind, ramp_);
        for (C& colour : colours) colour = to_depth<C>(sampler.at(x++, y));
    };
    std::visit(fill, *pattern_);
}

template void PatternSampler::row(std::int64_t, std::int64_t, std::span<Colour>) const;
template void PatternSampler::row(std::int64_t, std::int64_t, std::span<Colour16>) const;
template void PatternSampler::row(std::int64_t, std::int64_t, std::span<RealColour>) const;

PatternOrigin origin_of(const Pattern& pattern) {
    return std::visit([](const auto& one) { return one.origin; }, pattern);
}

} // namespace coldbrick::paint
