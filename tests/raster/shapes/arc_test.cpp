// Arcs, sectors and segments against the rules: which pixels a sweep sees, bands with their caps, outlines.

#include "support/errors.hpp"
#include "support/generators.hpp"
#include "support/pixel_set.hpp"
#include "support/rules.hpp"

#include <coldbrick/draw.hpp>

#include <coldbrick/region.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <map>
#include <numbers>
#include <tuple>

namespace coldbrick::test {

namespace {

using rules::Vector;
using rules::Verdict;

constexpr long double degree = std::numbers::pi_v<long double> / 180;
constexpr long double close = 1e-6L;

/// Whether a direction, in degrees, lies in a closed sweep; on its ends but for rounding, it does.
Verdict within(long double angle, long double start, long double sweep, long double tolerance) {
    if (std::abs(sweep) >= 360) return Verdict::in;
    const long double from = sweep < 0 ? start + sweep : start;
    const long double beyond = std::fmod(std::fmod(angle - from, 360) + 360, 360);
    const long double off = std::min(beyond, 360 - beyond);
    if (tolerance > 0 && (off < tolerance || std::abs(beyond - std::abs(sweep)) < tolerance))
        return Verdict::either;
    return beyond <= std::abs(sweep) + 1e-9L || beyond >= 360 - 1e-9L ? Verdict::in : Verdict::out;
}

/// An ellipse that is not turned, with a start and a sweep, in the terms of the rules.
struct Slice {
    Box box;
    int start;
    int sweep;

    [[nodiscard]] long double a() const { return static_cast<long double>(box.width - 1) / 2; }
    [[nodiscard]] long double b() const { return static_cast<long double>(box.height - 1) / 2; }

    /// The pixel as seen from the centre.
    [[nodiscard]] Vector from_centre(std::int64_t x, std::int64_t y) const {
        return {static_cast<long double>(x - box.x) - a(), static_cast<long double>(y - box.y) - b()};
    }

    /// Whether a pixel is seen from the centre within the sweep; the centre itself is.
    [[nodiscard]] bool sees(std::int64_t x, std::int64_t y) const {
        const Vector p = from_centre(x, y);
        return (p.x == 0 && p.y == 0) ||
               within(std::atan2(p.y, p.x) / degree, start, sweep, 0) == Verdict::in;
    }

    /// The curve's point in a direction, and the curve's own direction there, clockwise.
    [[nodiscard]] Vector end(int angle) const {
        const long double c = std::cos(angle * degree);
        const long double s = std::sin(angle * degree);
        const long double r = a() * b() / std::hypot(b() * c, a() * s);
        return {r * c, r * s};
    }
    [[nodiscard]] Vector along(int angle) const {
        const Vector p = end(angle);
        const Vector tangent{-p.y * a() / b(), p.x * b() / a()};
        const long double length = std::hypot(tangent.x, tangent.y);
        return {tangent.x / length, tangent.y / length};
    }
    [[nodiscard]] int first() const { return sweep < 0 ? start + sweep : start; }
    [[nodiscard]] int last() const { return sweep < 0 ? start : start + sweep; }

