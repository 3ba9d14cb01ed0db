/// @file
/// Lines and curves between sub-pixels.
#pragma once

#include "raster/coverage/sub_pixels.hpp"

#include <coldbrick/angle.hpp>

#include <array>
#include <cstddef>
#include <cstdint>
#include <variant>
#include <vector>

namespace coldbrick::raster {

/// What a curve is, in steps from its first point: straight.
struct StraightForm {
    SubVector way;
};

/// A Bezier curve of degree 3: its other three points.
struct CubicForm {
    std::array<SubVector, 3> points;
};

/// Part of an ellipse, as PathArc.
struct ArcForm {
    SubVector centre;
    SubVector across;
    SubVector down;
    Angle start;
    Angle sweep;
};

/// A line or curve with a parameter t of 0..1. All is worked out from steps between its points, so that
/// moving it by whole sub-pixels changes nothing else, and for each t from that alone. A curve and the same
/// one the other way round have the same points: one of the two ways is taken for both.
class Curve {
  public:
    Curve(SubPoint from, SubPoint to)
        : from_(from), to_(to), start_(from), form_(StraightForm{SubVector::between(from, to)}) {}
    Curve(SubPoint from, const CubicForm& form, SubPoint to);
    Curve(SubPoint from, const ArcForm& form, SubPoint to);

    [[nodiscard]] SubPoint from() const { return from_; }
    [[nodiscard]] SubPoint to() const { return to_; }
    using Form = std::variant<StraightForm, CubicForm, ArcForm>;
    /// As it was given, or the same curve the other way round. Arcs whose sweep is not negative are as given.
    [[nodiscard]] const Form& form() const { return form_; }
    [[nodiscard]] bool is_straight() const { return std::holds_alternative<StraightForm>(form_); }

    [[nodiscard]] SubPoint point(double t) const;

    /// How fast it goes, in sub-pixels: the derivative.
    [[nodiscard]] SubVector velocity(double t) const;

    /// Where it leads, of length 1; without a length where it leads nowhere. Where its speed is 0 at an end,
    /// the direction that it takes next.
    [[nodiscard]] SubVector direction(double t) const;

    /// A length that it does not exceed, in sub-pixels.
    [[nodiscard]] double longest() const;

    /// How far any point between two parameters may lie from the straight line between theirs: a quarter of
    /// the square of half the distance, times the largest second derivative.
    [[nodiscard]] double furthest_from_chord(double from, double to) const;

  private:
    [[nodiscard]] double as_worked_out(double t) const { return reversed_ ? 1 - t : t; }
    [[nodiscard]] SubVector step(double t) const;

    SubPoint from_;
    SubPoint to_;
    SubPoint start_; ///< of the form
    bool reversed_ = false;
    Form form_;
    double longest_radius_ = 0; ///< of an arc, a bound
};

/// The lengths of a curve's parts, worked out for each parameter from that alone. The integral is Gauss's
/// with five places in each of many pieces (Abramowitz, Stegun, "Handbook of Mathematical
/// Functions", 25.4.30).
class CurveLength {
  public:
    explicit CurveLength(const Curve& curve);

    /// In sub-pixels.
    [[nodiscard]] double whole() const { return ends_.back(); }
    [[nodiscard]] double up_to(double t) const;

    /// The parameter up to which the curve has this length.
    [[nodiscard]] double parameter_at(double length) const;

  private:
    [[nodiscard]] double between(double begin, double end) const;

    const Curve& curve_;
    std::vector<double> ends_; ///< the lengths up to the ends of equal pieces
};

/// One contour.
struct CurveContour {
    std::vector<Curve> curves; ///< each begins where the one before ends
    bool closed = false;
};

} // namespace coldbrick::raster
