/// @file
/// The colours along a gradient.
#pragma once

#include "paint/formats/channel_depth.hpp"

#include <coldbrick/pattern.hpp>

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

} // namespace coldbrick::paint
