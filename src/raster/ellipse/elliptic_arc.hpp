/// @file
/// Part of an ellipse's ideal curve.
#pragma once

#include "raster/areas/angle_range.hpp"
#include "raster/areas/area_union.hpp"
#include "raster/areas/real_half_planes.hpp"
#include "raster/ellipse/ellipse_axes.hpp"
#include "raster/stroke/line_segment.hpp"

#include <coldbrick/angle.hpp>

#include <vector>

namespace coldbrick::raster {

/// A place on the curve at a parameter t: (a cos t, b sin t) before the turn. The cosine and sine stand
/// beside it, since they are exact where t is not.
struct CurvePlace {
    long double t;
    long double cosine;
    long double sine;

    /// Where the curve is seen from the centre in a direction.
    /// @param direction before the turn
    static CurvePlace seen(const EllipseAxes& axes, Angle direction);
    static CurvePlace at(long double t);
};

/// The curve from one place clockwise to another, at most once round. Positions are seen from an origin, as
/// is `centre`, which is where the ellipse's own centre lies.
class EllipticArc {
  public:
    EllipticArc(const EllipseAxes& axes, HalfPixelVector centre, const CurvePlace& begin,
                const CurvePlace& end)
        : axes_(axes), centre_(centre), begin_(begin), end_(end) {}

    [[nodiscard]] const EllipseAxes& axes() const { return axes_; }
    [[nodiscard]] const CurvePlace& begin() const { return begin_; }
    [[nodiscard]] const CurvePlace& end() const { return end_; }

    [[nodiscard]] HalfPixelVector point(const CurvePlace& place) const;

    /// Part of it.
    [[nodiscard]] EllipticArc between(const CurvePlace& begin, const CurvePlace& end) const {
        return {axes_, centre_, begin, end};
    }

    /// A vector on the screen as it was before the ellipse was turned.
    [[nodiscard]] HalfPixelVector turned_back(HalfPixelVector v) const;

    /// The direction of the curve at a place, clockwise, of length 1.
    [[nodiscard]] HalfPixelVector direction(const CurvePlace& place) const;

    /// The curve's length (elliptic integrals of the second kind).
    [[nodiscard]] RealHalfPixels length() const;

    /// The whole curve's length from the parameter 0 to another.
    [[nodiscard]] RealHalfPixels length_to(long double t) const;

    /// The place that lies so far along the curve.
    [[nodiscard]] CurvePlace along(RealHalfPixels distance) const;

    /// How far along the curve its point nearest to p lies, and its distance.
    struct Foot {
        RealHalfPixels along;
        RealHalfPixels distance;
    };
    [[nodiscard]] Foot nearest(HalfPixelVector p) const;

    /// What of the plane is nearer to this part of the curve than to the rest of it. In each of the ellipse's
    /// quarters, the normals at the ends part the points by their nearest ones.
    [[nodiscard]] AreaUnion nearest_area() const;

    /// The places where the curve is upright, and those where it is level, if it passes them.
    [[nodiscard]] std::vector<CurvePlace> upright_places() const;
    [[nodiscard]] std::vector<CurvePlace> level_places() const;

    /// The least and the greatest y.
    struct Heights {
        RealHalfPixels top;
        RealHalfPixels bottom;
    };
    [[nodiscard]] Heights rows() const;

    /// Those of part of an ellipse that is so much larger that every pixel of the filled one lies in it,
    /// where they reach half a pixel beyond the curve.
    [[nodiscard]] static Heights rows_beyond(const EllipseAxes& axes, const AngleRange& directions);

    /// The parts, as distances along the curve, that lie within a box.
    [[nodiscard]] std::vector<Interval> within(HalfPixelVector top_left, HalfPixelVector bottom_right) const;

  private:
    [[nodiscard]] bool passes(long double t) const;
    [[nodiscard]] std::vector<CurvePlace> passed(long double t) const;
    [[nodiscard]] std::vector<long double> crossings(HalfPixelVector top_left,
                                                     HalfPixelVector bottom_right) const;
    [[nodiscard]] HalfPixelVector turned(HalfPixelVector v) const;

    EllipseAxes axes_;
    HalfPixelVector centre_;
    CurvePlace begin_;
    CurvePlace end_;
};

} // namespace coldbrick::raster
