// The union of convex areas against exact areas, and crowded strokes that are found from such areas.

#include "raster/path/convex_pieces.hpp"
#include "support/coverage.hpp"
#include "support/exact_area.hpp"
#include "support/ideal_stroke.hpp"

#include <coldbrick/path.hpp>
#include <coldbrick/polyline.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdint>
#include <random>
#include <span>
#include <string>
#include <utility>
#include <vector>

namespace coldbrick::raster {

namespace {

constexpr int side = 12;

SubPoint any_place() {
    const auto number = [] { return *rc::gen::inRange<std::int64_t>(-2 * sub_pixels, 14 * sub_pixels); };
    return {number(), number()};
}

/// The corners of a triangle or of a box, turned anticlockwise on the screen.
std::vector<SubPoint> any_ring() {
    const SubPoint a = any_place();
    const SubPoint b = any_place();
    std::vector<SubPoint> ring{a, b, any_place()};
    if (*rc::gen::arbitrary<bool>()) ring = {a, {b.x, a.y}, b, {a.x, b.y}};
    const SubVector first = SubVector::between(ring[0], ring[1]);
    const SubVector second = SubVector::between(ring[1], ring[2]);
    if (cross(first, second) > 0) std::ranges::reverse(ring);
    return ring;
}

/// A row of numbers of 255 for each pixel; fails where one is given twice.
class Collected {
  public:
    void add(std::int64_t y, std::int64_t begin, std::int64_t end, const std::uint8_t* coverages) {
        for (std::int64_t x = begin; x < end; ++x) {
            int& value = values_[static_cast<std::size_t>(y * side + x)];
            EXPECT_EQ(value, 0) << x << ' ' << y;
            value = coverages == nullptr ? 255 : coverages[x - begin];
        }
    }
    [[nodiscard]] int at(int x, int y) const { return values_[static_cast<std::size_t>(y * side + x)]; }

  private:
    std::array<int, side * side> values_{};
};

Collected collected(ConvexPieces& pieces) {
    Collected result;
    const SpanSink::Receiver receiver{
        &result,
        [](void* found, std::span<const Span> spans) {
            for (const Span& span : spans)
                static_cast<Collected*>(found)->add(span.y, span.x_begin, span.x_end, nullptr);
        },
        nullptr, SpanSink::no_run,
        [](void* found, std::span<const base::CoverageSpan> spans) {
            for (const auto& [span, coverages] : spans)
                static_cast<Collected*>(found)->add(span.y, span.x_begin, span.x_end, coverages);
        }};
    SpanSink::run(pieces.clip(), receiver,
                  [&](SpanSink& sink) { pieces.give({AreaRule::Kind::stroked}, {}, sink); });
    return result;
}

} // namespace

RC_GTEST_PROP(ConvexPieces, CoverWhatTheirUnionDoes, ()) {
    const auto count = *rc::gen::element(1, 5, 40);
    ConvexPieces pieces({0, 0, side, side});
    test::Rings rings;
    for (int i = 0; i < count; ++i) {
        const std::vector<SubPoint> ring = any_ring();
        pieces.begin();
        auto& positions = rings.emplace_back();
        for (std::size_t k = 0; k < ring.size(); ++k) {
            pieces.add(ring[k], ring[(k + 1) % ring.size()]);
            positions.push_back({static_cast<double>(ring[k].x) / real_sub_pixels,
                                 static_cast<double>(ring[k].y) / real_sub_pixels});
        }
        pieces.end();
    }
    const Collected found = collected(pieces);
    const test::ExactArea exact(rings);
    for (int y = 0; y < side; ++y)
        for (int x = 0; x < side; ++x)
            RC_ASSERT(std::abs(found.at(x, y) - 255 * exact.of_pixel(x, y, FillRule::non_zero)) < 0.6);
}

} // namespace coldbrick::raster

