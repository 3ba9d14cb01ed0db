// Angles: their units, and directions that mirror each other exactly.

#include "support/errors.hpp"

#include <coldbrick/angle.hpp>

#include <gtest/gtest.h>

#include <cmath>
#include <limits>
#include <numbers>
#include <string>

namespace coldbrick::test {

using namespace literals;

TEST(Angle, ComesFromEitherUnit) {
    EXPECT_DOUBLE_EQ(radians(std::numbers::pi / 2).in_degrees(), 90);
    EXPECT_DOUBLE_EQ((180_deg).in_radians(), std::numbers::pi);
    EXPECT_EQ(2.5_deg + 10_deg * 2 - -(4_deg / 8), degrees(23));
    EXPECT_LT(-1_deg, 0_deg);
    EXPECT_EQ((-90_deg).within_turn(), 270_deg);
    EXPECT_EQ((725_deg).within_turn(), 5_deg);
    EXPECT_EQ(degrees(-1e-300).within_turn(), 0_deg);
}

TEST(Angle, DirectionsAreTrueAndMirrorEachOther) {
    for (int angle = -720; angle <= 720; ++angle) {
        const Angle here = degrees(angle);
        EXPECT_NEAR(here.cosine(), std::cos(angle * std::numbers::pi / 180), 1e-14);
        EXPECT_NEAR(here.sine(), std::sin(angle * std::numbers::pi / 180), 1e-14);
        EXPECT_EQ(here.sine(), -(-here).sine());
        EXPECT_EQ(here.cosine(), (-here).cosine());
        EXPECT_EQ(here.cosine(), (here - 90_deg).sine() * -1);
        EXPECT_EQ(here.sine(), degrees(180 - angle).sine());
        const double sum = std::abs(here.sine()) + std::abs(here.cosine());
        EXPECT_TRUE(angle % 90 != 0 || sum == 1) << angle;
        EXPECT_TRUE(angle % 90 != 45 || std::abs(here.sine()) == std::abs(here.cosine())) << angle;
    }
}

TEST(Angle, LeavesNoAbsurdResult) {
    const std::string range = " degrees is outside -1e12..1e12";
    expect_errors<ArgumentError>({
        {[] { (void)degrees(std::nan("")); }, "an angle of nan" + range},
        {[] { (void)radians(std::numeric_limits<double>::infinity()); }, "an angle of inf" + range},
        {[] { (void)degrees(3.6e23); }, "an angle of 3.6e+23" + range},
        {[] { (void)(degrees(-1e12) * 2); }, "an angle of -2000000000000" + range},
        {[] { (void)(degrees(1e12) + 1_deg); }, "an angle of 1000000000001" + range},
        {[] { (void)(90_deg / 0); }, "an angle of inf" + range},
        {[] { (void)(0_deg / 0); }, "an angle of nan" + range},
    });
    EXPECT_EQ(degrees(-1e12).in_degrees(), -1e12);
}

TEST(Angle, LosesWholeTurnsExactly) {
    EXPECT_EQ(degrees(-618.25).without_turns(), degrees(-258.25));
    EXPECT_EQ(degrees(360e9 + 45).without_turns(), 45_deg);
    EXPECT_EQ(degrees(-1e-300).without_turns(), degrees(-1e-300)); // within_turn() has no digits for it
}

} // namespace coldbrick::test
