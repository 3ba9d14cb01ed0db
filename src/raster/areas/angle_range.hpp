/// @file
/// Ranges of directions.
#pragma once

#include <coldbrick/angle.hpp>

#include <algorithm>

namespace coldbrick::raster {

/// Directions as seen from the centre, from `start` clockwise to `end`. Both ends are kept as they are given,
/// less whole turns: adding the sweep to one and taking it away again would miss the other by a rounding.
struct AngleRange {
    Angle start;
    Angle end; ///< at most a turn beyond the start
    bool whole;

    /// @param sweep 360 degrees and more, either way, are all directions
    AngleRange(Angle from, Angle sweep) : whole(sweep >= degrees(360) || sweep <= degrees(-360)) {
        const Angle given = from.without_turns();
        const Angle other = given + (whole ? degrees(360) : sweep);
        start = std::min(given, other);
        end = std::max(given, other);
    }

    [[nodiscard]] Angle extent() const { return end - start; }
    [[nodiscard]] Angle middle() const { return start + extent() / 2; }
};

} // namespace coldbrick::raster