namespace coldbrick::test {

namespace {

constexpr Size window{32, 32};

/// Drawn whole, and in parts.
Coverages checked(const Path& path, Stroke stroke) {
    stroke.edges = Edges::smooth;
    const Coverages whole = covered_by(window, path, stroke);
    const Coverages parts = covered(window, [&](const ImageView& view, const Colour& colour) {
        stroke.paint = colour;
        for (std::int32_t y = -3; y < view.height(); y += 5)
            for (std::int32_t x = -3; x < view.width(); x += 7)
                draw(view.clipped({x, y, 7, 5}), path, stroke);
    });
    EXPECT_EQ(whole, parts);
    return whole;
}

/// To 2/255, and what the lattice may be wrong by where many edges pass a pixel.
void expect_strokes(const Coverages& found, const std::vector<IdealStroke>& strokes,
                    const std::string& name) {
    constexpr double tolerance = 5;
    for (int y = 0; y < window.height; ++y)
        for (int x = 0; x < window.width; ++x) {
            const auto inside = [&](Position p) {
                return std::ranges::any_of(strokes, [p](const IdealStroke& one) { return one.contains(p); });
            };
            ASSERT_NEAR(found.at(x, y), lattice_coverage(inside, x, y), tolerance)
                << name << x << ' ' << y << found;
        }
}

} // namespace

TEST(DenseStroke, HasWhatManyLinesInOnePlaceHave) {
    std::mt19937 engine(5);
    std::uniform_real_distribution<double> any(-0.5, 0.5);
    for (const auto& [cap, join] : {std::pair(Cap::butt, Join::mitre), std::pair(Cap::square, Join::bevel),
                                    std::pair(Cap::round, Join::round)}) {
        const auto place = [&] {
            return Position{16 + std::ldexp(std::round(std::ldexp(any(engine), 12)), -12),
                            15 + std::ldexp(std::round(std::ldexp(any(engine), 12)), -12)};
        };
        Path path = Path().move_to(place());
        Position at = path.contours().front().start;
        std::vector<IdealCurve> lines;
        for (int i = 0; i < 100; ++i) {
            const Position to = place();
            lines.push_back(IdealCurve::line(at, to));
            path.line_to(to);
            at = to;
        }
        const Stroke stroke{.paint = Colour(), .width = 1.5, .cap = cap, .join = join, .mitre_limit = 2};
        expect_strokes(checked(path, stroke), {{lines, false, {0.75, 0.75, cap, join, 2}}}, "lines ");
    }
}

TEST(DenseStroke, HasDashesThatAreShortBesideItsWidth) {
    const auto at = [](double t) { return Position{16 + 9 * std::cos(6 * t), 16 + 9 * std::sin(6 * t)}; };
    const IdealCurve arc = IdealCurve::of(
        at,
        [](double t) {
            return Position{-std::sin(6 * t), std::cos(6 * t)};
        },
        2000);
    const Path path = Path().arc_about({16, 16}, {9, 9}, Angle(), radians(6));
    for (const auto& [cap, width] :
         {std::pair(Cap::butt, 9.0), std::pair(Cap::square, 16.0), std::pair(Cap::round, 16.0)}) {
        const std::vector<double> lengths{0.75, 1.25};
        const Stroke stroke{.paint = Colour(), .width = width, .cap = cap, .dashes = {lengths, 0.5}};
        const IdealStroke whole({arc}, false, {width / 2, width / 2, cap});
        expect_strokes(checked(path, stroke), whole.dashed(lengths, 0.5), "dashes ");
    }
}

/// Dashes whose caps overlap by the hundred, along lines that reach over the whole domain.
TEST(DenseStroke, IsTheSameInEveryClip) {
    const Polyline line{{{2147483647, -73496471}, {858621199, -409538869}, {58, 43}, {21, 1}}};
    const Stroke stroke{.paint = Colour(255, 255, 255),
                        .width = 20,
                        .cap = Cap::square,
                        .join = Join::round,
                        .dashes = {{0.1, 0.1}, 902322288.57569146},
                        .edges = Edges::smooth};
    Image whole({64, 64}, PixelFormat::gray8);
    Image parts({64, 64}, PixelFormat::gray8);
    draw(whole, line, stroke);
    for (std::int32_t y = 0; y < 64; y += 16)
        for (std::int32_t x = 0; x < 64; x += 32) draw(parts.view().clipped({x, y, 32, 16}), line, stroke);
    for (std::int32_t i = 0; i < 64 * 64; ++i)
        ASSERT_EQ(whole.pixel({i % 64, i / 64}), parts.pixel({i % 64, i / 64})) << i % 64 << ' ' << i / 64;
}

} // namespace coldbrick::test
