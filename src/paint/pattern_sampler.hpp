/// @file
/// The colours of a pattern's pixels.
#pragma once

#include "paint/channel_depth.hpp"

#include <coldbrick/paint.hpp>

#include <cstdint>
#include <span>
#include <vector>

namespace coldbrick::paint {

/// A gradient's stops in real numbers, worked out once for many pixels.
class Ramp {
  public:
    Ramp() = default;
    explicit Ramp(const std::vector<ColourStop>& stops);

    /// The places [begin, end) at which the colour is `colour` plus `slope` for each 1 from `from` on.
    struct Piece {
        double begin;
        double end;
        double from;
        RealColour colour;
        RealColour slope;

        [[nodiscard]] bool has(double place) const { return place >= begin && place < end; }
    };
    [[nodiscard]] Piece piece_at(double place) const;

  private:
    struct Step {
        double place;
        RealColour colour;
        RealColour slope; ///< how each channel changes from here to the next step, for a length of 1
    };

    std::vector<Step> steps_;
};

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
