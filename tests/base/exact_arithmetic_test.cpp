// Roots and divisions in integers against their definitions, at small values and about every power of two.

#include "base/exact_arithmetic.hpp"

#include <gtest/gtest.h>

#include <cstdint>
#include <limits>
#include <vector>

namespace coldbrick::base {

namespace {

/// What lies about 0 and about every power of two and its square root.
std::vector<std::uint64_t> telling_values() {
    std::vector<std::uint64_t> result;
    for (std::uint64_t value = 0; value < 5000; ++value) result.push_back(value);
    for (int bit = 12; bit < 64; ++bit)
        for (std::uint64_t beside = 0; beside < 7; ++beside)
            result.push_back((std::uint64_t{1} << bit) + beside - 3);
    for (std::uint64_t root = 0xFFFFFFFF; root > 0xFFFFFFF0; --root)
        for (std::uint64_t beside = 0; beside < 3; ++beside) result.push_back(root * root + beside - 1);
    result.push_back(std::numeric_limits<std::uint64_t>::max());
    return result;
}

bool is_floor_of_root(std::uint64_t root, Uint128 value) {
    return Uint128{root} * root <= value && (Uint128{root} + 1) * (Uint128{root} + 1) > value;
}

} // namespace

TEST(ExactArithmetic, RootsAreTheLargestIntegersWhoseSquaresAreNotAbove) {
    for (const std::uint64_t value : telling_values()) {
        EXPECT_TRUE(is_floor_of_root(floor_sqrt(value), value)) << value;
        if (value < std::uint64_t{1} << 52) {
            EXPECT_EQ(floor_sqrt_below_2_52(value), floor_sqrt(value)) << value;
        }
        for (const Uint128 scaled :
             {Uint128{value} << 40, (Uint128{value} << 63) - 1, Uint128{value} * value / 2})
            if (scaled < Uint128{1} << 127) {
                EXPECT_TRUE(is_floor_of_root(floor_sqrt(scaled), scaled)) << value;
            }
    }
}

TEST(ExactArithmetic, RootsBelowProductsAreTheLargestIntegersWhoseSquaresAreBelow) {
    for (const std::uint64_t a : telling_values())
        for (const std::uint64_t b : {std::uint64_t{1}, std::uint64_t{2}, std::uint64_t{977}, a, a + 2}) {
            if (a == 0 || a >= std::uint64_t{1} << 50 || b >= std::uint64_t{1} << 50) continue;
            EXPECT_TRUE(is_floor_of_root(floor_sqrt_below_product(a, b), Uint128{a} * b - 1))
                << a << ' ' << b;
        }
}

TEST(ExactArithmetic, DivisionsRoundDownAndUp) {
    for (std::int64_t numerator = -60; numerator <= 60; ++numerator)
        for (std::int64_t denominator = 1; denominator <= 13; ++denominator)
            for (const Int128 shift : {Int128{0}, Int128{1} << 70}) {
                // Shifted by a multiple of the denominator, so that the quotients are, too.
                const Int128 far = numerator + shift * denominator;
                const Int128 down = floor_div(far, Int128{denominator});
                EXPECT_TRUE(down * denominator <= far && far < (down + 1) * denominator);
                EXPECT_TRUE(ceil_div(far, Int128{denominator}) == down + (down * denominator == far ? 0 : 1));
                EXPECT_TRUE(floor_div(numerator, denominator) == down - shift);
            }
}

} // namespace coldbrick::base
