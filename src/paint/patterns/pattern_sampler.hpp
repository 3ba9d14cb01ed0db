/// @file
/// The colours of a pattern's pixels.
#pragma once

#include "paint/patterns/ramp.hpp"

#include <coldbrick/paint.hpp>

#include <cstdint>
#include <span>

namespace coldbrick::paint {

/// Tells a pattern's colours. What memory that takes is taken when it is made, before anything is painted.
/// The pattern must outlive it.
class PatternSampler {
  public:
    explicit PatternSampler(const Pattern& pattern);

    /// Fills `colours` with those of the pixels from (x, y) on to the right, counted from the pattern's
    /// origin.
    /// @tparam C Colour, Colour16 or RealColour
    template <class C>
    void row(std::int64_t x, std::int64_t y, std::span<C> colours) const;

  private:
    const Pattern* pattern_;
    Ramp ramp_; ///< of gradients
};

/// What the pattern's coordinates are counted from.
PatternOrigin origin_of(const Pattern& pattern);

} // namespace coldbrick::paint
