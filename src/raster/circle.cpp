#include "raster/circle.hpp"

#include "geometry/checks.hpp"
#include "geometry/exact.hpp"

#include <algorithm>
#include <cstdlib>

namespace coldbrick::raster {

namespace {

/// One row of a set that is symmetric about the circle's centre: the pixels with hole < |x| <= outer. Where
/// nothing is left out in the middle, hole is -1.
struct Row {
    std::int64_t outer;
    std::int64_t hole;
};

// Each set below tells its row at a distance from the centre that is never more than the largest one at which
// the set has pixels, so that no square leaves 64 bits.

/// The filled circle: x^2 + y^2 - max(x, y) < r^2.
struct FilledCircle {
    std::uint64_t radius;

    [[nodiscard]] Row row(std::uint64_t y, std::int64_t previous) const {
        return {half_width(y, previous), -1};
    }

    [[nodiscard]] std::int64_t half_width(std::uint64_t y, std::int64_t previous = -1) const {
        const std::uint64_t rest = radius * radius - y * y;
        // In the steep part a row is mostly as wide as its neighbour or one less, which spares the root.
        if (const auto x = static_cast<std::uint64_t>(previous); previous > static_cast<std::int64_t>(y)) {
            if (x * x - x < rest) return previous;
            if (x * x - 3 * x + 2 < rest && x - 1 >= y) return previous - 1;
        }
        const std::uint64_t root = floor_sqrt(rest);
        // The largest x with x^2 - x < rest; where it is below y, x^2 - y < rest decides instead.
        const std::uint64_t steep = root + (rest > root * root + root ? 1 : 0);
        return static_cast<std::int64_t>(steep >= y || radius == 0 ? steep : floor_sqrt(rest + y - 1));
    }
};

/// The outline: the filled circle without the pixels with x^2 + y^2 + max(x, y) < r^2.
struct Outline {
    std::uint64_t radius;

    [[nodiscard]] Row row(std::uint64_t y, std::int64_t previous) const {
        const std::int64_t outer = FilledCircle{radius}.half_width(y, previous);
        // Where x > y the rule holds for one x a row, since x^2 - x and x^2 + x follow each other without a
        // gap.
        if (outer > static_cast<std::int64_t>(y)) return {outer, outer - 1};
        return {outer, enclosed(y)};
    }

  private:
    /// The largest x with x^2 + y^2 + max(x, y) < r^2, or -1.
    [[nodiscard]] std::int64_t enclosed(std::uint64_t y) const {
        const std::uint64_t rest = radius * radius - y * y;
        if (rest <= y) return -1;
        const std::uint64_t root = floor_sqrt(rest - 1);
        const std::uint64_t steep = root - (root * root + root >= rest ? 1 : 0);
        return static_cast<std::int64_t>(steep >= y ? steep : floor_sqrt(rest - y - 1));
    }
};

/// The pixels with x^2 + y^2 <= limit.
struct Disc {
    std::uint64_t limit;

    /// The pixels nearer to the centre than half of `doubled_radius`, which is 1..3 * 2^31:
    /// 4 d^2 < doubled_radius^2, without the square that would need 66 bits.
    static Disc inside(std::uint64_t doubled_radius) {
        const std::uint64_t half = doubled_radius / 2;
        return {doubled_radius % 2 == 0 ? half * half - 1 : half * (half + 1)};
    }

    [[nodiscard]] Row row(std::uint64_t y, std::int64_t) const { return {half_width(y), -1}; }

    [[nodiscard]] std::int64_t half_width(std::uint64_t y) const {
        return y * y > limit ? -1 : static_cast<std::int64_t>(floor_sqrt(limit - y * y));
    }
};

/// One disc without another within it.
struct Band {
    Disc outer;
    Disc hole;

