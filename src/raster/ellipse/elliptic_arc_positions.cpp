#include "raster/ellipse/elliptic_arc_positions.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace coldbrick::raster {

namespace {

double speed(double a, double b, double t) {
    const double x = a * std::sin(t);
    const double y = b * std::cos(t);
    return std::sqrt(x * x + y * y);
}

constexpr double full_turn = 2 * std::numbers::pi;

} // namespace

std::optional<double> short_length(double a, double b, double t, double by) {
    // In the complex plane the speed's nearest root lies about as far away as it is high: with an eighth of
    // that on either side, the rule's error is below 2^-24 of the length.
    const double middle = t + by / 2;
    if (!(std::abs(by) * std::max(a, b) <= speed(a, b, middle) / 2)) return std::nullopt; // also for NaN
    constexpr std::array places{0.861136311594052575224, 0.339981043584856264803};
    constexpr std::array weights{0.347854845137453857373, 0.652145154862546142627};
    double sum = 0;
    for (std::size_t i = 0; i < places.size(); ++i)
        sum += weights[i] *
               (speed(a, b, middle - places[i] * by / 2) + speed(a, b, middle + places[i] * by / 2));
    return sum * by / 2;
}

FootPositions::FootPositions(const EllipticArc& curve, const Origin& centre)
    : arc_(curve), centre_(centre), a_(static_cast<double>(curve.axes().a)),
      b_(static_cast<double>(curve.axes().b)), depth_(a_, b_), begins_(curve.length_to(curve.begin().t)),
      length_(curve.length()), round_(curve.length_to(full_turn)) {}

FootPositions::Position FootPositions::at(std::int64_t x, std::int64_t y) {
    if (a_ == 0 || b_ == 0) { // there is no quarter to look in
        const EllipticArc::Foot foot = arc_.nearest(centre_.to_pixel(x, y));
        return {foot.along, foot.distance};
    }
    const std::int64_t first = x - ((x % block) + block) % block;
    if (!started_ || y != y_ || x < x_ || first > x_) start(first, y);
    while (x_ < x) step();
    const long double turns = std::ceil((begins_.count - to_foot_.count - 1e-6L) / round_.count);
    const RealHalfPixels along = to_foot_ + turns * round_ - begins_;
    return {std::clamp(along, RealHalfPixels{0}, length_),
            {std::hypot(own_x_ - a_ * foot_.cosine, own_y_ - b_ * foot_.sine)}};
}

void FootPositions::start(std::int64_t x, std::int64_t y) {
    started_ = true;
    x_ = x;
    y_ = y;
    const long double c = arc_.axes().cosine;
    const long double s = arc_.axes().sine;
    const HalfPixelVector p = centre_.to_pixel(x, y);
    take(static_cast<double>(p.x * c + p.y * s), static_cast<double>(p.y * c - p.x * s), 0);
    to_foot_ = arc_.length_to(t_);
}

void FootPositions::step() {
    ++x_;
    const double before = t_;
    take(own_x_ + 2 * arc_.axes().cosine, own_y_ - 2 * arc_.axes().sine, foot_.root);
    const double by = std::remainder(t_ - before, full_turn);
    t_ = before + by;
    const auto length = short_length(a_, b_, before, by);
    to_foot_ = length ? to_foot_ + RealHalfPixels{*length} : arc_.length_to(t_);
}

/// Finds the foot of a point of the ellipse's own frame.
void FootPositions::take(double x, double y, double guess) {
    own_x_ = x;
    own_y_ = y;
    foot_ = depth_.foot(x, y, guess);
    t_ = std::atan2(foot_.sine, foot_.cosine);
}

PlacesAlong::PlacesAlong(const EllipticArc& curve, RealHalfPixels spacing)
    : arc_(curve), length_(curve.length()), spacing_(spacing) {}

CurvePlace PlacesAlong::at(RealHalfPixels along) {
    if (along.count <= 0) return arc_.begin();
    if (along >= length_) return arc_.end();
    const RealHalfPixels wanted = std::floor(along.count / spacing_.count) * spacing_;
    if (wanted != known_along_) {
        known_along_ = wanted;
        known_ = wanted.count <= 0 ? arc_.begin() : arc_.along(wanted);
    }
    const auto a = static_cast<double>(arc_.axes().a);
    const auto b = static_cast<double>(arc_.axes().b);
    const auto t = static_cast<double>(known_.t);
    const auto rest = static_cast<double>((along - known_along_).count);
    double by = rest / speed(a, b, t);
    for (int i = 0; i < 8; ++i) {
        const auto length = short_length(a, b, t, by);
        if (!length) return arc_.along(along);
        const double step = (rest - *length) / speed(a, b, t + by);
        by += step;
        if (std::abs(step) <= 1e-15) return CurvePlace::at(known_.t + by);
    }
    return std::isfinite(by) ? CurvePlace::at(known_.t + by) : arc_.along(along);
}

} // namespace coldbrick::raster
