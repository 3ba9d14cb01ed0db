// Dashes against the rules: positions along lines, curves and boxes, caps, and what two patterns that
// complete each other leave out.

#include "raster/stroke/dash_pattern.hpp"
#include "support/errors.hpp"
#include "support/generators.hpp"
#include "support/pixel_set.hpp"
#include "support/rules.hpp"

#include <coldbrick/colour_text.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/image.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <limits>
#include <numbers>

namespace coldbrick::test {

namespace {

using rules::Vector;
using rules::Verdict;

Stroke dashed(std::int32_t width, std::vector<double> lengths, double offset, Cap cap = Cap::butt) {
    Stroke stroke{{}, width, cap};
    stroke.dashes = {std::move(lengths), offset};
    return stroke;
}

struct OnStretch {
    long double begin;
    long double end;
};

/// The stretches that are on from 0 to `length`, one after the other.
std::vector<OnStretch> on_stretches(const Dashes& dashes, long double length) {
    std::vector<OnStretch> result;
    long double at = -static_cast<long double>(dashes.offset);
    while (at > 0) // go back by whole turns of the pattern
        for (int twice = 0; twice < 2; ++twice)
            for (const double one : dashes.lengths) at -= one;
    for (std::size_t i = 0; at <= length; ++i) {
        const long double end = at + dashes.lengths[i % dashes.lengths.size()];
        if (i % 2 == 0 && end >= 0) result.push_back({std::max(at, 0.0L), std::min(end, length)});
        at = end;
    }
    return result;
}

/// Whether the position lies in an on stretch, its far end left out.
Verdict is_on(const std::vector<OnStretch>& stretches, long double length, long double position) {
    for (const auto& [begin, end] : stretches) {
        if (std::abs(position - begin) < 1e-6L && begin > 0 && std::floor(begin) != begin)
            return Verdict::either;
        if (std::abs(position - end) < 1e-6L && end < length && std::floor(end) != end)
            return Verdict::either;
        if (position >= begin - 1e-9L && position < end - 1e-9L) return Verdict::in;
        if (end == length && position >= begin && position <= length + 1e-9L) return Verdict::either;
    }
    return Verdict::out;
}

/// The pattern that is on where the other one is off.
Dashes opposite(const Dashes& dashes) {
    std::vector<double> lengths = dashes.lengths;
    if (lengths.size() % 2 != 0) lengths.insert(lengths.end(), dashes.lengths.begin(), dashes.lengths.end());
    const double first = lengths.front();
    std::rotate(lengths.begin(), lengths.begin() + 1, lengths.end());
    return {lengths, dashes.offset - first};
}

constexpr Size window{41, 34};

} // namespace

TEST(Dashes, OfThinLinesArePositionsAlongThem) {
    const Dashes patterns[] = {{{4, 3}, 0}, {{2.5, 1}, 1.25}, {{3}, -2}, {{0, 2, 5, 1}, 100.5}};
    for (const Dashes& dashes : patterns)
        for (int to = 0; to < 25 * 25; to += 3) {
            const Line line{{20, 16}, {8 + to % 25, 4 + to / 25}};
            const long double dx = line.to.x - line.from.x;
            const long double dy = line.to.y - line.from.y;
            const long double length = std::hypot(dx, dy);
            const auto stretches = on_stretches(dashes, length);
            Stroke stroke;
            stroke.dashes = dashes;
            const PixelSet result = stroked(window, line, stroke);
            for (int y = 0; y < window.height; ++y)
                for (int x = 0; x < window.width; ++x) {
                    const long double at =
                        length == 0 ? 0 : ((x - line.from.x) * dx + (y - line.from.y) * dy) / length;
                    const Verdict on = is_on(stretches, length, at);
                    ASSERT_TRUE(on == Verdict::either ||
                                result.contains(x, y) == (rules::on_line(line, x, y) && on == Verdict::in) ||
                                !rules::on_line(line, x, y))
                        << line << " at (" << x << ", " << y << ")" << result;
                    ASSERT_TRUE(!result.contains(x, y) || rules::on_line(line, x, y)) << line << result;
                }
        }
}

RC_GTEST_PROP(Dashes, OfLongThinLinesArePositionsAlongThem, ()) {
    const Point middle{*rc::gen::inRange(0, window.width), *rc::gen::inRange(0, window.height)};
    const int farthest = 1 << *rc::gen::inRange(5, 22); // beyond what is worked out by fractions, too
    const int dx = *rc::gen::inRange(-farthest, farthest + 1);
    const int dy = *rc::gen::inRange(-farthest, farthest + 1);
    const Line line{{middle.x - dx, middle.y - dy}, {middle.x + dx, middle.y + dy}};
    const long double length = 2 * std::hypot(static_cast<long double>(dx), static_cast<long double>(dy));
    Stroke stroke;
    stroke.dashes.offset = *rc::gen::inRange(-100, 100) / 8.0;
    std::vector<long double> ends{0};
    for (int i = 0; i < 4; ++i) {
        stroke.dashes.lengths.push_back(*rc::gen::inRange(1, 90) / 7.0);
        ends.push_back(ends.back() + stroke.dashes.lengths.back());
    }
    const PixelSet result = stroked(window, line, stroke);
    for (int y = 0; y < window.height; ++y)
        for (int x = 0; x < window.width; ++x) {
            if (!rules::on_line(line, x, y)) continue;
            const std::int64_t along =
                (std::int64_t{x} - line.from.x) * (2 * dx) + (std::int64_t{y} - line.from.y) * (2 * dy);
            const long double at = length == 0 ? 0 : static_cast<long double>(along) / length;
            long double place = std::fmod(at + stroke.dashes.offset, ends.back());
            if (place < 0) place += ends.back();
            const auto after = std::ranges::upper_bound(ends, place);
            const bool is_near =
                after == ends.end() || *after - place < 1e-9L || place - *(after - 1) < 1e-9L;
            RC_ASSERT(is_near || result.contains(x, y) == ((after - ends.begin()) % 2 == 1));
        }
}

RC_GTEST_PROP(Dashes, OfWidth1CompleteTheirOpposites, ()) {
    const Shape shape = *rc::gen::oneOf(any_open_shape(window), any_closed_shape(window));
    RC_PRE(!std::holds_alternative<Dots>(shape));
    Stroke stroke = *any_stroke();
    stroke.width = 1;
    if (stroke.dashes.lengths.empty()) stroke.dashes.lengths = {3, 2};
    const bool crosses_itself = std::holds_alternative<Polyline>(shape) ||
                                std::holds_alternative<Polygon>(shape) || std::holds_alternative<Path>(shape);
    Stroke other = stroke;
    other.dashes = opposite(stroke.dashes);
    Stroke solid = stroke;
    solid.dashes = {};
    const PixelSet on = stroked(window, shape, stroke);
    const PixelSet off = stroked(window, shape, other);
    const PixelSet whole = stroked(window, shape, solid);
    for (int y = 0; y < window.height; ++y)
        for (int x = 0; x < window.width; ++x) {
            RC_ASSERT((on.contains(x, y) || off.contains(x, y)) == whole.contains(x, y));
            RC_ASSERT(crosses_itself || !(on.contains(x, y) && off.contains(x, y)));
        }
}

TEST(Dashes, OfWideLinesHaveTheirOwnEndsAndCaps) {
    for (const Cap cap : {Cap::butt, Cap::square, Cap::round})
        for (const int width : {2, 3, 6})
            for (const Point to : {Point{36, 16}, Point{33, 27}, Point{12, 30}, Point{4, 9}}) {
                const Line line{{20, 16}, to};
                const Stroke stroke = dashed(width, {4.3, 5.1, 0, 4}, 2.2, cap);
                const long double length = std::hypot(to.x - 20.0L, to.y - 16.0L);
                const Vector along{(to.x - 20) / length, (to.y - 16) / length};
                const PixelSet result = stroked(window, line, stroke);
                const long double shift = width % 2 == 0 ? 0.5L : 0;
                for (int y = 0; y < window.height; ++y)
                    for (int x = 0; x < window.width; ++x) {
                        const Vector p{x - 20.0L, y - 16.0L};
                        const Vector q{p.x + shift, p.y + shift};
                        const long double half = width / 2.0L;
                        const long double aside = std::abs(q.x * along.y - q.y * along.x);
                        const long double t_p = p.x * along.x + p.y * along.y;
                        const long double t_q = q.x * along.x + q.y * along.y;
                        long double deepest = -1e9L;
                        for (const auto& [begin, end] : on_stretches(stroke.dashes, length)) {
                            const auto disc = [&](long double at) {
                                return half - std::hypot(q.x - at * along.x, q.y - at * along.y);
                            };
                            const long double reach = cap == Cap::square ? half : 0;
                            const long double t = cap == Cap::square ? t_q : t_p;
                            deepest = std::max(deepest,
                                               std::min({half - aside, t - begin + reach, end + reach - t}));
                            if (cap == Cap::round) deepest = std::max({deepest, disc(begin), disc(end)});
                        }
                        if (std::abs(deepest) < 1e-6L) continue;
                        ASSERT_EQ(result.contains(x, y), deepest > 0)
                            << line << ' ' << stroke << " at (" << x << ", " << y << ")" << result;
                    }
            }
}

TEST(Dashes, OfWideEllipsesFollowTheCurve) {
    constexpr Size size{48, 40};
    for (const auto& [box, width] :
         {std::pair{Box{8, 6, 31, 27}, 4}, {Box{6, 11, 35, 16}, 3}, {Box{14, 4, 15, 32}, 5}}) {
        const long double a = static_cast<long double>(box.width - 1) / 2;
        const long double b = static_cast<long double>(box.height - 1) / 2;
        // The curve's length from the right on, clockwise, by small steps.
        constexpr int steps = 40000;
        std::vector<long double> lengths{0};
        const auto at = [&](int i) {
            const long double angle = 2 * std::numbers::pi_v<long double> * i / steps;
            return Vector{a * std::cos(angle), b * std::sin(angle)};
        };
        for (int i = 1; i <= steps; ++i)
            lengths.push_back(lengths.back() + std::hypot(at(i).x - at(i - 1).x, at(i).y - at(i - 1).y));
        const Stroke stroke = dashed(width, {7, 4}, 3);
        const auto stretches = on_stretches(stroke.dashes, lengths.back());
        const PixelSet result = stroked(size, Ellipse{box}, stroke);
        const PixelSet solid = stroked(size, Ellipse{box}, {{}, width});
        for (int y = 0; y < size.height; ++y)
            for (int x = 0; x < size.width; ++x) {
                const Vector p{static_cast<long double>(x - box.x) - a,
                               static_cast<long double>(y - box.y) - b};
                const rules::Foot foot = rules::nearest_on_ellipse(a, b, p.x, p.y);
                const long double angle =
                    std::atan2(foot.y / b, foot.x / a) / (2 * std::numbers::pi_v<long double>);
                const auto step =
                    static_cast<std::size_t>(std::lround((angle < 0 ? angle + 1 : angle) * steps));
                bool close = p.x == 0 || p.y == 0;
                for (const auto& [begin, end] : stretches)
                    close = close || std::abs(lengths[step] - begin) < 0.01L ||
                            std::abs(lengths[step] - end) < 0.01L;
                if (close) continue;
                const bool on = is_on(stretches, lengths.back(), lengths[step]) != Verdict::out;
                ASSERT_EQ(result.contains(x, y), solid.contains(x, y) && on)
                    << "ellipse in " << box << " at (" << x << ", " << y << ")" << result;
            }
    }
}

TEST(Dashes, OfBoxesRunClockwiseFromTheTopLeft) {
    const Box box{6, 5, 21, 13};
    // 20 pixels to the right, 12 down: this dash starts on the top side and goes round the corner.
    const PixelSet result = stroked(window, box, dashed(2, {10, 1000}, -15));
    const PixelSet wanted = PixelSet::where(window, [](auto x, auto y) {
        const bool top = y >= 5 && y <= 6 && x >= 21 && x <= 26;
        const bool right = x >= 25 && x <= 26 && y >= 5 && y <= 10;
        return top || right;
    });
    EXPECT_EQ(result, wanted);
    EXPECT_EQ(stroked(window, RoundedBox{box, 0}, dashed(2, {10, 1000}, -15)), wanted);
    EXPECT_EQ(stroked(window, Box{6, 5, 1, 1}, dashed(1, {2, 2}, 0)).count(), 1);
}

TEST(Dashes, LongerThanThePathAreSolid) {
    const Shape shapes[] = {Line{{3, 3}, {30, 20}}, Polyline{{{3, 3}, {30, 20}, {8, 28}}},
                            Circle{{20, 16}, 9}, Ellipse{{5, 5, 28, 13}, degrees(20)},
                            Arc{{{5, 5, 28, 13}}, degrees(20), degrees(200)}};
    for (const Shape& shape : shapes)
        for (const int width : {1, 2, 5}) {
            const PixelSet solid = stroked(window, shape, {{}, width, Cap::round});
            const PixelSet result = stroked(window, shape, dashed(width, {1000, 1}, 0, Cap::round));
            for (int y = 0; y < window.height; ++y) // a closed curve's dash has two caps where it ends
                for (int x = 0; x < window.width; ++x)
                    ASSERT_TRUE(result.contains(x, y) || !solid.contains(x, y)) << result << solid;
            ASSERT_TRUE(width > 1 || result == solid) << result;
        }
}

TEST(Dashes, OfHugeStrokesAndCurvesAreDrawnInTime) {
    const Stroke wide = dashed(highest, {0.5, 0.5}, 0, Cap::round);
    EXPECT_GT(stroked(window, Circle{{20, 16}, highest / 4}, wide).count(), 0);
    EXPECT_GT(stroked(window, Line{{lowest, lowest}, {highest, highest}}, wide).count(), 0);
    EXPECT_GT(stroked(window, Circle{{20 + highest / 2, 16}, highest / 2}, dashed(1, {2, 2}, 0)).count(), 10);
}

TEST(Dashes, ValuesOutsideTheirRangesAreNamed) {
    Image image({4, 4}, PixelFormat::gray8);
    const auto draw_with = [&image](std::vector<double> lengths, double offset) {
        return [&image, stroke = dashed(1, std::move(lengths), offset)] { draw(image, Line{}, stroke); };
    };
    expect_errors<ArgumentError>({
        {draw_with({3, -1}, 0), "dash length -1 is outside 0..1099511627776"},
        {draw_with({0, 0, 0}, 0), "sum of the dash lengths 0 is outside 0.125..1099511627776"},
        {draw_with({3, std::nan("")}, 0), "dash length nan is outside 0..1099511627776"},
        {draw_with({3}, std::numeric_limits<double>::infinity()),
         "dash offset inf is outside -1099511627776..1099511627776"},
    });
    EXPECT_EQ(image.pixel({0, 0}), Colour(0, 0, 0));
}

TEST(Dashes, ThatOnlyTouchAnEndAreNotPainted) {
    const Line slanting{{-18 + 20, -16 + 20}, {6 + 20, -9 + 20}};
    EXPECT_FALSE(stroked(window, slanting, dashed(6, {2, 3}, 2)).contains(2, 4)); // the stretch ends there
    EXPECT_TRUE(stroked(window, slanting, dashed(6, {2, 3}, 1.5)).contains(2, 4));
    const Line level{{5, 10}, {15, 10}};
    const auto is_on = [&](const Shape& shape, const std::vector<double>& lengths, double offset, int x,
                           int y) {
        return stroked(window, shape, dashed(5, lengths, offset)).contains(x, y);
    };
    EXPECT_FALSE(is_on(level, {5, 5}, 0, 15, 10)); // begins at the last pixel
    EXPECT_TRUE(is_on(level, {5, 5}, 0.5, 15, 10));
    EXPECT_TRUE(is_on(level, {0, 10}, 0, 5, 10)); // without a length, in the list itself
    EXPECT_TRUE(is_on(level, {0, 10}, 0, 15, 10));
    // Along a curve: the rightmost pixel is where the path begins and ends.
    const Circle circle{{20, 16}, 10};
    EXPECT_FALSE(is_on(circle, {5, 200}, 5, 30, 16));
    EXPECT_TRUE(is_on(circle, {5, 200}, 4.5, 30, 16));
    EXPECT_TRUE(is_on(circle, {0, 200}, 0, 30, 16));
}

TEST(Dashes, HaveAJoinOnlyAtCornersThatTheyRunOver) {
    const Polyline corner{{{8, 8}, {18, 8}, {18, 20}}};
    const auto outer_pixel = [&](std::vector<double> lengths, double offset) {
        return stroked(window, corner, dashed(6, std::move(lengths), offset)).contains(20, 5);
    };
    EXPECT_TRUE(outer_pixel({4, 6}, 1));   // 9 to 13
    EXPECT_FALSE(outer_pixel({4, 6}, 0));  // 10 to 14: begins at the corner
    EXPECT_FALSE(outer_pixel({4, 6}, -6)); // 6 to 10: ends at the corner
    EXPECT_TRUE(outer_pixel({4, 6}, -7));  // 7 to 11
}

// Would not end if every pixel looked through all lengths, or if every dash were visited.
TEST(Dashes, OfManyLengthsAndPeriodsAreLookedUp) {
    std::vector<double> lengths(40001);
    for (std::size_t i = 0; i < lengths.size(); ++i) lengths[i] = 1 + static_cast<double>(i % 4);
    const Stroke thin = dashed(1, lengths, 0);
    Image image({2000, 1}, PixelFormat::gray8, colour("white"));
    draw(image, Line{{0, 0}, {1999, 0}}, thin);
    for (int x = 0; x < 2000; ++x) // 1 on, 2 off, 3 on, 4 off
        ASSERT_EQ(image.pixel({x, 0}) == Colour(0, 0, 0), x % 10 == 0 || (x % 10 > 2 && x % 10 < 6)) << x;
    const Ellipse vast{{-2000000000, -1000000000, 4000000001, 2000000001}, degrees(30)};
    for (const Cap cap : {Cap::butt, Cap::round}) {
        const Stroke wide = dashed(2000000000, {0.1, 0.1}, 0, cap);
        EXPECT_GT(stroked({24, 18}, vast.moved(0, -400000000), wide).count(), 0);
    }
}

TEST(DashPattern, TellsTheStretchOfEveryPosition) {
    const double lengths[] = {3, 0, 2, 4}; // two stretches that touch, then a gap
    const raster::DashPattern pattern(lengths, 1);
    EXPECT_EQ(pattern.period(), 9);
    raster::DashFinder finder(pattern);
    for (int eighths = -200; eighths <= 200; ++eighths) {
        const long double position = eighths / 8.0L;
        const long double turned = position + 1 - 9 * std::floor((position + 1) / 9);
        EXPECT_EQ(finder.on(position), turned < 5) << position;
        EXPECT_EQ(pattern.runs_over(position), (turned > 0 && turned < 3) || (turned > 3 && turned < 5))
            << position;
        const long double gap = turned < 5 ? 0 : std::min(turned - 5, 9 - turned);
        EXPECT_EQ(finder.distance_to_on(position, 1000), position < 0 && turned >= 5 ? 9 - turned : gap)
            << position;
    }
    std::vector<long double> begins;
    pattern.for_each_on(0, 20, [&](long double begin, long double) { begins.push_back(begin); });
    EXPECT_EQ(begins, (std::vector<long double>{-1, 2, 8, 11, 17, 20}));
}

} // namespace coldbrick::test