    /// How far a pixel lies within the arc's band, without caps, or that its nearest point is close to an
    /// end.
    [[nodiscard]] Verdict in_band(Vector p, long double half) const {
        static std::map<std::tuple<long double, long double, long double, long double>, rules::Foot> known;
        const auto key = std::tuple{a(), b(), p.x, p.y};
        if (!known.contains(key)) known[key] = rules::nearest_on_ellipse(a(), b(), p.x, p.y);
        const rules::Foot& foot = known[key];
        const Verdict seen = within(std::atan2(foot.y, foot.x) / degree, start, sweep, 1e-4L);
        if (std::abs(foot.distance - half) < close) return Verdict::either;
        if (foot.distance > half) return Verdict::out;
        // From the longer axis, two points may be the nearest.
        return p.x == 0 || p.y == 0 ? Verdict::either : seen;
    }
};

/// The answer for a union of two parts.
Verdict either_of(Verdict a, Verdict b) {
    if (a == Verdict::in || b == Verdict::in) return Verdict::in;
    return a == Verdict::either || b == Verdict::either ? Verdict::either : Verdict::out;
}

Verdict of_depth(long double depth) {
    return depth > close ? Verdict::in : depth < -close ? Verdict::out : Verdict::either;
}

/// How deep p lies in the part of a straight band from `from` to `to` along a direction from a point.
long double band_depth(Vector at, Vector direction, long double from, long double to, long double half,
                       Vector p) {
    const Vector q{p.x - at.x, p.y - at.y};
    const long double along = q.x * direction.x + q.y * direction.y;
    const long double aside = q.x * direction.y - q.y * direction.x;
    return std::min({along - from, to - along, half - std::abs(aside)});
}

Verdict in_cap(Vector at, Vector outward, Cap cap, long double half, Vector p) {
    if (cap == Cap::butt) return Verdict::out;
    if (cap == Cap::round) return of_depth(half - std::hypot(p.x - at.x, p.y - at.y));
    return of_depth(band_depth(at, outward, 0, half, half, p));
}

void expect_verdicts(const PixelSet& result, const std::function<Verdict(int, int)>& rule,
                     const std::string& what) {
    for (int y = 0; y < result.size().height; ++y)
        for (int x = 0; x < result.size().width; ++x) {
            const Verdict verdict = rule(x, y);
            ASSERT_TRUE(verdict == Verdict::either || result.contains(x, y) == (verdict == Verdict::in))
                << what << " at (" << x << ", " << y << ")" << result;
        }
}

std::string name(const Slice& slice) {
    return "ellipse " + std::to_string(slice.box.width) + " x " + std::to_string(slice.box.height) +
           " from " + std::to_string(slice.start) + " sweep " + std::to_string(slice.sweep);
}

constexpr Size window{36, 36};
constexpr int sweeps[] = {0, 5, 40, 90, 135, 180, 225, 310, 359, 360, 400, -75, -250};

/// Boxes of several forms in the window's middle.
std::vector<Box> boxes(std::initializer_list<Size> sizes) {
    std::vector<Box> result;
    for (const Size& size : sizes)
        result.push_back({(36 - size.width) / 2, (36 - size.height) / 2, size.width, size.height});
    return result;
}

} // namespace

TEST(Arc, ThinOnesAreTheOutlinesPixelsInTheSweep) {
    for (const Box& box : boxes({{21, 21}, {24, 9}, {7, 30}, {4, 4}, {9, 1}, {2, 1}, {1, 1}}))
        for (int start = 0; start < 360; start += 5)
            for (const int sweep : sweeps) {
                const Slice slice{box, start, sweep};
                const Arc arc{{box}, degrees(start), degrees(sweep)};
                const PixelSet wanted = PixelSet::where(
                    window, [&](auto x, auto y) { return rules::on_ellipse(box, x, y) && slice.sees(x, y); });
                const PixelSet result = stroked(window, arc);
                if (wanted.count() > 0) {
                    ASSERT_EQ(result, wanted) << name(slice);
                } else {
                    ASSERT_EQ(result.count(), 1) << name(slice) << result;
                    ASSERT_TRUE(rules::on_ellipse(box, arc.bounds().x, arc.bounds().y)) << name(slice);
                }
            }
}

TEST(Arc, SectorsAndSegmentsAreCutFromTheFilledEllipse) {
    for (const Box& box : boxes({{21, 21}, {24, 9}, {7, 30}, {4, 4}}))
        for (int start = 0; start < 360; start += 5)
            for (const int sweep : sweeps) {
                const Slice slice{box, start, sweep};
                const Sector sector{{box}, degrees(start), degrees(sweep)};
                const auto in_sector = [&](auto x, auto y) {
                    const Vector p = slice.from_centre(x, y);
                    return rules::in_ellipse(box, x, y) &&
                           (slice.sees(x, y) || (std::abs(p.x) <= 0.5L && std::abs(p.y) <= 0.5L));
                };
                ASSERT_EQ(filled(window, sector), PixelSet::where(window, in_sector)) << name(slice);
                if (sweep == 0 || std::abs(sweep) >= 360) continue;
                const Vector from = slice.end(slice.first());
                const Vector to = slice.end(slice.last());
                const long double length = std::hypot(to.x - from.x, to.y - from.y);
                const auto in_segment = [&](int x, int y) {
                    const Vector p = slice.from_centre(x, y);
                    const long double beyond =
                        ((p.x - from.x) * (to.y - from.y) - (p.y - from.y) * (to.x - from.x)) / length;
                    if (!rules::in_ellipse(box, x, y) || beyond < -close) return Verdict::out;
                    return beyond < close ? Verdict::either : Verdict::in;
                };
                expect_verdicts(filled(window, Segment{{box}, degrees(start), degrees(sweep)}), in_segment,
                                name(slice));
            }
}

TEST(Arc, ThinOutlinesAreTheFilledPixelsAtTheEdge) {
    for (const Box& box : boxes({{21, 21}, {24, 9}, {7, 30}, {4, 4}, {9, 1}}))
        for (int start = 0; start < 360; start += 15)
            for (const int sweep : sweeps) {
                if (std::abs(sweep) >= 360) continue;
                const auto expect_edge = [&](const auto& shape) {
                    const PixelSet fill = filled(window, shape);
                    ASSERT_EQ(stroked(window, shape), PixelSet::where(window,
                                                                      [&](auto x, auto y) {
                                                                          return fill.contains(x, y) &&
                                                                                 !(fill.contains(x - 1, y) &&
                                                                                   fill.contains(x + 1, y) &&
                                                                                   fill.contains(x, y - 1) &&
                                                                                   fill.contains(x, y + 1));
                                                                      }))
                        << name({box, start, sweep});
                };
                expect_edge(Sector{{box, degrees(start)}, degrees(10), degrees(sweep)});
                expect_edge(Segment{{box, degrees(start)}, degrees(10), degrees(sweep)});
            }
}

TEST(Arc, WideOnesFollowTheCurve) {
    for (const Box& box : boxes({{21, 21}, {24, 9}, {7, 26}}))
        for (int start = 0; start < 360; start += 25)
            for (const int sweep : {5, 90, 150, 270, -200})
                for (const Cap cap : {Cap::butt, Cap::square, Cap::round})
                    for (const int width : {2, 5}) {
                        const Slice slice{box, start, sweep};
                        const long double half = width / 2.0L;
                        const Vector from = slice.end(slice.first());
                        const Vector to = slice.end(slice.last());
                        const Vector back{-slice.along(slice.first()).x, -slice.along(slice.first()).y};
                        const auto rule = [&](int x, int y) {
                            const Vector p = slice.from_centre(x, y);
                            return either_of(slice.in_band(p, half),
                                             either_of(in_cap(from, back, cap, half, p),
                                                       in_cap(to, slice.along(slice.last()), cap, half, p)));
                        };
                        const Arc arc{{box}, degrees(start), degrees(sweep)};
                        expect_verdicts(stroked(window, arc, {{}, width, cap}), rule, name(slice));
                    }
}

TEST(Arc, WideSectorsAndSegmentsFollowTheirBoundaries) {
    for (const Box& box : boxes({{19, 19}, {22, 11}}))
        for (int start = 0; start < 360; start += 35)
            for (const int sweep : {20, 100, 240, -300})
                for (const Join join : {Join::mitre, Join::bevel, Join::round}) {
                    const Slice slice{box, start, sweep};
                    Stroke stroke{{}, 3};
                    stroke.join = join;
                    const Vector from = slice.end(slice.first());
                    const Vector to = slice.end(slice.last());
                    const auto before = [&](Vector at, Vector direction) {
                        return Vector{at.x - direction.x, at.y - direction.y};
                    };
                    const auto after = [&](Vector at, Vector direction) {
                        return Vector{at.x + direction.x, at.y + direction.y};
                    };
                    const auto side = [](Vector a, Vector b, Vector p) {
                        const long double length = std::hypot(b.x - a.x, b.y - a.y);
                        return of_depth(
                            band_depth(a, {(b.x - a.x) / length, (b.y - a.y) / length}, 0, length, 1.5L, p));
                    };
                    const auto corner = [&](Vector a, Vector vertex, Vector b, Vector p) {
                        return of_depth(rules::join_depth(a, vertex, b, stroke, p));
                    };
                    const Vector first = slice.along(slice.first());
                    const Vector last = slice.along(slice.last());
                    const auto in_sector = [&](int x, int y) {
                        const Vector p = slice.from_centre(x, y);
                        Verdict verdict = slice.in_band(p, 1.5L);
                        verdict = either_of(verdict, either_of(side({0, 0}, from, p), side(to, {0, 0}, p)));
                        verdict = either_of(verdict, corner({0, 0}, from, after(from, first), p));
                        verdict = either_of(verdict, corner(before(to, last), to, {0, 0}, p));
                        return either_of(verdict, corner(to, {0, 0}, from, p));
                    };
                    expect_verdicts(stroked(window, Sector{{box}, degrees(start), degrees(sweep)}, stroke),
                                    in_sector, "sector of " + name(slice));
                    const auto in_segment = [&](int x, int y) {
                        const Vector p = slice.from_centre(x, y);
                        Verdict verdict = either_of(slice.in_band(p, 1.5L), side(to, from, p));
                        verdict = either_of(verdict, corner(to, from, after(from, first), p));
                        return either_of(verdict, corner(before(to, last), to, from, p));
                    };
                    expect_verdicts(stroked(window, Segment{{box}, degrees(start), degrees(sweep)}, stroke),
                                    in_segment, "segment of " + name(slice));
                }
}

TEST(Arc, TurnedOnesTurnTheirAngles) {
    for (int turn = 0; turn <= 360; turn += 15) {
        // A circle's arc does not care which of the two is turned.
        const Arc turned{{{5, 5, 25, 25}, degrees(turn)}, degrees(20), degrees(75)};
        const Arc shifted{{{5, 5, 25, 25}}, degrees(20 + turn), degrees(75)};
        ASSERT_EQ(stroked(window, turned), stroked(window, shifted));
        ASSERT_EQ(stroked(window, turned, {{}, 4}), stroked(window, shifted, {{}, 4}));
    }
    const Sector level{{{5, 10, 25, 13}}, degrees(20), degrees(75)};
    const Sector quarter{{{5, 10, 25, 13}, degrees(90)}, degrees(20), degrees(75)};
    const Sector same{{{11, 4, 13, 25}}, degrees(110), degrees(75)};
    EXPECT_NE(filled(window, level), filled(window, quarter));
    // The turned ellipse's own directions turn with it.
    EXPECT_EQ(filled(window, quarter).count(), filled(window, level).count());
    EXPECT_EQ(filled(window, quarter), filled(window, same));
}

TEST(Arc, WholeSweepsAreTheEllipse) {
    const Ellipse ellipse{{5, 8, 27, 17}, degrees(30)};
    for (const int width : {1, 3}) {
        Stroke stroke{{}, width};
        EXPECT_EQ(stroked(window, Arc{ellipse, degrees(7), degrees(360)}, stroke),
                  stroked(window, ellipse, stroke));
        EXPECT_EQ(stroked(window, Sector{ellipse, degrees(7), degrees(-400)}, stroke),
                  stroked(window, ellipse, stroke));
        EXPECT_EQ(stroked(window, Segment{ellipse, degrees(7), degrees(360)}, stroke),
                  stroked(window, ellipse, stroke));
    }
    EXPECT_EQ(filled(window, Sector{ellipse, degrees(7), degrees(360)}), filled(window, ellipse));
    EXPECT_EQ(filled(window, Segment{ellipse, degrees(7), degrees(360)}), filled(window, ellipse));
}

TEST(Arc, ValuesOutsideTheirRangesAreNamed) {
    expect_errors<ArgumentError>({
        {[] {
             (void)Arc::about({0, 0}, -1, {}, {});
         },
         "ellipse radius -1 is outside 0..2147483647"},
        {[] {
             (void)Sector{{{0, 0, 5, 5}}, degrees(1e308) * 10, {}}.bounds();
         },
         "an angle of 1e+308 degrees is outside -1e12..1e12"},
        {[] {
             (void)Segment{{{0, 0, 5, 5}}, {}, degrees(0) / 0}.contains({0, 0});
         },
         "an angle of nan degrees is outside -1e12..1e12"},
    });
}

TEST(Arc, BothEndsOfASweepAreKeptAsGiven) {
    // The start points straight down on the screen; start + sweep - sweep would miss it by a rounding.
    const Ellipse ellipse{{4, -3, 21, 11}, degrees(-180)};
    const PixelSet result = filled({30, 12}, Sector{ellipse, degrees(-90), degrees(-348.2435217398228)});
    for (int y = 2; y <= 7; ++y) EXPECT_TRUE(result.contains(14, y)) << y << result;
    for (const double turn : {0.0, 360e8, -720.0})
        EXPECT_EQ(stroked({30, 12}, Arc{{ellipse.box, degrees(30 + turn)}, degrees(20 - turn), degrees(200)},
                          {{}, 3}),
                  stroked({30, 12}, Arc{{ellipse.box, degrees(30)}, degrees(20), degrees(200)}, {{}, 3}));
}

TEST(Arc, AnEmptyOneHasThePixelInTheSweepsMiddle) {
    const Arc arc{{{0, 4, 21, 2}}, degrees(210), degrees(30)};
    const PixelSet only = PixelSet::where({24, 8}, [](auto x, auto y) { return x == 10 && y == 4; });
    EXPECT_EQ(stroked({24, 8}, arc, Stroke{}), only);
    EXPECT_EQ(arc.bounds(), (Box{10, 4, 1, 1}));
}

TEST(Arc, HugeTurnsCostNoMoreThanSmallOnes) {
    Stroke dashed{{}, 3};
    dashed.dashes = {{3, 2}, 0};
    const PixelSet turned =
        stroked({40, 30}, Arc{{{8, 8, 25, 15}, degrees(30 + 360e9)}, {}, degrees(200)}, dashed);
    EXPECT_EQ(turned, stroked({40, 30}, Arc{{{8, 8, 25, 15}, degrees(30)}, {}, degrees(200)}, dashed));
    EXPECT_GT(turned.count(), 0);
}

// Where a side meets the curve at a small angle, pixels lie far beyond the ideal corner.
TEST(Arc, SectorsHaveAllPixelsThatTheRuleGivesThem) {
    const Sector vast{Ellipse{Box{-4119986, -313487620, 8388607, 627105923}}, degrees(-349.68764834115456),
                      degrees(-277.55600037051477)};
    for (std::int32_t y = 84004568; y <= 84004579; ++y) EXPECT_TRUE(vast.contains({-3966900, y})) << y;
    // A sector is what of the ellipse lies in its directions: the rest is another sector.
    for (const std::int32_t height : {300, 1999, 20'001})
        for (int turn = 84; turn < 98; ++turn) {
            const Ellipse tall{Box{-10, -height / 2, 21, height}};
            const Box within{-20, -height / 2 - 2, 41, height + 4};
            const Sector first{tall, degrees(turn + 0.3), degrees(200)};
            const Sector second{tall, degrees(turn + 200.3), degrees(160)};
            EXPECT_EQ(region(first, Fill{}, within) | region(second, Fill{}, within),
                      region(tall, Fill{}, within))
                << height << ' ' << turn;
        }
}

} // namespace coldbrick::test
