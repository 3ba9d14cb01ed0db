#include "paint/pattern_sampler.hpp"

#include "base/range_checks.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cmath>
#include <limits>
#include <utility>

namespace coldbrick {

namespace {

void check_at_least_1(const char* what, std::int32_t value) {
    base::check_range(what, value, 1, std::numeric_limits<std::int32_t>::max());
}

void check_stops(const std::vector<ColourStop>& stops) {
    if (stops.empty()) throw ArgumentError("a gradient needs at least 1 stop");
    double before = 0;
    for (const ColourStop& stop : stops) {
        if (!(stop.place >= 0 && stop.place <= 1))
            throw ArgumentError(fmt::format("a gradient's stop at {} is outside 0..1", stop.place));
        if (stop.place < before)
            throw ArgumentError(fmt::format("a gradient's stop at {} follows one at {}", stop.place, before));
        before = stop.place;
    }
}

void check_origin(PatternOrigin origin) {
    base::check_choice("pattern origin", origin, PatternOrigin::shape);
}

void check(const Colour16&) {}

void check(const Stipple& stipple) {
    check_origin(stipple.origin);
}

void check(const RealColour& real) {
    (void)colour(real);
}

void check(const LinearGradient& gradient) {
    check_origin(gradient.origin);
    check_stops(gradient.stops);
    if (gradient.from == gradient.to)
        throw ArgumentError(fmt::format("a gradient from ({}, {}) to the same point has no direction",
                                        gradient.from.x, gradient.from.y));
}

void check(const RadialGradient& gradient) {
    check_origin(gradient.origin);
    check_stops(gradient.stops);
    check_at_least_1("gradient radius", gradient.radius);
}

void check(const Hatch& hatch) {
    check_origin(hatch.origin);
    base::check_choice("hatch direction", hatch.direction, Hatch::Direction::lattice);
    check_at_least_1("hatch spacing", hatch.spacing);
    check_at_least_1("hatch width", hatch.width);
}

void check(const Texture& texture) {
    check_origin(texture.origin);
    check_at_least_1("texture width", texture.size.width);
    check_at_least_1("texture height", texture.size.height);
    const auto wanted =
        static_cast<std::uint64_t>(texture.size.width) * static_cast<std::uint64_t>(texture.size.height);
    if (texture.pixels.size() != wanted)
        throw ArgumentError(fmt::format("a texture of {} x {} has {} pixels", texture.size.width,
                                        texture.size.height, texture.pixels.size()));
}

} // namespace

Paint::Paint(Pattern pattern) {
    std::visit([](const auto& one) { check(one); }, pattern);
    pattern_ = std::make_shared<const Pattern>(std::move(pattern));
}

namespace paint {

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

const Colour16& at(const Colour16& colour, std::int64_t, std::int64_t) {
    return colour;
}

const RealColour& at(const RealColour& colour, std::int64_t, std::int64_t) {
    return colour;
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
    const auto tell = []<class P>(const P& one) {
        if constexpr (requires { one.origin; })
            return one.origin;
        else
            return PatternOrigin::image;
    };
    return std::visit(tell, pattern);
}

} // namespace paint

} // namespace coldbrick
