#include "paint/pattern_sampler.hpp"

#include "paint/cpu_features.hpp"
#include "paint/reals.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>

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

// Each fills colours with a pattern's pixels from (x, y) on to the right.

template <class C>
void fill_row(const Texture& texture, const Ramp&, std::int64_t x, std::int64_t y, std::span<C> colours) {
    const auto width = static_cast<std::size_t>(texture.size.width);
    const auto row = static_cast<std::size_t>(modulo(y, texture.size.height));
    const std::span<const Colour16> pixels = std::span(texture.pixels).subspan(row * width, width);
    auto column = static_cast<std::size_t>(modulo(x, texture.size.width));
    while (!colours.empty()) { // up to where the texture repeats
        const std::size_t count = std::min(colours.size(), width - column);
        for (std::size_t i = 0; i < count; ++i) colours[i] = to_depth<C>(pixels[column + i]);
        colours = colours.subspan(count);
        column = 0;
    }
}

template <class C>
void fill_row(const Stipple& stipple, const Ramp&, std::int64_t x, std::int64_t y, std::span<C> colours) {
    std::array<C, 8> repeated;
    for (std::int64_t i = 0; i < 8; ++i)
        repeated[static_cast<std::size_t>(i)] = to_depth<C>(at(stipple, x + i, y));
    for (; colours.size() >= repeated.size(); colours = colours.subspan(repeated.size()))
        std::ranges::copy(repeated, colours.begin());
    std::ranges::copy(std::span(repeated).first(colours.size()), colours.begin());
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
    const auto spacing = static_cast<std::size_t>(hatch.spacing);
    for (C& colour : colours.first(std::min(spacing, colours.size()))) {
        colour = phase.value() < hatch.width || (both && other.value() < hatch.width) ? painted : ground;
        phase.next();
        other.next();
    }
    for (std::size_t done = spacing; done < colours.size();) { // what repeats is twice as long each time
        const std::size_t count = std::min(done, colours.size() - done);
        std::ranges::copy(colours.first(count), colours.begin() + static_cast<std::ptrdiff_t>(done));
        done += count;
    }
}

/// Fills colours with those of a ramp at place_of(0), place_of(1) and so on, most of which lie between the
/// same stops as the one before.
template <class C, class PlaceOf>
[[gnu::always_inline]] inline void fill_along(const Ramp& ramp, std::span<C> colours,
                                              const PlaceOf& place_of) {
    Ramp::Piece piece = ramp.piece_at(place_of(0));
    for (std::size_t i = 0; i < colours.size(); ++i) {
        const double place = place_of(static_cast<std::int64_t>(i));
        if (!piece.has(place)) piece = ramp.piece_at(place);
        const Reals colour = reals(piece.colour) + reals(piece.slope) * (place - piece.from);
        if constexpr (std::same_as<C, Colour>)
            colours[i] = to_bytes(colour);
        else
            colours[i] = to_depth<C>(RealColour{colour[0], colour[1], colour[2], colour[3]});
    }
}

/// The same in the registers that the processor has.
template <class C, class PlaceOf>
COLDBRICK_WIDE void fill_along_wide(const Ramp& ramp, std::span<C> colours, const PlaceOf& place_of) {
    fill_along(ramp, colours, place_of);
}
template <class C, class PlaceOf>
void fill_along_any(const Ramp& ramp, std::span<C> colours, const PlaceOf& place_of) {
    if (colours.empty()) return;
    wide_vectors() ? fill_along_wide(ramp, colours, place_of) : fill_along(ramp, colours, place_of);
}

template <class C>
void fill_row(const LinearGradient& gradient, const Ramp& ramp, std::int64_t x, std::int64_t y,
              std::span<C> colours) {
    const auto along_x = static_cast<double>(std::int64_t{gradient.to.x} - gradient.from.x);
    const auto along_y = static_cast<double>(std::int64_t{gradient.to.y} - gradient.from.y);
    const double square = along_x * along_x + along_y * along_y;
    const auto from_y = static_cast<double>(y - gradient.from.y);
    const std::int64_t from_x = x - gradient.from.x;
    const auto place_of = [=](std::int64_t i) __attribute__((always_inline)) {
        return (static_cast<double>(from_x + i) * along_x + from_y * along_y) / square;
    };
    if (along_x != 0) return fill_along_any(ramp, colours, place_of);
    fill_along_any(ramp, colours.first(std::min<std::size_t>(1, colours.size())), place_of);
    if (!colours.empty()) std::ranges::fill(colours, C(colours[0]));
}

template <class C>
void fill_row(const RadialGradient& gradient, const Ramp& ramp, std::int64_t x, std::int64_t y,
              std::span<C> colours) {
    const auto down = static_cast<double>(y - gradient.centre.y);
    const std::int64_t from_x = x - gradient.centre.x;
    const auto radius = static_cast<double>(gradient.radius);
    fill_along_any(
        ramp, colours, [=](std::int64_t i) __attribute__((always_inline)) {
            const auto across = static_cast<double>(from_x + i);
            return std::sqrt(across * across + down * down) / radius;
        });
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

Ramp::Piece Ramp::piece_at(double place) const {
    constexpr double infinity = std::numeric_limits<double>::infinity();
    constexpr RealColour level{0, 0, 0, 0};
    const auto after = std::ranges::upper_bound(steps_, place, {}, &Step::place);
    if (after == steps_.begin()) return {-infinity, after->place, 0, after->colour, level};
    const Step& step = *(after - 1);
    if (after == steps_.end()) return {step.place, infinity, 0, step.colour, level};
    return {step.place, after->place, step.place, step.colour, step.slope};
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
