// Lengths along ellipses against fine polygons, and the places and feet that are found by them.

#include "raster/ellipse/elliptic_arc_positions.hpp"

#include <gtest/gtest.h>

#include <cmath>
#include <numbers>

namespace coldbrick::raster {

namespace {

EllipseAxes axes(std::uint64_t a, std::uint64_t b) {
    return {{0}, {0}, a, b, 1, 0, true};
}

EllipticArc whole(const EllipseAxes& of) {
    return {of, {0, 0}, CurvePlace::at(0), CurvePlace::at(2 * std::numbers::pi_v<long double>)};
}

double length_of_polygon(double a, double b, double from, double to) {
    double result = 0;
    constexpr int sides = 20000;
    for (int i = 0; i < sides; ++i) {
        const double s = from + (to - from) * i / sides;
        const double t = from + (to - from) * (i + 1) / sides;
        result += std::hypot(a * (std::cos(t) - std::cos(s)), b * (std::sin(t) - std::sin(s)));
    }
    return result;
}

} // namespace

TEST(EllipticArc, IsAsLongAsAFinePolygon) {
    const std::uint64_t sizes[][2] = {{20, 20}, {200, 31}, {31, 200}, {500, 3}};
    for (const auto& [a, b] : sizes) {
        const EllipticArc arc = whole(axes(a, b));
        for (const double t : {0.1, 1.0, std::numbers::pi / 2, 3.0, 5.5}) {
            const double expected = length_of_polygon(static_cast<double>(a), static_cast<double>(b), 0, t);
            EXPECT_NEAR(static_cast<double>(arc.length_to(t).count), expected, 1e-5 * expected)
                << a << ' ' << b;
            const auto part = short_length(static_cast<double>(a), static_cast<double>(b), t, 1e-3);
            if (part) {
                EXPECT_NEAR(*part,
                            length_of_polygon(static_cast<double>(a), static_cast<double>(b), t, t + 1e-3),
                            1e-6 * *part);
            }
        }
    }
}

TEST(EllipticArc, PlacesAlongItAreAsFarAlongHoweverSharpItIs) {
    const std::uint64_t sizes[][2] = {{20, 20}, {200, 31}, {900, 1}, {900, 0}, {0, 900}, {1, 4000000}};
    for (const auto& [a, b] : sizes) {
        const EllipticArc arc = whole(axes(a, b));
        for (const long double spacing : {0.5L, 8.0L, 1000.0L}) {
            PlacesAlong places(arc, {spacing});
            const long double length = arc.length().count;
            for (long double share = 0; share <= 1; share += 0.0625L) {
                const CurvePlace place = places.at({share * length});
                ASSERT_TRUE(std::isfinite(place.t)) << a << ' ' << b << ' ' << spacing;
                EXPECT_NEAR(static_cast<double>(arc.length_to(place.t).count),
                            static_cast<double>(share * length), static_cast<double>(1e-6L * length + 1e-3L))
                    << a << ' ' << b << ' ' << spacing;
            }
        }
    }
}

TEST(EllipticArc, FeetDoNotDependOnWhichPixelsWereAsked) {
    const EllipticArc arc = whole(axes(90, 21));
    const Origin centre{{0}, {0}};
    FootPositions in_order(arc, centre);
    for (std::int64_t y = -14; y <= 14; y += 7)
        for (std::int64_t x = -50; x <= 50; ++x) {
            FootPositions alone(arc, centre);
            const auto there = in_order.at(x, y);
            const auto here = alone.at(x, y);
            EXPECT_EQ(there.along, here.along) << x << ' ' << y;
            EXPECT_EQ(there.distance, here.distance) << x << ' ' << y;
            const EllipticArc::Foot foot = arc.nearest(centre.to_pixel(x, y));
            EXPECT_NEAR(static_cast<double>(here.distance.count), static_cast<double>(foot.distance.count),
                        1e-6);
        }
}

} // namespace coldbrick::raster
