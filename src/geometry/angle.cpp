#include <coldbrick/angle.hpp>

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <cmath>
#include <numbers>

namespace coldbrick {

namespace {

constexpr double degrees_per_radian = 180 / std::numbers::pi;

/// The sine of 0 to 90 degrees, from the half that is nearer to 0, so that sine and cosine are alike.
double sine_in_quarter(double angle) {
    return angle <= 45 ? std::sin(angle / degrees_per_radian) : std::cos((90 - angle) / degrees_per_radian);
}

double sine_of(double angle) {
    const double turned = std::fmod(angle, 360.0); // exact
    const double size = std::abs(turned);
    const double first_half = size > 180 ? size - 180 : size;
    const double sine = sine_in_quarter(first_half > 90 ? 180 - first_half : first_half);
    return (turned < 0) != (size > 180) ? -sine : sine;
}

} // namespace

double Angle::in_radians() const {
    return degrees_ / degrees_per_radian;
}

double Angle::sine() const {
    return degrees_ == 0 ? 0 : sine_of(degrees_);
}

double Angle::cosine() const {
    if (degrees_ == 0) return 1; // as of every upright ellipse
    const double turned = std::abs(std::fmod(degrees_, 360.0));
    return sine_of(turned <= 180 ? 90 - turned : turned - 270);
}

Angle Angle::within_turn() const {
    const double turned = std::fmod(degrees_, 360.0);
    const double result = turned < 0 ? turned + 360 : turned;
    return Angle(result < 360 ? result + 0.0 : 0.0);
}

Angle Angle::without_turns() const {
    return Angle(std::fmod(degrees_, 360.0));
}

void Angle::throw_out_of_range(double value) {
    static_assert(largest_degrees == 1e12);
    const double shown = std::isnan(value) ? std::abs(value) : value; // a NaN's sign tells nothing
    throw ArgumentError(fmt::format("an angle of {} degrees is outside -1e12..1e12", shown));
}

Angle radians(double value) {
    return Angle(value * degrees_per_radian);
}

} // namespace coldbrick
