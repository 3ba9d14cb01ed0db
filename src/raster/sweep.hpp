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

/// A direction as seen from the centre, from the start on clockwise. `extent` is 0..360 degrees; at 360, all
/// directions.
struct Directions {
    Angle start;
    Angle extent;

    Directions(Angle from, Angle sweep)
        : start((sweep < Angle() ? from + sweep : from).within_turn()),
          extent(std::min(std::max(sweep, -sweep), degrees(360))) {}

    [[nodiscard]] bool whole() const { return extent == degrees(360); }
    [[nodiscard]] Angle middle() const { return start + extent / 2; }
    [[nodiscard]] Angle end() const { return start + extent; }
};

/// An area put together from convex ones.
class Sweep {
  public:
    /// The pixels that are seen from the centre in the directions, counted on the screen.
    static Sweep seen(const Directions& directions) {
        Sweep result;
        // At most half a turn each.
        const Angle middle = directions.middle();
        if (directions.extent <= degrees(180)) {
            result.add_cone(directions.start, directions.end(), middle);
        } else {
            result.add_cone(directions.start, middle, (directions.start + middle) / 2);
            result.add_cone(middle, directions.end(), (middle + directions.end()) / 2);
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
