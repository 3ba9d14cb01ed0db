/// @file
/// What of the plane belongs to a part of an ellipse.
#pragma once

#include "raster/convex_area.hpp"
#include "raster/oval.hpp"

#include <coldbrick/angle.hpp>

#include <algorithm>
#include <cmath>
#include <numbers>
#include <vector>

namespace coldbrick::raster {

/// Directions as seen from the centre, from `start` clockwise to `end`. Both ends are kept as they are given,
/// less whole turns: adding the sweep to one and taking it away again would miss the other by a rounding.
struct Directions {
    Angle start;
    Angle end; ///< at most a turn beyond the start
    bool whole;

    /// @param sweep 360 degrees and more, either way, are all directions
    Directions(Angle from, Angle sweep) : whole(sweep >= degrees(360) || sweep <= degrees(-360)) {
        const Angle given = from.without_turns();
        const Angle other = given + (whole ? degrees(360) : sweep);
        start = std::min(given, other);
        end = std::max(given, other);
    }

    [[nodiscard]] Angle extent() const { return end - start; }
    [[nodiscard]] Angle middle() const { return start + extent() / 2; }
};

/// An area put together from convex ones.
class Sweep {
  public:
    /// The pixels that are seen from the centre in the directions, counted on the screen.
    static Sweep seen(const Directions& directions) {
        Sweep result;
        // At most half a turn each.
        const Angle middle = directions.middle();
        if (directions.extent() <= degrees(180)) {
            result.add_cone(directions.start, directions.end, middle);
        } else {
            result.add_cone(directions.start, middle, (directions.start + middle) / 2);
            result.add_cone(middle, directions.end, (middle + directions.end) / 2);
        }
        return result;
    }

    void add(const ConvexArea& area) { areas_.push_back(area); }

    [[nodiscard]] Runs row(std::int64_t y, const Origin& origin) const {
        Runs result;
        for (const ConvexArea& area : areas_) result.unite(area.row(y, origin));
        return result;
    }

  private:
    static Vector direction(Angle angle) { return {angle.cosine(), angle.sine()}; }

    void add_cone(Angle from, Angle to, Angle middle) {
        ConvexArea cone;
        cone.keep_right_of_ray(direction(from));
        cone.keep_right_of_ray(-direction(to));
        cone.keep_right_of_ray(direction(middle - degrees(90))); // not on the other side of the centre
        add(cone);
    }

    std::vector<ConvexArea> areas_;
};

} // namespace coldbrick::raster
