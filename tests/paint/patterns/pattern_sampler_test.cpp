// Paints of more than one colour against their definitions, pixel by pixel.

#include "support/errors.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/overlay.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <cstdlib>
#include <functional>
#include <vector>

namespace coldbrick::test {

namespace {

constexpr Colour ink(200, 30, 60);
constexpr Colour ground(10, 20, 240, 128);

/// Paints a box with the pattern and asks of each pixel which colour was wanted there, counted from the
/// image and from the box.
void expect_pattern(const std::function<Pattern(PatternOrigin)>& make,
                    const std::function<Colour(int, int)>& wanted, const char* what) {
    for (const PatternOrigin origin : {PatternOrigin::image, PatternOrigin::shape}) {
        const Box box{-3, 5, 30, 20};
        Image image({40, 30}, PixelFormat::rgba8);
        draw(image, box, Fill{make(origin), {}, {}, {BlendMode::copy}});
        const Point from = origin == PatternOrigin::image ? Point{0, 0} : Point{-3, 5};
        for (int y = 0; y < 30; ++y)
            for (int x = 0; x < 40; ++x)
                ASSERT_EQ(image.pixel({x, y}),
                          box.contains(Point{x, y}) ? wanted(x - from.x, y - from.y) : Colour(0, 0, 0, 0))
                    << what << " at " << x << ", " << y;
    }
}

int mod(int value, int divisor) {
    return (value % divisor + divisor) % divisor;
}

Colour between(const Colour& a, const Colour& b, double share) {
    const auto mixed = [share](int from, int to) {
        return static_cast<int>(std::floor(from + (to - from) * share + 0.5 + 1e-7));
    };
    return {mixed(a.red, b.red), mixed(a.green, b.green), mixed(a.blue, b.blue), mixed(a.alpha, b.alpha)};
}

/// Of stops at 0.25 and 0.75.
Colour at_place(double place) {
    return between(ink, ground, std::clamp((place - 0.25) * 2, 0.0, 1.0));
}
const std::vector<ColourStop> stops{{0.25, ink}, {0.75, ground}}; // NOLINT(cert-err58-cpp): two colours

} // namespace

TEST(Pattern, HatchesAreLinesOfTheirSpacingAndWidth) {
    using Direction = Hatch::Direction;
    const std::pair<Direction, std::function<bool(int, int)>> rows[] = {
        {Direction::level, [](int, int y) { return mod(y, 7) < 2; }},
        {Direction::upright, [](int x, int) { return mod(x, 7) < 2; }},
        {Direction::rising, [](int x, int y) { return mod(x + y, 7) < 2; }},
        {Direction::falling, [](int x, int y) { return mod(x - y, 7) < 2; }},
        {Direction::grid, [](int x, int y) { return mod(x, 7) < 2 || mod(y, 7) < 2; }},
        {Direction::lattice, [](int x, int y) { return mod(x + y, 7) < 2 || mod(x - y, 7) < 2; }},
    };
    for (const auto& [direction, on] : rows)
        expect_pattern(
            [&, way = direction](PatternOrigin origin) { return Hatch{way, 7, 2, ink, ground, origin}; },
            [&, lines = on](int x, int y) { return lines(x, y) ? ink : ground; }, "hatch");
}

TEST(Pattern, StipplesAndTexturesRepeat) {
    const std::array<std::uint8_t, 8> bits{0x80, 0x40, 0x21, 0x10, 0x08, 0x84, 0x02, 0x01};
    expect_pattern(
        [&](PatternOrigin origin) {
            return Stipple{bits, ink, ground, origin};
        },
        [&](int x, int y) {
            const int row = bits.at(static_cast<std::size_t>(mod(y, 8)));
            return (row >> (7 - mod(x, 8)) & 1) != 0 ? ink : ground;
        },
        "stipple");
    Image tile({5, 3}, PixelFormat::rgba8);
    for (int i = 0; i < 15; ++i) tile.set_pixel({i % 5, i / 5}, Colour(i, 2 * i, 255 - i, 200 + i));
    expect_pattern([&](PatternOrigin origin) { return texture(tile, origin); },
                   [&](int x, int y) {
                       return tile.pixel({mod(x, 5), mod(y, 3)});
                   },
                   "texture");
}

TEST(Pattern, GradientsChangeInProportion) {
    expect_pattern(
        [](PatternOrigin origin) {
            return LinearGradient{{2, 3}, {20, 11}, stops, origin};
        },
        [](int x, int y) { return at_place(((x - 2) * 18 + (y - 3) * 8) / double(18 * 18 + 8 * 8)); },
        "linear");
    expect_pattern(
        [](PatternOrigin origin) {
            return RadialGradient{{7, 9}, 16, stops, origin};
        },
        [](int x, int y) { return at_place(std::hypot(x - 7, y - 9) / 16); }, "radial");
    // Two stops at one place are an edge: what lies on it has the later colour.
    Image image({4, 1}, PixelFormat::rgba8);
    draw(image, Box{0, 0, 4, 1},
         Fill{LinearGradient{{0, 0}, {4, 0}, {{0.5, ink}, {0.5, ground}}}, {}, {}, {BlendMode::copy}});
    EXPECT_EQ(image.pixel({1, 0}), ink);
    EXPECT_EQ(image.pixel({2, 0}), ground);
}

TEST(Pattern, GradientsOfAllLengthsRoundHalvesUp) {
    Image image({700, 1}, PixelFormat::gray8);
    for (int length = 1; length < image.width(); ++length) {
        draw(image, Box{0, 0, image.width(), 1},
             Fill{LinearGradient{{0, 0}, {length, 0}, {{0, colour("black")}, {1, colour("white")}}}});
        for (int x = 0; x < image.width(); ++x)
            ASSERT_EQ(image.pixel({x, 0}).red, (510 * std::min(x, length) + length) / (2 * length))
                << x << " of " << length;
    }
}

/// What stops say of a place: the largest and the smallest number that a channel may be.
struct Rounded {
    int least;
    int most;
};
Rounded rounded_at(const std::vector<ColourStop>& steps, long double place, std::uint8_t Colour::*channel) {
    const auto after =
        std::ranges::find_if(steps, [&](const ColourStop& stop) { return stop.place > place; });
    const ColourStop& from = *(after == steps.begin() ? after : after - 1);
    long double value = from.colour.*channel;
    if (after != steps.begin() && after != steps.end())
        value += (place - from.place) / (static_cast<long double>(after->place) - from.place) *
                 (after->colour.*channel - value);
    return {static_cast<int>(std::floor(value + 0.5L)), static_cast<int>(std::floor(value + 0.5L + 1e-6L))};
}

RC_GTEST_PROP(Pattern, GradientsOfWideRowsAreRoundedOnce, ()) {
    const auto coordinate = [](int reach) { return rc::gen::inRange(-reach, reach + 1); };
    std::vector<ColourStop> steps;
    const int stop_count = *rc::gen::inRange(1, 5);
    for (int i = 0; i < stop_count; ++i) {
        const auto byte = [] {
            return *rc::gen::weightedOneOf<int>({{1, rc::gen::just(255)}, {2, rc::gen::inRange(0, 256)}});
        };
        steps.push_back({*rc::gen::inRange(0, 1025) / 1024.0, Colour(byte(), byte(), byte(), byte())});
    }
    std::ranges::sort(steps, {}, &ColourStop::place);
    const int reach = 1 << *rc::gen::inRange(1, 25);
    const Point from{*coordinate(reach), *coordinate(reach)};
    const Point to{*coordinate(reach), *coordinate(reach)};
    const bool is_radial = *rc::gen::arbitrary<bool>();
    RC_PRE(is_radial || from != to);
    const std::int32_t radius = std::abs(to.x) + 1;
    Image image({*rc::gen::inRange(1, 600), 3}, PixelFormat::rgba8);
    const Pattern pattern =
        is_radial ? Pattern(RadialGradient{from, radius, steps}) : LinearGradient{from, to, steps};
    draw(image, Box{0, 0, image.width(), 3}, Fill{pattern, {}, {}, {BlendMode::copy}});
    for (int y = 0; y < 3; ++y)
        for (int x = 0; x < image.width(); ++x) {
            const long double dx = std::int64_t{to.x} - from.x;
            const long double dy = std::int64_t{to.y} - from.y;
            const long double across = std::int64_t{x} - from.x;
            const long double down = std::int64_t{y} - from.y;
            const long double place = is_radial ? std::hypot(across, down) / radius
                                                : (across * dx + down * dy) / (dx * dx + dy * dy);
            const bool on_edge = std::ranges::any_of(
                steps, [&](const ColourStop& stop) { return std::abs(stop.place - place) < 1e-12L; });
            if (on_edge) continue;
            for (std::uint8_t Colour::*channel :
                 {&Colour::red, &Colour::green, &Colour::blue, &Colour::alpha}) {
                const bool vanished = channel != &Colour::alpha && image.pixel({x, y}).alpha == 0;
                if (vanished) continue; // with its colour
                const auto [least, most] = rounded_at(steps, place, channel);
                const int got = image.pixel({x, y}).*channel;
                RC_ASSERT(got >= least);
                RC_ASSERT(got <= most);
            }
        }
}

TEST(Pattern, DeepColoursReachDeepFormatsUnrounded) {
    Image deep({3, 1}, PixelFormat::rgba16);
    draw(deep, Box{0, 0, 1, 1}, Fill{Colour16{1, 300, 65535, 65535}});
    draw(deep, Box{1, 0, 1, 1}, Stroke{RealColour{0.5, 0.25, 0.1, 1}});
    EXPECT_EQ(deep.view().pixel16({0, 0}), (Colour16{1, 300, 65535, 65535}));
    EXPECT_EQ(deep.view().pixel16({1, 0}), (Colour16{32768, 16384, 6554, 65535}));
}

TEST(Pattern, EqualPaintsAreEqual) {
    const auto paint = [](int spacing) { return Paint(Hatch{Hatch::Direction::grid, spacing, 1, ink}); };
    EXPECT_EQ(paint(5), paint(5));
    EXPECT_NE(paint(5), paint(6));
    EXPECT_NE(paint(5), Paint(ink));
    EXPECT_EQ(Paint(ink), Paint(ink));
}

TEST(Pattern, ValuesOutsideTheirRangesAreNamed) {
    const auto failing = [](const auto& paint) { return [paint] { (void)Paint(paint); }; };
    expect_errors<ArgumentError>({
        {failing(LinearGradient{{1, 2}, {1, 2}, stops}),
         "a gradient from (1, 2) to the same point has no direction"},
        {failing(LinearGradient{{1, 2}, {1, 3}, {}}), "a gradient needs at least 1 stop"},
        {failing(RadialGradient{{1, 2}, 5, {{0.5, ink}, {0.25, ink}}}),
         "a gradient's stop at 0.25 follows one at 0.5"},
        {failing(RadialGradient{{1, 2}, 5, {{std::nan(""), ink}}}),
         "a gradient's stop at nan is outside 0..1"},
        {failing(RadialGradient{{1, 2}, 0, stops}), "gradient radius 0 is outside 1..2147483647"},
        {failing(Hatch{Hatch::Direction::grid, 0, 1, ink}), "hatch spacing 0 is outside 1..2147483647"},
        {failing(Hatch{Hatch::Direction::grid, 1, -1, ink}), "hatch width -1 is outside 1..2147483647"},
        {failing(Texture{{2, 2}, std::vector<Colour16>(3)}), "a texture of 2 x 2 has 3 pixels"},
        {failing(RealColour{2, 0, 0, 1}), "colour channel red 2 is outside 0..1"},
    });
}

} // namespace coldbrick::test
