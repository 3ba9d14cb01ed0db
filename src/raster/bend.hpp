/// @file
/// Part of an ellipse's ideal curve.
#pragma once

#include "raster/convex_area.hpp"
#include "raster/oval.hpp"
#include "raster/side.hpp"
#include "raster/sweep.hpp"

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
    static CurvePlace seen(const Oval& oval, Angle direction);
    static CurvePlace at(long double t);
};

/// The curve from one place clockwise to another, at most once round. Positions are half pixels from
/// `centre`, which is where the oval's own centre lies as seen from an origin.
class Bend {
  public:
    Bend(const Oval& oval, Vector centre, const CurvePlace& begin, const CurvePlace& end)
        : oval_(oval), centre_(centre), begin_(begin), end_(end) {}

    [[nodiscard]] const Oval& oval() const { return oval_; }
    [[nodiscard]] const CurvePlace& begin() const { return begin_; }
    [[nodiscard]] const CurvePlace& end() const { return end_; }

    [[nodiscard]] Vector point(const CurvePlace& place) const;

    /// Part of it.
    [[nodiscard]] Bend between(const CurvePlace& begin, const CurvePlace& end) const {
        return {oval_, centre_, begin, end};
    }

    /// A vector on the screen as it was before the ellipse was turned.
    [[nodiscard]] Vector turned_back(Vector v) const;

    /// The direction of the curve at a place, clockwise, of length 1.
    [[nodiscard]] Vector direction(const CurvePlace& place) const;

    /// The curve's length in half pixels (elliptic integrals of the second kind).
    [[nodiscard]] long double length() const;

    /// The whole curve's length from the parameter 0 to another.
    [[nodiscard]] long double length_to(long double t) const;

    /// The place that lies so far along the curve.
    [[nodiscard]] CurvePlace along(long double distance) const;

    /// How far along the curve its point nearest to p lies, and its distance.
    struct Foot {
        long double along;
        long double distance;
    };
    [[nodiscard]] Foot nearest(Vector p) const;

    /// What of the plane is nearer to this part of the curve than to the rest of it. In each of the ellipse's
    /// quarters, the normals at the ends part the points by their nearest ones.
    [[nodiscard]] Sweep nearest_area() const;

    /// The places where the curve is upright, and those where it is level, if it passes them.
    [[nodiscard]] std::vector<CurvePlace> upright_places() const;
    [[nodiscard]] std::vector<CurvePlace> level_places() const;

    /// The least and the greatest y.
    struct Extent {
        long double top;
        long double bottom;
    };
    [[nodiscard]] Extent rows() const;

    /// The parts, as distances along the curve, that lie within a box.
    [[nodiscard]] std::vector<Stretch> within(Vector top_left, Vector bottom_right) const;

  private:
    [[nodiscard]] bool passes(long double t) const;
    [[nodiscard]] std::vector<CurvePlace> passed(long double t) const;
    [[nodiscard]] std::vector<long double> crossings(Vector top_left, Vector bottom_right) const;
    [[nodiscard]] Vector turned(Vector v) const;

    Oval oval_;
    Vector centre_;
    CurvePlace begin_;
    CurvePlace end_;
};

} // namespace coldbrick::raster
