/// @file
/// Angles, which are never bare numbers.
#pragma once

#include <compare> // angles have an order
#include <iosfwd>  // angles are printed

namespace [[gnu::visibility("default")]] coldbrick {

/// An angle or a turn. 0 points to the right, and positive angles turn from there downwards, so clockwise on
/// the screen: 90 degrees point down. Made by degrees(), radians() or a literal such as 30_deg. Angles beyond
/// a whole turn, either way, are kept as they are. All that makes an angle, arithmetic included, throws
/// ArgumentError where the result would not lie in -largest_degrees..largest_degrees.
class Angle {
  public:
    /// Beyond it a double's neighbours lie more than a ten-thousandth of a degree apart, and an angle has no
    /// direction that anyone meant.
    static constexpr double largest_degrees = 1e12;

    /// 0 degrees.
    constexpr Angle() = default;

    [[nodiscard]] constexpr double in_degrees() const { return degrees_; }
    [[nodiscard]] double in_radians() const;

    /// The cosine and the sine: where the angle points. Exact for multiples of 90 degrees, equal in size for
    /// odd multiples of 45, and the same in size for all angles that mirror each other in the axes.
    [[nodiscard]] double cosine() const;
    [[nodiscard]] double sine() const;

    /// The same direction as an angle in 0..360 degrees, 360 left out.
    [[nodiscard]] Angle within_turn() const;

    /// What is left without whole turns, towards 0: more than -360 and less than 360 degrees. Exact.
    [[nodiscard]] Angle without_turns() const;

    constexpr Angle operator-() const { return Angle(-degrees_); }
    friend constexpr Angle operator+(Angle a, Angle b) { return Angle(a.degrees_ + b.degrees_); }
    friend constexpr Angle operator-(Angle a, Angle b) { return Angle(a.degrees_ - b.degrees_); }
    friend constexpr Angle operator*(Angle angle, double factor) { return Angle(angle.degrees_ * factor); }
    friend constexpr Angle operator*(double factor, Angle angle) { return angle * factor; }
    friend constexpr Angle operator/(Angle angle, double divisor) { return Angle(angle.degrees_ / divisor); }
    friend constexpr bool operator==(const Angle&, const Angle&) = default;
    friend constexpr std::partial_ordering operator<=>(const Angle& a, const Angle& b) {
        return a.degrees_ <=> b.degrees_;
    }

    friend constexpr Angle degrees(double value);
    friend Angle radians(double value);

  private:
    constexpr explicit Angle(double value) : degrees_(checked(value)) {}

    static constexpr double checked(double value) {
        if (!(value >= -largest_degrees && value <= largest_degrees)) throw_out_of_range(value);
        return value;
    }
    [[noreturn]] static void throw_out_of_range(double value);

    double degrees_ = 0;
};

/// An angle of so many degrees; 360 are a whole turn. @throws ArgumentError outside Angle's range.
[[nodiscard]] constexpr Angle degrees(double value) {
    return Angle(value);
}

/// An angle of so many radians; 2 pi are a whole turn. @throws ArgumentError outside Angle's range.
[[nodiscard]] Angle radians(double value);

/// `using namespace coldbrick::literals` makes 30_deg and 2.5_deg angles.
namespace literals {

[[nodiscard]] constexpr Angle operator""_deg(long double value) {
    return degrees(static_cast<double>(value));
}
[[nodiscard]] constexpr Angle operator""_deg(unsigned long long value) {
    return degrees(static_cast<double>(value));
}

} // namespace literals

/// Prints the degrees, as 30_deg.
std::ostream& operator<<(std::ostream& out, const Angle& angle);

} // namespace coldbrick
