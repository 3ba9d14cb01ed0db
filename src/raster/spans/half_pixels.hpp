/// @file
/// Half pixels, in which the centre of any box of pixels is an integer. They are types of their own, so that
/// they cannot be mistaken for pixels, which are plain numbers.
#pragma once

#include <compare>
#include <cstdint>

namespace coldbrick::raster {

/// A distance or position in whole half pixels. A pixel's centre lies at an even number of them.
struct HalfPixels {
    std::int64_t count = 0;

    /// A pixel's centre, or a distance of whole pixels.
    static constexpr HalfPixels of_pixels(std::int64_t pixels) { return {2 * pixels}; }

    /// The pixel whose centre lies here, or else, halfway between two, the one before.
    [[nodiscard]] constexpr std::int64_t pixel_at_or_before() const { return count >> 1; }

    /// 1 if it lies halfway between two pixels' centres, else 0.
    [[nodiscard]] constexpr std::int64_t parity() const { return count & 1; }

    constexpr HalfPixels& operator+=(HalfPixels other) {
        count += other.count;
        return *this;
    }

    friend constexpr HalfPixels operator+(HalfPixels a, HalfPixels b) { return {a.count + b.count}; }
    friend constexpr HalfPixels operator-(HalfPixels a, HalfPixels b) { return {a.count - b.count}; }
    friend constexpr HalfPixels operator-(HalfPixels a) { return {-a.count}; }
    // NOLINTNEXTLINE(modernize-use-nullptr): it sees none
    friend constexpr auto operator<=>(HalfPixels, HalfPixels) = default;
};

/// From one pixel's centre to the next.
constexpr HalfPixels one_pixel{2};

constexpr HalfPixels distance_of(HalfPixels a, HalfPixels b) {
    return a < b ? b - a : a - b;
}

/// The furthest place that is as odd or even as `parity` and not beyond `limit`.
constexpr HalfPixels up_to(HalfPixels limit, std::int64_t parity) {
    return {limit.count - ((limit.count ^ parity) & 1)};
}

static_assert(up_to({5}, 0) == HalfPixels{4} && up_to({-5}, 0) == HalfPixels{-6} &&
              up_to({-5}, 1) == HalfPixels{-5});
static_assert(HalfPixels{-3}.pixel_at_or_before() == -2 && HalfPixels::of_pixels(-2) == HalfPixels{-4});

/// A length in half pixels that need not be a whole number of them.
struct RealHalfPixels {
    long double count = 0;

    static constexpr RealHalfPixels of_pixels(long double pixels) { return {2 * pixels}; }
    [[nodiscard]] constexpr long double in_pixels() const { return count / 2; }

    constexpr RealHalfPixels& operator+=(RealHalfPixels other) {
        count += other.count;
        return *this;
    }

    friend constexpr RealHalfPixels operator+(RealHalfPixels a, RealHalfPixels b) {
        return {a.count + b.count};
    }
    friend constexpr RealHalfPixels operator-(RealHalfPixels a, RealHalfPixels b) {
        return {a.count - b.count};
    }
    friend constexpr RealHalfPixels operator-(RealHalfPixels a) { return {-a.count}; }
    friend constexpr RealHalfPixels operator*(long double factor, RealHalfPixels a) {
        return {factor * a.count};
    }
    // NOLINTNEXTLINE(modernize-use-nullptr): likewise
    friend constexpr auto operator<=>(RealHalfPixels, RealHalfPixels) = default;
};

} // namespace coldbrick::raster
