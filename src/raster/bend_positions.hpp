/// @file
/// How far along an ellipse's curve many places lie, and the places so far along it, one near to the other.
#pragma once

#include "raster/bend.hpp"
#include "raster/depth.hpp"

#include <coldbrick/point.hpp>

#include <cstdint>
#include <optional>

namespace coldbrick::raster {

/// The length of a short part of the curve x^2 / a^2 + y^2 / b^2 = 1 between two parameters, by Gauss's rule
/// with four points; none where the curve is too sharp between them for its digits.
[[nodiscard]] std::optional<double> short_length(double a, double b, double t, double by);

/// Tells of the pixels of rows where the points of a bend nearest to them lie. A pixel's answer is worked out
/// from a pixel to its left at a multiple of 16 columns, step by step, so that it does not depend on which
/// pixels are asked.
class FootPositions {
  public:
    FootPositions(const Bend& bend, Vector centre);

    struct Position {
        long double along;    ///< from the bend's beginning, in half pixels
        long double distance; ///< from the pixel, in half pixels
    };
    /// @param x,y the pixel, which has its nearest point on the bend
    [[nodiscard]] Position at(std::int64_t x, std::int64_t y);

  private:
    static constexpr std::int64_t block = 16;

    void start(std::int64_t x, std::int64_t y);
    void step();
    void take(double x, double y, double guess);

    const Bend& bend_;
    Vector centre_; ///< of the ellipse, in half pixels
    double a_;
    double b_;
    Depth<double> depth_;
    long double begins_; ///< the curve's length up to the bend's beginning
    long double length_; ///< of the bend
    long double round_;  ///< the length of the whole curve
    std::int64_t x_ = 0;
    std::int64_t y_ = 0;
    bool started_ = false;
    double own_x_ = 0; ///< the pixel from the centre, before the turn
    double own_y_ = 0;
    Depth<double>::Foot foot_{};
    double t_ = 0;
    long double to_foot_ = 0; ///< the curve's length up to the foot
};

/// Tells the places so far along a bend. An answer is worked out from that of a multiple of a distance, so
/// that it does not depend on which are asked.
class PlacesAlong {
  public:
    /// @param spacing of the places that are worked out alone, in half pixels
    PlacesAlong(const Bend& bend, long double spacing);

    [[nodiscard]] CurvePlace at(long double along);

  private:
    const Bend& bend_;
    long double length_;
    long double spacing_;
    long double known_along_ = -1;
    CurvePlace known_{};
};

} // namespace coldbrick::raster
