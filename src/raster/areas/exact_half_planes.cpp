#include "raster/areas/exact_half_planes.hpp"

#include "base/contract.hpp"
#include "base/limits.hpp"
#include "raster/areas/incremental_division.hpp"
#include "raster/areas/near_bound.hpp"
#include "raster/spans/row_runs.hpp"

#include <algorithm>
#include <array>
#include <concepts>
#include <cstdlib>
#include <type_traits>

namespace coldbrick::raster {

namespace {

std::int64_t within_reach(base::Int128 value) {
    return static_cast<std::int64_t>(
        std::clamp<base::Int128>(value, -base::beyond_all_pixels, base::beyond_all_pixels));
}

/// Cuts the rows to those where the half-planes without a left or right side hold: b y <= c.
void cut_rows(const HalfPlane& half_plane, std::int64_t& top, std::int64_t& bottom) {
    if (half_plane.b == 0 && half_plane.c < 0) bottom = top - 1;
    if (half_plane.b > 0)
        bottom = std::min(bottom, within_reach(base::floor_div(half_plane.c, base::Int128{half_plane.b})));
    if (half_plane.b < 0)
        top = std::max(top, within_reach(-base::floor_div(half_plane.c, -base::Int128{half_plane.b})));
}

} // namespace

namespace {

/// The sides of a convex set, on one row after the other.
/// @tparam Bound NearBound or IncrementalDivision<>
template <class Bound>
class RowSides {
  public:
    RowSides(std::span<const HalfPlane> half_planes, std::int64_t first_row) {
        using Number = std::conditional_t<is_near, std::int64_t, base::Int128>;
        for (const HalfPlane& half_plane : half_planes) {
            if (half_plane.a == 0) continue;
            Side& side = half_plane.a > 0 ? right_ : left_;
            side.bounds[side.count++] =
                Bound(static_cast<Number>(half_plane.c - base::Int128{half_plane.b} * first_row),
                      -half_plane.b, std::abs(half_plane.a));
        }
    }

    /// The columns [begin, end) of the row, and on to the next one.
    [[gnu::always_inline]] Run take() {
        // Left of x >= -floor(n / -a) and right of x <= floor(n / a), for n = c - b y.
        return {-left_.take(), right_.take() + 1};
    }

  private:
    static constexpr bool is_near = std::same_as<Bound, NearBound>;

    struct Side {
        std::array<Bound, most_half_planes> bounds;
        std::size_t count = 0;

        [[gnu::always_inline]] std::int64_t take() {
            std::int64_t result = base::beyond_all_pixels;
            for (std::size_t i = 0; i < count; ++i) {
                if constexpr (is_near)
                    result = std::min(result, bounds[i].value());
                else
                    result = std::min(result, within_reach(bounds[i].value()));
                bounds[i].next();
            }
            return result;
        }
    };
    Side left_;
    Side right_;
};

template <class Bound>
void add_rows_between(std::span<const HalfPlane> half_planes, std::int64_t first, std::int64_t last,
                      SpanSink& sink) {
    RowSides<Bound> sides(half_planes, first);
    const std::int64_t left = sink.clip().left;
    const std::int64_t right = sink.clip().right;
    for (std::int64_t y = first; y <= last; ++y) {
        const Run run = sides.take();
        const std::int64_t begin = std::max(run.begin, left);
        const std::int64_t end = std::min(run.end, right);
        if (begin < end)
            sink.add_visible({static_cast<std::int32_t>(y), static_cast<std::int32_t>(begin), end});
    }
}

/// True if NearBounds are enough.
bool are_near(std::span<const HalfPlane> half_planes, std::int64_t first, std::int64_t last) {
    constexpr std::int64_t most = std::int64_t{1} << 30; // so that c - b y fits into 64 bits
    if (last - first >= NearBound::most_steps || first <= -most || first >= most) return false;
    return std::ranges::all_of(half_planes, [&](const HalfPlane& one) {
        if (std::abs(one.a) > NearBound::largest_divisor || std::abs(one.b) > NearBound::largest_step ||
            one.c <= -base::Int128{most} * most || one.c >= base::Int128{most} * most)
            return false;
        return one.a == 0 || std::abs(static_cast<std::int64_t>(one.c) - one.b * first) <
                                 std::abs(one.a) * NearBound::largest_start;
    });
}

} // namespace

void add_convex(std::span<const HalfPlane> half_planes, base::Int128 top, base::Int128 bottom,
                SpanSink& sink) {
    std::int64_t first = std::max(within_reach(top), sink.clip().top);
    std::int64_t last = std::min(within_reach(bottom), sink.clip().bottom - 1);
    for (const HalfPlane& half_plane : half_planes)
        if (half_plane.a == 0) cut_rows(half_plane, first, last);
    if (first > last) return;
    COLDBRICK_ENSURE(half_planes.size() <= most_half_planes);
    if (are_near(half_planes, first, last))
        return add_rows_between<NearBound>(half_planes, first, last, sink);
    add_rows_between<IncrementalDivision<>>(half_planes, first, last, sink);
}

void add_disc(Point centre, std::int64_t width, SpanSink& sink) {
    // In half pixels: X^2 + Y^2 <= width^2, where X and Y are odd for an even width.
    const std::int64_t shift = width % 2 == 0 ? 1 : 0;
    const std::uint64_t square = static_cast<std::uint64_t>(width) * static_cast<std::uint64_t>(width);
    const std::int64_t reach = width / 2 + 1;
    const std::int64_t first = std::max(centre.y - reach, sink.clip().top);
    const std::int64_t last = std::min(centre.y + reach, sink.clip().bottom - 1);
    for (std::int64_t y = first; y <= last; ++y) {
        const auto down = static_cast<std::uint64_t>(std::abs(2 * (y - centre.y) + shift));
        if (down > static_cast<std::uint64_t>(width)) continue;
        const auto half = static_cast<std::int64_t>(base::floor_sqrt(square - down * down));
        const std::int64_t left = -base::floor_div(half + shift, std::int64_t{2});
        const std::int64_t right = base::floor_div(half - shift, std::int64_t{2});
        sink.add(static_cast<std::int32_t>(y), centre.x + left, centre.x + right + 1);
    }
}

} // namespace coldbrick::raster
