#include "raster/stroke/outermost_places.hpp"

#include "base/limits.hpp"

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <cstdint>
#include <functional>

namespace coldbrick::raster {

namespace {

/// A box that grows around pixels with 32-bit coordinates.
class SeenPixels {
  public:
    /// Adds those that a shape has in a clip. True if there are any.
    bool look(const base::Clip& clip, AddSpans add) {
        if (clip.left >= clip.right || clip.top >= clip.bottom) return false;
        const Box found = tight_box(clip, add);
        if (!found.empty()) grow({found.x, found.y, found.end_x(), found.end_y()});
        return !found.empty();
    }

    void grow(const base::Clip& found) {
        seen_ = {std::min(seen_.left, found.left), std::min(seen_.top, found.top),
                 std::max(seen_.right, found.right), std::max(seen_.bottom, found.bottom)};
    }

    [[nodiscard]] bool empty() const { return seen_.left >= seen_.right; }
    [[nodiscard]] const base::Clip& clip() const { return seen_; }
    [[nodiscard]] Box box() const {
        if (empty()) return {};
        return {seen_.left, seen_.top, seen_.right - seen_.left, seen_.bottom - seen_.top};
    }

  private:
    base::Clip seen_{nothing, nothing, -nothing, -nothing};

    static constexpr std::int64_t nothing = 2 * base::furthest_box; ///< beyond the shapes' own boxes, too
};

/// Looks for the outermost pixels of a shape on each side, near the places that reach furthest there first.
class OutermostSearch {
  public:
    OutermostSearch(const OutermostPlaces& outline, AddSpans add) : outline_(outline), add_(add) {}

    [[nodiscard]] Box run() {
        for (const Side side : {Side::left, Side::right, Side::top, Side::bottom})
            if (!look_on(side)) return tight_box(everywhere, add_);
        for (const Side side : {Side::left, Side::right, Side::top, Side::bottom}) look_beyond(side);
        return seen_.box();
    }

  private:
    enum class Side : std::uint8_t { left, right, top, bottom };

    /// How far a place reaches to a side.
    static long double reach(Side side, PixelVector place) {
        switch (side) {
        case Side::left: return -place.x;
        case Side::right: return place.x;
        case Side::top: return -place.y;
        default: return place.y;
        }
    }

    /// How far the outermost pixel that has been found reaches.
    [[nodiscard]] long double reached(Side side) const {
        const base::Clip& clip = seen_.clip();
        switch (side) {
        case Side::left: return static_cast<long double>(-clip.left);
        case Side::right: return static_cast<long double>(clip.right - 1);
        case Side::top: return static_cast<long double>(-clip.top);
        default: return static_cast<long double>(clip.bottom - 1);
        }
    }

    /// False if there are too many places to look at, and none of them need be where the others are.
    [[nodiscard]] bool look_on(Side side) {
        constexpr std::size_t most_places = 64;
        looked_at_.clear();
        std::vector<PixelVector> order = outline_.places;
        std::ranges::sort(order, std::greater<>(), [side](PixelVector place) { return reach(side, place); });
        std::size_t looked_at = 0;
        for (const PixelVector place : order) {
            if (!seen_.empty() && reach(side, place) + outline_.beyond <= reached(side)) break;
            if (has_been_looked_at(place)) continue;
            if (++looked_at > most_places) return outline_.fat;
            look_near(place);
            looked_at_.push_back(place);
        }
        return true;
    }

    /// True if the pixels about a place lie in the square that has been looked at around another one.
    [[nodiscard]] bool has_been_looked_at(PixelVector place) const {
        const long double near = outline_.slack - 2;
        return std::ranges::any_of(looked_at_, [&](PixelVector other) {
            return std::abs(place.x - other.x) <= near && std::abs(place.y - other.y) <= near;
        });
    }

    /// Looks at all rows or columns between the outermost pixel that has been found and the outermost place:
    /// where a shape is thinner than a pixel, its pixels lie anywhere along it. Strips of too many pixels are
    /// left out.
    void look_beyond(Side side) {
        constexpr double most_pixels = 1 << 20;
        if (seen_.empty() || outline_.places.empty()) return;
        base::Clip strip = around(outline_.places.front(), 0);
        for (const PixelVector place : outline_.places) {
            const base::Clip one = around(place, outline_.beyond + 1);
            strip = {std::min(strip.left, one.left), std::min(strip.top, one.top),
                     std::max(strip.right, one.right), std::max(strip.bottom, one.bottom)};
        }
        const base::Clip& found = seen_.clip();
        if (side == Side::left) strip.right = std::min(strip.right, found.left);
        if (side == Side::right) strip.left = std::max(strip.left, found.right);
        if (side == Side::top) strip.bottom = std::min(strip.bottom, found.top);
        if (side == Side::bottom) strip.top = std::max(strip.top, found.bottom);
        const std::int64_t columns = strip.right - strip.left;
        const std::int64_t rows = strip.bottom - strip.top;
        const bool is_gap = columns > 3 && rows > 3; // more than the strip's own margin
        if (is_gap && static_cast<double>(columns) * static_cast<double>(rows) <= most_pixels)
            seen_.look(strip, add_);
    }

    /// Looks around a place, ever further until there are pixels: sharp corners have none nearby.
    void look_near(PixelVector place) {
        constexpr auto furthest = static_cast<long double>(4 * base::coordinates);
        if (!is_near(place)) {
            const auto x = static_cast<std::int64_t>(std::floor(place.x + 0.5L));
            const auto y = static_cast<std::int64_t>(std::floor(place.y + 0.5L));
            return seen_.grow({x, y, x + 1, y + 1});
        }
        long double radius = outline_.slack;
        while (radius < furthest && !seen_.look(around(place, radius), add_)) radius *= 4;
    }

    /// True if spans can tell of pixels at the place.
    static bool is_near(PixelVector place) {
        const auto within = [](long double value, std::int64_t low, std::int64_t end) {
            return value >= static_cast<long double>(low) && value < static_cast<long double>(end);
        };
        return within(place.x, everywhere.left, everywhere.right) &&
               within(place.y, everywhere.top, everywhere.bottom);
    }

    static base::Clip around(PixelVector place, long double radius) {
        const auto cut = [](long double value) {
            return static_cast<std::int64_t>(std::clamp(value, static_cast<long double>(everywhere.left),
                                                        static_cast<long double>(everywhere.right)));
        };
        return {cut(std::floor(place.x - radius)), cut(std::floor(place.y - radius)),
                cut(std::ceil(place.x + radius) + 1), cut(std::ceil(place.y + radius) + 1)};
    }

    const OutermostPlaces& outline_;
    AddSpans add_;
    SeenPixels seen_;
    std::vector<PixelVector> looked_at_; ///< on one side
};

} // namespace

Box bounds_near(const OutermostPlaces& outline, AddSpans add) {
    return OutermostSearch(outline, add).run();
}

} // namespace coldbrick::raster
