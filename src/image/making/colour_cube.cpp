#include "image/making/colour_cube.hpp"

#include <algorithm>

namespace coldbrick::image {

namespace {

/// The square of the sums' vector over the count: what a mean explains of the squares.
double explained(const std::array<std::int64_t, 3>& sums, std::int64_t count) {
    double result = 0;
    for (const std::int64_t sum : sums) result += static_cast<double>(sum) * static_cast<double>(sum);
    return result / static_cast<double>(count);
}

} // namespace

ColourCube::Moments& ColourCube::Moments::operator+=(const Moments& other) {
    count += other.count;
    squares += other.squares;
    for (std::size_t i = 0; i < sums.size(); ++i) sums[i] += other.sums[i];
    return *this;
}

ColourCube::Moments& ColourCube::Moments::operator-=(const Moments& other) {
    count -= other.count;
    squares -= other.squares;
    for (std::size_t i = 0; i < sums.size(); ++i) sums[i] -= other.sums[i];
    return *this;
}

bool ColourCube::Cell::is_single() const {
    for (std::size_t axis = 0; axis < low.size(); ++axis)
        if (high[axis] - low[axis] > 1) return false;
    return true;
}

void ColourCube::add(const Colour& colour) {
    Moments& cell = moments_[place(colour.red / 4U + 1, colour.green / 4U + 1, colour.blue / 4U + 1)];
    ++cell.count;
    cell.sums[0] += colour.red;
    cell.sums[1] += colour.green;
    cell.sums[2] += colour.blue;
    cell.squares += colour.red * colour.red + colour.green * colour.green + colour.blue * colour.blue;
}

/// Sums along one axis after the other.
std::vector<ColourCube::Moments> ColourCube::summed() const {
    std::vector<Moments> sums = moments_;
    for (const std::size_t step : {place(0, 0, 1), place(0, 1, 0), place(1, 0, 0)})
        for (std::size_t i = step; i < sums.size(); ++i)
            if (i / step % side != 0) sums[i] += sums[i - step];
    return sums;
}

ColourCube::Moments ColourCube::inside(const std::vector<Moments>& sums, const Cell& cell) {
    Moments result;
    for (unsigned corner = 0; corner < 8; ++corner) {
        const auto end = [&](std::size_t axis) {
            return (corner >> axis & 1U) != 0 ? cell.high[axis] : cell.low[axis];
        };
        const Moments& moments = sums[place(end(0), end(1), end(2))];
        const bool odd = corner == 0 || corner == 3 || corner == 5 || corner == 6;
        if (odd)
            result -= moments;
        else
            result += moments;
    }
    return result;
}

double ColourCube::variance(const std::vector<Moments>& sums, const Cell& cell) {
    const Moments moments = inside(sums, cell);
    return moments.count == 0 ? 0
                              : static_cast<double>(moments.squares) - explained(moments.sums, moments.count);
}

ColourCube::Cut ColourCube::best_cut(const std::vector<Moments>& sums, const Cell& cell) {
    const Moments whole = inside(sums, cell);
    Cut best;
    for (std::size_t axis = 0; axis < 3; ++axis)
        for (std::size_t at = cell.low[axis] + 1; at < cell.high[axis]; ++at) {
            Cell lower = cell;
            lower.high[axis] = at;
            const Moments below = inside(sums, lower);
            Moments above = whole;
            above -= below;
            if (below.count == 0 || above.count == 0) continue;
            const double gain = explained(below.sums, below.count) + explained(above.sums, above.count);
            if (gain > best.gain) best = {axis, at, gain};
        }
    return best;
}

std::vector<Colour> ColourCube::means(std::size_t most) const {
    const std::vector<Moments> sums = summed();
    std::vector<Cell> cells{Cell{}};
    cells[0].variance = variance(sums, cells[0]);
    while (cells.size() < most) {
        const auto widest = std::ranges::max_element(cells, {}, &Cell::variance);
        if (widest->variance <= 0) break;
        const Cut cut = best_cut(sums, *widest);
        if (widest->is_single() || cut.at == 0) {
            widest->variance = 0; // it cannot be cut
            continue;
        }
        Cell upper = *widest;
        upper.low[cut.axis] = cut.at;
        upper.variance = variance(sums, upper);
        widest->high[cut.axis] = cut.at;
        widest->variance = variance(sums, *widest);
        cells.push_back(upper);
    }
    std::vector<Colour> result;
    for (const Cell& cell : cells) {
        const Moments moments = inside(sums, cell);
        const auto mean = [&](std::size_t i) {
            return static_cast<int>((2 * moments.sums[i] + moments.count) / (2 * moments.count));
        };
        result.emplace_back(mean(0), mean(1), mean(2));
    }
    return result;
}

} // namespace coldbrick::image
