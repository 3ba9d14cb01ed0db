/// @file
/// The colour cube cut into boxes of small variance.
#pragma once

#include <coldbrick/colour.hpp>

#include <array>
#include <cstddef>
#include <cstdint>
#include <vector>

namespace coldbrick::image {

/// Counts opaque colours and cuts the cube of red, green and blue into boxes: Wu, "Efficient statistical
/// computations for optimal color quantization", Graphics Gems II, 1991, with 64 steps a channel.
class ColourCube {
  public:
    ColourCube() : moments_(side * side * side) {}

    void add(const Colour& colour);

    /// The means of at most so many boxes, which together hold all colours counted.
    [[nodiscard]] std::vector<Colour> means(std::size_t most) const;

  private:
    static constexpr std::size_t side = 65; ///< 64 steps behind a layer of zeros

    /// Of a part of the cube: how many pixels it has, and the sums of their channels and squares.
    struct Moments {
        std::int64_t count = 0;
        std::array<std::int64_t, 3> sums{};
        std::int64_t squares = 0;

        Moments& operator+=(const Moments& other);
        Moments& operator-=(const Moments& other);
    };

    /// A box of steps, low < step <= high in each channel.
    struct Cell {
        std::array<std::size_t, 3> low{0, 0, 0};
        std::array<std::size_t, 3> high{side - 1, side - 1, side - 1};
        double variance = 0; ///< times the number of pixels

        [[nodiscard]] bool is_single() const;
    };

    /// A place to cut a cell at, and what that leaves of its sum of squares over count.
    struct Cut {
        std::size_t axis = 0;
        std::size_t at = 0; ///< 0 for none
        double gain = 0;
    };

    static std::size_t place(std::size_t red, std::size_t green, std::size_t blue) {
        return (red * side + green) * side + blue;
    }

    /// The moments of a part of the cube, from sums over all that is below each corner.
    [[nodiscard]] static Moments inside(const std::vector<Moments>& sums, const Cell& cell);
    [[nodiscard]] static double variance(const std::vector<Moments>& sums, const Cell& cell);
    [[nodiscard]] static Cut best_cut(const std::vector<Moments>& sums, const Cell& cell);
    [[nodiscard]] std::vector<Moments> summed() const;

    std::vector<Moments> moments_;
};

} // namespace coldbrick::image
