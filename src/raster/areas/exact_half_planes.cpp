#include "raster/areas/exact_half_planes.hpp"

#include "base/contract.hpp"
#include "base/limits.hpp"
#include "raster/areas/incremental_division.hpp"

#include <algorithm>
#include <array>
#include <cstdlib>
#include <optional>

namespace coldbrick::raster {

namespace {

/// One side of a convex set, on one row after the other.
struct RowEdge {
    bool is_right; ///< x <= floor(n / a), else x >= -floor(n / -a), for n = c - b y
    IncrementalDivision<> bound;
};

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

void add_convex(std::span<const HalfPlane> half_planes, base::Int128 top, base::Int128 bottom,
                SpanSink& sink) {
    std::int64_t first = std::max(within_reach(top), sink.clip().top);
    std::int64_t last = std::min(within_reach(bottom), sink.clip().bottom - 1);
    for (const HalfPlane& half_plane : half_planes)
        if (half_plane.a == 0) cut_rows(half_plane, first, last);
    if (first > last) return;
    std::array<std::optional<RowEdge>, most_half_planes> sides;
    std::size_t count = 0;
    COLDBRICK_ENSURE(half_planes.size() <= sides.size());
    for (const HalfPlane& half_plane : half_planes)
        if (half_plane.a != 0)
            sides[count++] = RowEdge{half_plane.a > 0,
                                     IncrementalDivision<>(half_plane.c - base::Int128{half_plane.b} * first,
                                                           -half_plane.b, std::abs(half_plane.a))};
    for (std::int64_t y = first; y <= last; ++y) {
        std::int64_t left = -base::beyond_all_pixels;
        std::int64_t right = base::beyond_all_pixels;
        for (std::size_t i = 0; i < count; ++i) {
            RowEdge& side = *sides[i];
            if (side.is_right)
                right = std::min(right, within_reach(side.bound.value()));
            else
                left = std::max(left, within_reach(-side.bound.value()));
            side.bound.next();
        }
        sink.add(static_cast<std::int32_t>(y), left, right + 1);
    }
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
