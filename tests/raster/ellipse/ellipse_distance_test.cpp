// The distance to an ellipse against the nearest of very many points of its curve.

#include "raster/ellipse/ellipse_distance.hpp"

#include <gtest/gtest.h>

#include <cmath>
#include <numbers>

namespace coldbrick::raster {

namespace {

double nearest_of_many(double a, double b, double x, double y) {
    double least = std::hypot(x - a, y);
    constexpr int points = 200000;
    for (int i = 0; i < points; ++i) {
        const double t = 2 * std::numbers::pi * i / points;
        least = std::min(least, std::hypot(x - a * std::cos(t), y - b * std::sin(t)));
    }
    return least;
}

} // namespace

TEST(EllipseDistance, IsThatOfTheNearestPointAndGrowsInItsDirection) {
    const double axes[][2] = {{10, 10}, {10, 3}, {3, 10}, {50, 0.5}, {7, 0}, {0, 7}};
    const double places[][2] = {{0, 0}, {1, 0.2}, {-9, 2}, {4, -4}, {-3, -12}, {60, 1}, {9.999, 0}, {0, 2.5}};
    for (const auto& [a, b] : axes)
        for (const auto& [x, y] : places) {
            const EllipseDistance<double> distance(a, b);
            const auto here = distance.at(x, y);
            const double tolerance = 1e-3 * (a + b);
            EXPECT_NEAR(std::abs(here.depth), nearest_of_many(a, b, x, y), tolerance)
                << a << ' ' << b << ' ' << x << ' ' << y;
            const bool inside = a > 0 && b > 0 && x * x / (a * a) + y * y / (b * b) < 1;
            if (std::abs(here.depth) > tolerance) {
                EXPECT_EQ(here.depth > 0, inside) << x << ' ' << y;
            }
            EXPECT_NEAR(std::hypot(here.x, here.y), 1, 1e-9);
            // The nearest point lies so far against that direction.
            const double foot_x = x - here.depth * here.x;
            const double foot_y = y - here.depth * here.y;
            if (a > 0 && b > 0) {
                EXPECT_NEAR(foot_x * foot_x / (a * a) + foot_y * foot_y / (b * b), 1, 1e-6);
            }
        }
}

TEST(EllipseDistance, FeetDoNotDependOnTheGuess) {
    const EllipseDistance<double> distance(40, 9);
    for (double x = -50; x <= 50; x += 3.7)
        for (double y = -20; y <= 20; y += 2.3) {
            const auto foot = distance.foot(x, y, 0);
            for (const double guess : {foot.root, foot.root * 1.01, foot.root / 3}) {
                const auto guessed = distance.foot(x, y, guess);
                EXPECT_NEAR(guessed.cosine, foot.cosine, 1e-9);
                EXPECT_NEAR(guessed.sine, foot.sine, 1e-9);
            }
        }
}

} // namespace coldbrick::raster
