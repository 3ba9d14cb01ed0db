// Coverages against exact areas: polygons that cross themselves at will, with vertices on pixels and between
// them.

#include "support/coverage.hpp"
#include "support/exact_area.hpp"
#include "support/generators.hpp"
#include "support/sample_image.hpp"

#include <coldbrick/path.hpp>
#include <coldbrick/polygon.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>
#include <random>

namespace coldbrick::test {

namespace {

constexpr Size window{24, 18};

Path path_of_rings(const Rings& rings) {
    Path path;
    for (const auto& ring : rings) {
        path.move_to(ring.front());
        for (const Position& position : ring) path.line_to(position);
        path.close();
    }
    return path;
}

/// The furthest that any pixel's coverage is off the exact area, in parts of 255.
double furthest_off(const Rings& rings, FillRule rule) {
    const Coverages found =
        covered_by(window, path_of_rings(rings), Fill{Colour(), rule, FillExtent::tiling});
    const ExactArea exact(rings);
    double result = 0;
    for (std::int32_t y = 0; y < window.height; ++y)
        for (std::int32_t x = 0; x < window.width; ++x)
            result = std::max(result, std::abs(found.at(x, y) - 255 * exact.of_pixel(x, y, rule)));
    return result;
}

/// Random positions, of which some repeat coordinates of others or lie on pixels' sides.
class RandomPositions {
  public:
    explicit RandomPositions(std::uint64_t seed) : engine_(seed) {}

    double between(double low, double high) {
        return std::uniform_real_distribution<double>(low, high)(engine_);
    }
    std::size_t below(std::size_t end) {
        return std::uniform_int_distribution<std::size_t>(0, end - 1)(engine_);
    }

    Position any() {
        Position result{coordinate(window.width), coordinate(window.height)};
        if (below(8) == 0) result.x = last_.x;
        if (below(8) == 0) result.y = last_.y;
        last_ = result;
        return result;
    }

    Rings rings(std::size_t most_vertices) {
        Rings result(1 + below(3));
        for (auto& ring : result) {
            ring.resize(1 + below(most_vertices));
            for (Position& position : ring) position = any();
        }
        return result;
    }

  private:
    double coordinate(double extent) {
        const double value = between(-8, extent + 8);
        const double kept = std::nearbyint(value * 65536) / 65536;
        switch (below(4)) {
        case 0: return std::round(value * 2) / 2;
        case 1: return std::round(value * 8) / 8;
        default: return kept;
        }
    }

    std::mt19937_64 engine_;
    Position last_;
};

} // namespace

TEST(CoveredArea, RandomPolygonsAreExact) {
    RandomPositions random(20261126);
    for (int i = 0; i < 1500; ++i) {
        const Rings rings = random.rings(i % 10 == 0 ? 30 : 7);
        for (const FillRule rule : {FillRule::even_odd, FillRule::non_zero})
            ASSERT_LE(furthest_off(rings, rule), 1) << "polygon " << i;
    }
}

TEST(CoveredArea, SliversAreExact) {
    RandomPositions random(4);
    for (int i = 0; i < 500; ++i) {
        const Position a = random.any();
        const Position b = random.any();
        const double off = random.between(-0.02, 0.02);
        ASSERT_LE(furthest_off({{a, b, {b.x + off, b.y + off}}}, FillRule::even_odd), 1) << "sliver " << i;
    }
}

TEST(CoveredArea, HundredsOfEdgesInOnePixelAreExact) {
    RandomPositions random(5);
    for (const std::size_t edges : {50U, 150U}) {
        std::vector<Position> ring(edges);
        for (Position& position : ring)
            position = {std::nearbyint(random.between(6.4, 7.6) * 65536) / 65536,
                        std::nearbyint(random.between(3.4, 4.6) * 65536) / 65536};
        for (const FillRule rule : {FillRule::even_odd, FillRule::non_zero})
            EXPECT_LE(furthest_off({ring}, rule), 1) << edges << " edges";
    }
}

TEST(CoveredArea, TanglesThatReachFarBeyondAColumnAreTheSameInIt) {
    RandomPositions random(6);
    for (const double reach : {40.0, 3000.0, 1e7}) {
        std::vector<Position> ring(300);
        for (Position& position : ring)
            position = {random.between(-reach, reach), random.between(-2, window.height + 2.0)};
        const Path path = path_of_rings({ring});
        for (const FillRule rule : {FillRule::even_odd, FillRule::non_zero}) {
            const Fill fill{Colour(255, 255, 255), rule, FillExtent::tiling, {}, Edges::smooth};
            Image whole(window, PixelFormat::gray8);
            Image columns(window, PixelFormat::gray8);
            draw(whole, path, fill);
            for (std::int32_t x = 0; x < window.width; ++x)
                draw(columns.view().clipped({x, 0, 1, window.height}), path, fill);
            EXPECT_EQ(bytes_of(whole), bytes_of(columns)) << "as far as " << reach;
        }
    }
}

} // namespace coldbrick::test