    [[nodiscard]] Row row(std::uint64_t y, std::int64_t) const {
        return {outer.half_width(y), hole.half_width(y)};
    }
};

/// The set's pixels on the rows that the clip shows. Rows at the same distance above and below the centre are
/// worked out once.
template <class Set>
void add_rows(Point centre, std::int64_t reach, const Set& set, SpanSink& sink) {
    const std::int64_t first = std::max(centre.y - reach, sink.clip().top) - centre.y;
    const std::int64_t last = std::min(centre.y + reach, sink.clip().bottom - 1) - centre.y;
    if (first > last) return;
    const std::int64_t nearest = first > 0 ? first : last < 0 ? -last : 0;
    const std::int64_t furthest = std::max(-first, last);
    const std::int64_t x = centre.x;
    Row row{-1, -1};
    for (std::int64_t distance = nearest; distance <= furthest; ++distance) {
        row = set.row(static_cast<std::uint64_t>(distance), row.outer);
        const auto add_at = [&](std::int64_t offset) {
            const auto y = static_cast<std::int32_t>(centre.y + offset);
            if (row.hole < 0) return sink.add(y, x - row.outer, x + row.outer + 1);
            sink.add(y, x - row.outer, x - row.hole);
            sink.add(y, x + row.hole + 1, x + row.outer + 1);
        };
        if (distance <= last) add_at(distance);
        if (distance != 0 && -distance >= first) add_at(-distance);
    }
}

/// The filled circle where the clip shows it whole: its rows from the steps of its outline.
void add_whole(const Circle& circle, SpanSink& sink) {
    const auto add_rows_at = [&](std::ptrdiff_t distance, std::ptrdiff_t half_width) {
        const auto y = static_cast<std::int32_t>(distance);
        const auto half = static_cast<std::int32_t>(half_width);
        const std::int32_t begin = circle.centre.x - half;
        const std::int32_t end = circle.centre.x + half + 1;
        sink.add_visible({circle.centre.y + y, begin, end});
        if (y != 0) sink.add_visible({circle.centre.y - y, begin, end});
    };
    std::ptrdiff_t flat_row = circle.radius; // the row of the octant's flat part that the steps are on
    std::ptrdiff_t flat_half_width = 0;
    for_each_in_octant(circle.radius, [&](std::ptrdiff_t x, std::ptrdiff_t y) {
        if (y != flat_row) {
            add_rows_at(flat_row, flat_half_width);
            flat_row = y;
        }
        flat_half_width = x;
        add_rows_at(x, y); // the reflection in the diagonal: a row of the steep part
    });
    if (flat_row != flat_half_width) add_rows_at(flat_row, flat_half_width);
}

} // namespace

void fill(const Circle& circle, SpanSink& sink) {
    if (sink.clip().contains(circle.bounds())) return add_whole(circle, sink);
    add_rows(circle.centre, circle.radius, FilledCircle{static_cast<std::uint64_t>(circle.radius)}, sink);
}

void stroke(const Circle& circle, std::int32_t width, SpanSink& sink) {
    const auto radius = static_cast<std::uint64_t>(circle.radius);
    const auto thickness = static_cast<std::uint64_t>(width);
    if (width == 1) return add_rows(circle.centre, circle.radius, Outline{radius}, sink);
    const Disc outer = Disc::inside(2 * radius + thickness);
    const std::int64_t reach = outer.half_width(0);
    if (2 * radius <= thickness) return add_rows(circle.centre, reach, outer, sink);
    add_rows(circle.centre, reach, Band{outer, Disc::inside(2 * radius - thickness)}, sink);
}

} // namespace coldbrick::raster

namespace coldbrick {

bool Circle::contains(Point pixel) const {
    check(*this);
    const std::int64_t x = std::abs(std::int64_t{pixel.x} - centre.x);
    const std::int64_t y = std::abs(std::int64_t{pixel.y} - centre.y);
    return y <= radius && x <= raster::FilledCircle{static_cast<std::uint64_t>(radius)}.half_width(
                                   static_cast<std::uint64_t>(y));
}

} // namespace coldbrick
