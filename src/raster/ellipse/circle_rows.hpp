/// @file
/// The rows of filled, thin and wide circles.
#pragma once

#include "base/contract.hpp"
#include "base/exact_arithmetic.hpp"
#include "base/limits.hpp"
#include "raster/spans/half_pixels.hpp"
#include "raster/spans/mirrored_rows.hpp"

#include <cstdint>

namespace coldbrick::raster {

/// A filled circle about a pixel's centre: x^2 + y^2 - max(x, y) < r^2.
struct FilledCircle {
    std::uint64_t radius;

    /// The largest x on row y <= radius. Rows are fastest one after the other: `previous` is the row before.
    [[nodiscard]] std::int64_t half_width(std::uint64_t y, std::int64_t previous = -1) const {
        const std::uint64_t rest = radius * radius - y * y;
        // In the steep part a row is mostly as wide as its neighbour or one less, which spares the root.
        if (const auto x = static_cast<std::uint64_t>(previous); previous > static_cast<std::int64_t>(y)) {
            if (x * x - x < rest) return previous;
            if (x * x - 3 * x + 2 < rest && x - 1 >= y) return previous - 1;
        }
        const std::uint64_t root = base::floor_sqrt(rest);
        // The largest x with x^2 - x < rest; where it is below y, x^2 - y < rest decides instead.
        const std::uint64_t steep = root + (rest > root * root + root ? 1 : 0);
        return static_cast<std::int64_t>(steep >= y || radius == 0 ? steep : base::floor_sqrt(rest + y - 1));
    }

    /// The largest x with x^2 + y^2 + max(x, y) < r^2, which the outline leaves out, or -1.
    [[nodiscard]] std::int64_t enclosed(std::uint64_t y) const {
        const std::uint64_t rest = radius * radius - y * y;
        if (rest <= y) return -1;
        const std::uint64_t root = base::floor_sqrt(rest - 1);
        const std::uint64_t steep = root - (root * root + root >= rest ? 1 : 0);
        return static_cast<std::int64_t>(steep >= y ? steep : base::floor_sqrt(rest - y - 1));
    }
};

/// The rows of a circle about a pixel's centre, at distances that only grow.
class CircleRows {
  public:
    explicit CircleRows(std::int32_t radius) : circle_{static_cast<std::uint64_t>(radius)} {}

    [[nodiscard]] MirroredRow filled(HalfPixels distance) {
        previous_ = circle_.half_width(static_cast<std::uint64_t>(distance.pixel_at_or_before()), previous_);
        return {HalfPixels::of_pixels(previous_), no_distance};
    }

    /// The outline: the filled circle without what it encloses.
    [[nodiscard]] MirroredRow outline(HalfPixels distance) {
        const std::int64_t y = distance.pixel_at_or_before();
        previous_ = circle_.half_width(static_cast<std::uint64_t>(y), previous_);
        // Where x > y the rule holds for one x a row, since x^2 - x and x^2 + x follow each other without a
        // gap.
        const std::int64_t hole =
            previous_ > y ? previous_ - 1 : circle_.enclosed(static_cast<std::uint64_t>(y));
        return {HalfPixels::of_pixels(previous_), hole < 0 ? no_distance : HalfPixels::of_pixels(hole)};
    }

  private:
    FilledCircle circle_;
    std::int64_t previous_ = -1;
};

/// The pixels, in half pixels from the centre, with X^2 + Y^2 < limit^2.
/// @tparam IsSmall the limit's square fits into the 52 bits of a double
template <bool IsSmall>
class OpenDisc {
  public:
    static constexpr std::uint64_t largest_small = std::uint64_t{1} << 26;
    /// A diameter and a pen's width together; floor_sqrt_below_product() takes sums of two up to 2^50.
    static constexpr std::uint64_t largest_limit =
        std::uint64_t{2} * base::last_coordinate + base::widest_pen;
    static_assert(2 * largest_limit < std::uint64_t{1} << 50);
    static_assert(largest_small * largest_small <= std::uint64_t{1} << 52);

    /// @param limit in half pixels, at most largest_limit, or largest_small
    /// @param parity of the X of pixels
    OpenDisc(std::uint64_t limit, std::int64_t parity) : limit_(limit), parity_(parity) {
        COLDBRICK_ASSERT(limit <= (IsSmall ? largest_small : largest_limit));
    }

    /// The largest X on the row, or no_distance.
    [[nodiscard]] HalfPixels half_width(HalfPixels y) const {
        const auto down = static_cast<std::uint64_t>(y.count);
        if (down >= limit_) return no_distance;
        return up_to({static_cast<std::int64_t>(root(down))}, parity_);
    }

  private:
    [[nodiscard]] std::uint64_t root(std::uint64_t down) const {
        if constexpr (IsSmall)
            return base::floor_sqrt_below_2_52((limit_ - down) * (limit_ + down) - 1);
        else
            return base::floor_sqrt_below_product(limit_ - down, limit_ + down);
    }

    std::uint64_t limit_;
    std::int64_t parity_;
};

/// A wide stroke's rows: the pixels with r - w / 2 <= d < r + w / 2. Made by with_round_band().
/// @tparam IsSmall of the discs
template <bool IsSmall>
class RoundBand {
  public:
    RoundBand(std::uint64_t diameter, std::uint64_t width, std::int64_t parity)
        : outer_(diameter + width, parity), hole_(diameter > width ? diameter - width : 0, parity) {}

    [[nodiscard]] HalfPixels reach() const { return outer_.half_width({0}); }

    /// The nearest rows whose hole is not as wide as this.
    [[nodiscard]] HalfPixels first_row_beyond(HalfPixels half_width) const {
        return hole_.half_width(half_width) + HalfPixels{1};
    }

    [[nodiscard]] MirroredRow row(HalfPixels y) const { return {outer_.half_width(y), hole_.half_width(y)}; }

  private:
    OpenDisc<IsSmall> outer_;
    OpenDisc<IsSmall> hole_;
};

/// Returns use(band) for the band of a size.
/// @param diameter,width in pixels, which are the radius and half the width in half pixels
template <class Use>
auto with_round_band(std::uint64_t diameter, std::uint64_t width, std::int64_t parity, Use use) {
    if (diameter + width <= OpenDisc<true>::largest_small)
        return use(RoundBand<true>(diameter, width, parity));
    return use(RoundBand<false>(diameter, width, parity));
}

} // namespace coldbrick::raster
