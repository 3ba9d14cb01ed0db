#include "paint/patterns/pattern_sampler.hpp"

#include "paint/patterns/gradient_rows.hpp"
#include "paint/writers/cpu_features.hpp"

#include <algorithm>
#include <array>

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

template <class C>
[[gnu::always_inline]] inline void change_depth(std::span<const Colour16> from, C* __restrict to) {
    for (std::size_t i = 0; i < from.size(); ++i) to[i] = to_depth<C>(from[i]);
}
template <class C>
COLDBRICK_WIDE void change_depth_wide(std::span<const Colour16> from, C* to) {
    change_depth(from, to);
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
        const std::span<const Colour16> part = pixels.subspan(column, count);
        wide_vectors() ? change_depth_wide(part, colours.data()) : change_depth(part, colours.data());
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

template <class Gradient, class C>
void fill_row(const Gradient& gradient, const Ramp& ramp, std::int64_t x, std::int64_t y,
              std::span<C> colours) {
    fill_gradient_row(gradient, ramp, x, y, colours);
}

} // namespace

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
