/// @file
/// How far along an ellipse's curve many places lie, and the places so far along it, one near to the other.
#pragma once

#include "raster/ellipse/ellipse_distance.hpp"
#include "raster/ellipse/elliptic_arc.hpp"

#include <coldbrick/point.hpp>

#include <cstdint>
#include <optional>

namespace coldbrick::raster {

/// The length in half pixels of a short part of the curve x^2 / a^2 + y^2 / b^2 = 1 between two parameters,
/// by Gauss's rule with four points; none where the curve is too sharp between them for its digits.
[[nodiscard]] std::optional<double> short_length(double a, double b, double t, double by);

/// Tells of the pixels of rows where the points of a curve nearest to them lie. A pixel's answer is worked
/// out from a pixel to its left at a multiple of 16 columns, step by step, so that it does not depend on
/// which pixels are asked.
class FootPositions {
  public:
    FootPositions(const EllipticArc& curve, const Origin& centre);

    struct Position {
        RealHalfPixels along;    ///< from the curve's beginning
        RealHalfPixels distance; ///< from the pixel
    };
    /// @param x,y the pixel, which has its nearest point on the curve
    [[nodiscard]] Position at(std::int64_t x, std::int64_t y);

  private:
    static constexpr std::int64_t block = 16;

    void start(std::int64_t x, std::int64_t y);
    void step();
    void take(double x, double y, double guess);

    const EllipticArc& arc_;
    Origin centre_; ///< of the ellipse
    double a_;
    double b_;
    EllipseDistance<double> depth_;
    RealHalfPixels begins_; ///< how far along the whole ellipse the curve begins
    RealHalfPixels length_; ///< of the curve
    RealHalfPixels round_;  ///< the length of the whole ellipse
    std::int64_t x_ = 0;
    std::int64_t y_ = 0;
    bool started_ = false;
    double own_x_ = 0; ///< the pixel from the centre, before the turn
    double own_y_ = 0;
    EllipseDistance<double>::Foot foot_{};
    double t_ = 0;
    RealHalfPixels to_foot_; ///< how far along the whole ellipse the foot lies
};

/// Tells the places so far along a curve. An answer is worked out from that of a multiple of a distance, so
/// that it does not depend on which are asked.
class PlacesAlong {
  public:
    /// @param spacing of the places that are worked out alone
    PlacesAlong(const EllipticArc& curve, RealHalfPixels spacing);

    [[nodiscard]] CurvePlace at(RealHalfPixels along);

  private:
    const EllipticArc& arc_;
    RealHalfPixels length_;
    RealHalfPixels spacing_;
    RealHalfPixels known_along_{-1};
    CurvePlace known_{};
};

} // namespace coldbrick::raster
