#include "sheet/running/functions.hpp"
#include "sheet/running/shape_values.hpp"

#include <coldbrick/colour_mixing.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/region.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cmath>
#include <map>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

namespace {

/// One of 0 to count - 1; the error of so few bits is below 2^-32 for all counts that lists can have.
std::size_t one_of(const Arguments& a, std::size_t count, std::uint64_t which = 0) {
    return std::min(static_cast<std::size_t>(a.random(which) * static_cast<double>(count)), count - 1);
}

Value random_number(Arguments& a) {
    a.vary_by(2);
    if (!(a.number(0) <= a.number(1)))
        throw ArgumentError(
            fmt::format("random has a lower end {} above the upper one {}", a.number(0), a.number(1)));
    return a.number(0) + a.random() * (a.number(1) - a.number(0));
}

Value random_whole(Arguments& a) {
    a.vary_by(2);
    const double low = std::ceil(a.number(0));
    const double high = std::floor(a.number(1));
    if (!(low <= high))
        throw ArgumentError(fmt::format("there is no whole number of {}..{}", a.number(0), a.number(1)));
    return std::min(low + std::floor(a.random() * (high - low + 1)), high);
}

/// Chooses pixels of a box, or of what has been drawn, each as likely.
class PixelChooser {
  public:
    explicit PixelChooser(const Arguments& a) : arguments_(a), box_(a.box(0)) {
        const auto* const drawn = std::get_if<Drawn>(&a.value(0));
        if (drawn != nullptr && (*drawn)->shape) {
            const Box within = a.sheet();
            a.take_steps(static_cast<std::size_t>(within.height));
            region_ = pixels_of(*(*drawn)->shape, within);
            offset_ = (*drawn)->offset;
            for (const Span& span : region_.spans()) {
                ends_.push_back(area_ += span.x_end - span.x_begin);
            }
            if (area_ == 0) a.fail_at(0, "the shape has no pixels in the sheet");
            return;
        }
        if (!(box_.width >= 1 && box_.height >= 1)) a.fail_at(0, "the box has no pixels");
    }

    [[nodiscard]] Position choose(std::uint64_t which) const {
        const double first = arguments_.random(2 * which);
        if (ends_.empty())
            return {box_.x + std::floor(first * std::floor(box_.width)),
                    box_.y + std::floor(arguments_.random(2 * which + 1) * std::floor(box_.height))};
        const auto number =
            std::min(static_cast<std::int64_t>(first * static_cast<double>(area_)), area_ - 1);
        const auto end = std::ranges::upper_bound(ends_, number);
        const Span& span = region_.spans()[static_cast<std::size_t>(end - ends_.begin())];
        return {static_cast<double>(span.x_end - (*end - number)) - offset_.x,
                static_cast<double>(span.y) - offset_.y};
    }

  private:
    const Arguments& arguments_;
    RealBox box_;
    Region region_;
    Position offset_;                ///< of the region from what is chosen
    std::vector<std::int64_t> ends_; ///< how many pixels there are up to each span's end
    std::int64_t area_ = 0;
};

Value random_point(Arguments& a) {
    a.vary_by(1);
    return PixelChooser(a).choose(0);
}

/// Points by the cells of a grid as wide as the gap between them, so that those near to one are found at
/// once.
class SpacedPoints {
  public:
    explicit SpacedPoints(double gap) : gap_(gap) {}

    /// Adds a point unless another is too near.
    bool add(const Position& point) {
        if (gap_ <= 0) return points_.emplace_back(point), true;
        const auto [column, row] = cell_of(point);
        for (const double x : {column - 1, column, column + 1})
            for (const double y : {row - 1, row, row + 1})
                if (const auto cell = cells_.find({x, y});
                    cell != cells_.end() && is_near(point, cell->second))
                    return false;
        cells_[{column, row}].push_back(point);
        points_.emplace_back(point);
        return true;
    }

    [[nodiscard]] List points() && { return list_of(std::move(points_)); }

  private:
    using Cell = std::pair<double, double>; ///< a column and a row

    [[nodiscard]] Cell cell_of(const Position& point) const {
        return {std::floor(point.x / gap_), std::floor(point.y / gap_)};
    }
    [[nodiscard]] bool is_near(const Position& point, const std::vector<Position>& others) const {
        return std::ranges::any_of(others, [&](const Position& other) {
            return std::hypot(point.x - other.x, point.y - other.y) < gap_;
        });
    }

    double gap_;
    std::map<Cell, std::vector<Position>> cells_;
    std::vector<Value> points_;
};

/// Points that are not nearer to each other than a gap, as far as there is room: of each, some tries.
Value scatter_in(Arguments& a) {
    a.vary_by(3);
    constexpr std::size_t most_points = 1'000'000;
    constexpr std::uint64_t tries = 30;
    const std::size_t count = a.count(1, "number of points", 0, most_points);
    const PixelChooser pixels(a);
    SpacedPoints result(a.number(2, 0));
    for (std::uint64_t i = 0; i < count; ++i) {
        bool added = false;
        for (std::uint64_t attempt = 0; attempt < tries && !added; ++attempt) {
            a.take_steps(1);
            added = result.add(pixels.choose(i * tries + attempt));
        }
    }
    return std::move(result).points();
}

Value random_of(Arguments& a) {
    a.vary_by(1);
    if (const auto* const palette = std::get_if<Shared<Palette>>(&a.value(0)))
        return (*palette)->at(one_of(a, (*palette)->size()));
    const std::vector<Value>& values = a.list(0);
    if (values.empty()) a.fail_at(0, "the list is empty");
    return values[one_of(a, values.size())];
}

Value random_colour(Arguments& a) {
    a.vary_by(2);
    return mix(a.colour(0), a.colour(1), a.random());
}

/// R. Durstenfeld, "Algorithm 235: Random permutation", Communications of the ACM 7(7), 1964.
Value shuffled(Arguments& a) {
    a.vary_by(1);
    std::vector<Value> values = a.list(0);
    a.take_steps(values.size());
    for (std::size_t i = values.size(); i > 1; --i) std::swap(values[i - 1], values[one_of(a, i, i)]);
    return list_of(std::move(values));
}

constexpr Function table_of_chances[] = {
    {"random", 2, 3, random_number},        {"random_whole", 2, 3, random_whole},
    {"random_point", 1, 2, random_point},   {"random_of", 1, 2, random_of},
    {"random_colour", 2, 3, random_colour}, {"shuffled", 1, 2, shuffled},
    {"scatter_in", 2, 4, scatter_in},
};

} // namespace

std::span<const Function> chance_functions() {
    return table_of_chances;
}

} // namespace coldbrick::sheet
