/// @file
/// Areas put together from convex ones, such as what is seen within a range of angles.
#pragma once

#include "raster/areas/angle_range.hpp"
#include "raster/areas/real_half_planes.hpp"

#include <coldbrick/angle.hpp>

#include <vector>

namespace coldbrick::raster {

/// An area put together from convex ones.
class AreaUnion {
  public:
    /// The pixels that are seen from the centre in the directions, counted on the screen.
    static AreaUnion seen(const AngleRange& directions) {
        AreaUnion result;
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

    void add(const RealHalfPlanes& area) { areas_.push_back(area); }

    [[nodiscard]] RowRuns row(std::int64_t y, const Origin& origin) const {
        RowRuns result;
        for (const RealHalfPlanes& area : areas_) result.unite(area.row(y, origin));
        return result;
    }

  private:
    static HalfPixelVector direction(Angle angle) { return {angle.cosine(), angle.sine()}; }

    void add_cone(Angle from, Angle to, Angle middle) {
        RealHalfPlanes cone;
        cone.keep_right_of_ray(direction(from));
        cone.keep_right_of_ray(-direction(to));
        cone.keep_right_of_ray(direction(middle - degrees(90))); // not on the other side of the centre
        add(cone);
    }

    std::vector<RealHalfPlanes> areas_;
};

} // namespace coldbrick::raster
