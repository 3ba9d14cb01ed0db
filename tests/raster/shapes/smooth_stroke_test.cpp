// Smooth strokes and dashes of curves against what they ideally are, decided for many places of every pixel.

#include "support/coverage.hpp"
#include "support/ideal_stroke.hpp"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <functional>
#include <numbers>
#include <random>
#include <string>
#include <vector>

namespace coldbrick::test {

namespace {

constexpr Size window{40, 40};

/// To 2/255, and what the lattice may be wrong by.
constexpr double tolerance = 4;

void expect_area(const Coverages& found, const std::function<bool(Position)>& inside,
                 const std::string& name) {
    for (int y = 0; y < window.height; ++y)
        for (int x = 0; x < window.width; ++x)
            ASSERT_NEAR(found.at(x, y), lattice_coverage(inside, x, y), tolerance)
                << name << " at (" << x << ", " << y << ")\n"
                << found;
}

void expect_ideal(const Coverages& found, const std::vector<IdealStroke>& strokes, const std::string& name) {
    const auto inside = [&](Position p) {
        return std::ranges::any_of(strokes, [p](const IdealStroke& stroke) { return stroke.contains(p); });
    };
    expect_area(found, inside, name);
}

bool encloses(const std::vector<IdealCurve>& curves, Position p) {
    bool result = false;
    for (const IdealCurve& curve : curves)
        for (std::size_t i = 1; i < curve.places().size(); ++i) {
            const Position a = curve.places()[i - 1];
            const Position b = curve.places()[i];
            if ((a.y <= p.y) != (b.y <= p.y) && p.x < a.x + (p.y - a.y) / (b.y - a.y) * (b.x - a.x))
                result = !result;
        }
    return result;
}

/// The stroke of a closed contour: inside its right width, outside its left one.
void expect_closed(const Coverages& found, const std::vector<IdealCurve>& curves, IdealPen pen,
                   const std::string& name) {
    IdealPen outer = pen;
    outer.right = pen.left;
    pen.left = pen.right;
    const IdealStroke within(curves, true, pen);
    const IdealStroke beyond(curves, true, outer);
    expect_area(
        found, [&](Position p) { return (encloses(curves, p) ? within : beyond).contains(p); }, name);
}

/// A part of an ellipse, between two true directions before its turn.
IdealCurve part_of(const Ellipse& ellipse, double start, double sweep) {
    constexpr double radians = std::numbers::pi / 180;
    const double a = static_cast<double>(ellipse.box.width - 1) / 2;
    const double b = static_cast<double>(ellipse.box.height - 1) / 2;
    const Position centre{static_cast<double>(ellipse.box.x) + a, static_cast<double>(ellipse.box.y) + b};
    const double turn = ellipse.turn.in_degrees() * radians;
    const auto turned = [turn](Position p) {
        return Position{std::cos(turn) * p.x - std::sin(turn) * p.y,
                        std::sin(turn) * p.x + std::cos(turn) * p.y};
    };
    const auto parameter = [a, b](double degrees) {
        const double t = std::atan2(a * std::sin(degrees * radians), b * std::cos(degrees * radians));
        return t + 2 * std::numbers::pi * std::round((degrees * radians - t) / (2 * std::numbers::pi));
    };
    const double from = parameter(std::min(start, start + sweep));
    const double to = parameter(std::max(start, start + sweep));
    return IdealCurve::of(
        [=](double t) {
            const double at = from + t * (to - from);
            return centre + turned({a * std::cos(at), b * std::sin(at)});
        },
        [=](double t) {
            const double at = from + t * (to - from);
            return turned({-a * std::sin(at), b * std::cos(at)});
        });
}

IdealCurve cubic(const Position (&p)[4]) {
    return IdealCurve::of(
        [=](double t) {
            const double s = 1 - t;
            return s * s * s * p[0] + 3 * s * s * t * p[1] + 3 * s * t * t * p[2] + t * t * t * p[3];
        },
        [=](double t) {
            const double s = 1 - t;
            return s * s * (p[1] - p[0]) + 2 * s * t * (p[2] - p[1]) + t * t * (p[3] - p[2]);
        });
}

/// Numbers that are the same in every run.
class Chance {
  public:
    double between(double low, double high) {
        return std::uniform_real_distribution<double>(low, high)(engine_);
    }
    int whole(int low, int high) { return std::uniform_int_distribution<int>(low, high)(engine_); }
    template <class T>
    T one_of(std::initializer_list<T> list) {
        return *(list.begin() + whole(0, static_cast<int>(list.size()) - 1));
    }

  private:
    std::mt19937 engine_{20};
};

/// The pen of a shape on pixels that has an inside of its own, or of a path.
IdealPen ideal(const Stroke& stroke, bool on_pixels, bool has_inside) {
    const double half = stroke.width / 2;
    const double inwards = has_inside && std::fmod(stroke.width, 2) == 0 ? 0.5 : 0;
    return {half + inwards, half - inwards,     stroke.cap,
            stroke.join,    stroke.mitre_limit, on_pixels ? 0.5 : 0.0};
}

} // namespace

TEST(SmoothStroke, ArcsEndAtRightAngles) {
    Chance chance;
    for (int i = 0; i < 8; ++i) {
        const Ellipse ellipse = Ellipse::about({20, 20}, chance.whole(4, 14), chance.whole(4, 14),
                                               degrees(chance.whole(0, 3) * chance.between(0, 90)));
        const double start = chance.between(0, 360);
        const double sweep = chance.between(20, 320);
        Stroke stroke{.paint = Colour(),
                      .width = chance.whole(1, 8),
                      .cap = chance.one_of({Cap::butt, Cap::square, Cap::round})};
        const Arc arc{ellipse, degrees(start), degrees(sweep)};
        const IdealStroke wanted({part_of(ellipse, start, sweep)}, false, ideal(stroke, true, true));
        expect_ideal(covered_by(window, arc, stroke), {wanted}, std::to_string(i));
    }
}

TEST(SmoothStroke, SectorsAndSegmentsHaveTheirCorners) {
    Chance chance;
    for (int i = 0; i < 6; ++i) {
        const Ellipse ellipse = Ellipse::about({20, 20}, chance.whole(5, 14), chance.whole(5, 14),
                                               degrees(chance.whole(0, 3) * chance.between(0, 90)));
        const double start = chance.between(0, 360);
        const double sweep = chance.between(40, 320);
        const Stroke stroke{.paint = Colour(),
                            .width = chance.whole(1, 7),
                            .join = chance.one_of({Join::mitre, Join::bevel, Join::round})};
        const IdealCurve arc = part_of(ellipse, start, sweep);
        const double a = static_cast<double>(ellipse.box.width - 1) / 2;
        const double b = static_cast<double>(ellipse.box.height - 1) / 2;
        const Position centre{static_cast<double>(ellipse.box.x) + a, static_cast<double>(ellipse.box.y) + b};
        const std::string name = std::to_string(i);
        const IdealPen pen = ideal(stroke, true, true);
        expect_closed(covered_by(window, Segment{ellipse, degrees(start), degrees(sweep)}, stroke),
                      {arc, IdealCurve::line(arc.places().back(), arc.places().front())}, pen,
                      "segment " + name);
        expect_closed(covered_by(window, Sector{ellipse, degrees(start), degrees(sweep)}, stroke),
                      {IdealCurve::line(centre, arc.places().front()), arc,
                       IdealCurve::line(arc.places().back(), centre)},
                      pen, "sector " + name);
    }
}

TEST(SmoothStroke, PathsOfCurvesHaveTheirCornersAndCaps) {
    Chance chance;
    for (int i = 0; i < 8; ++i) {
        const auto any = [&] {
            return Position{std::nearbyint(chance.between(8, 32) * 64) / 64,
                            std::nearbyint(chance.between(8, 32) * 64) / 64};
        };
        const Position p[] = {any(), any(), any(), any()};
        const Position q[] = {p[3], any(), any(), any()};
        const Stroke stroke{.paint = Colour(),
                            .width = chance.between(1, 4),
                            .cap = chance.one_of({Cap::butt, Cap::square, Cap::round}),
                            .join = chance.one_of({Join::mitre, Join::bevel, Join::round})};
        const Path path = Path().move_to(p[0]).cubic_to(p[1], p[2], p[3]).cubic_to(q[1], q[2], q[3]);
        expect_ideal(covered_by(window, path, stroke),
                     {{{cubic(p), cubic(q)}, false, ideal(stroke, false, false)}}, std::to_string(i));
    }
}

TEST(SmoothStroke, RoundCapsAndJoinsAreWholeDiscs) {
    Chance chance;
    for (int i = 0; i < 20; ++i) {
        // The last lines are short beside the width.
        std::vector<Point> points{{chance.whole(5, 34), chance.whole(5, 34)}, {20, 20}};
        for (int k = chance.whole(1, 2); k > 0; --k)
            points.push_back(
                {points.back().x + chance.one_of({-2, -1, 1, 2}), points.back().y + chance.whole(-2, 2)});
        if (points[0] == points[1]) continue;
        const Stroke stroke{.paint = Colour(),
                            .width = 2 * chance.whole(1, 5) + 1,
                            .cap = chance.one_of({Cap::butt, Cap::round}),
                            .join = chance.one_of({Join::bevel, Join::round})};
        std::vector<IdealCurve> lines;
        Path path;
        path.move_to({static_cast<double>(points[0].x), static_cast<double>(points[0].y)});
        for (std::size_t k = 1; k < points.size(); ++k) {
            const auto at = [&](std::size_t j) {
                return Position{static_cast<double>(points[j].x), static_cast<double>(points[j].y)};
            };
            lines.push_back(IdealCurve::line(at(k - 1), at(k)));
            path.line_to(at(k));
        }
        expect_ideal(covered_by(window, path, stroke), {{lines, false, ideal(stroke, false, false)}},
                     std::to_string(i));
    }
}

TEST(SmoothStroke, DashesOfCurvesLieWhereTheirLengthsEnd) {
    Chance chance;
    for (int i = 0; i < 6; ++i) {
        const int radius = chance.whole(6, 15);
        const std::vector<double> lengths{chance.between(2, 9), chance.between(2, 9)};
        const double offset = chance.between(-20, 20);
        const Stroke stroke{.paint = Colour(),
                            .width = 2 * chance.whole(1, 3) + 1,
                            .cap = chance.one_of({Cap::butt, Cap::square, Cap::round}),
                            .dashes = {lengths, offset}};
        const IdealPen pen = ideal(stroke, true, true);
        const Ellipse circle = Ellipse::about({20, 20}, radius, radius);
        expect_ideal(covered_by(window, Circle{{20, 20}, radius}, stroke),
                     IdealStroke({part_of(circle, 0, 360)}, false, pen).dashed(lengths, offset),
                     "circle " + std::to_string(i));
        const Ellipse ellipse = Ellipse::about({20, 20}, radius, chance.whole(4, 12));
        expect_ideal(covered_by(window, ellipse, stroke),
                     IdealStroke({part_of(ellipse, 0, 360)}, false, pen).dashed(lengths, offset),
                     "ellipse " + std::to_string(i));
    }
}

TEST(SmoothStroke, DashesTurnCorners) {
    Chance chance;
    for (int i = 0; i < 12; ++i) {
        const auto any = [&] { return Point{chance.whole(6, 33), chance.whole(6, 33)}; };
        const Point points[] = {any(), any(), any(), any()};
        const auto at = [&](int k) {
            return Position{static_cast<double>(points[k].x), static_cast<double>(points[k].y)};
        };
        if (points[0] == points[1] || points[1] == points[2] || points[2] == points[3]) continue;
        const std::vector<double> lengths{chance.between(2, 9), chance.between(2, 9), chance.between(0, 3)};
        const double offset = chance.between(-20, 20);
        const Stroke stroke{.paint = Colour(),
                            .width = 2 * chance.whole(1, 4) + 1,
                            .cap = chance.one_of({Cap::butt, Cap::square, Cap::round}),
                            .join = chance.one_of({Join::mitre, Join::bevel, Join::round}),
                            .dashes = {lengths, offset}};
        const IdealStroke whole(
            {IdealCurve::line(at(0), at(1)), IdealCurve::line(at(1), at(2)), IdealCurve::line(at(2), at(3))},
            false, ideal(stroke, true, false));
        expect_ideal(covered_by(window, Polyline{{points[0], points[1], points[2], points[3]}}, stroke),
                     whole.dashed(lengths, offset), std::to_string(i));
    }
}

/// A dash from b to e has what the pixels have between b - 1/2 and e - 1/2, and nothing where crisp ones have
/// none of it.
TEST(SmoothStroke, ThinDashesHaveTheirSharesOfPixels) {
    Chance chance;
    for (int i = 0; i < 40; ++i) {
        const std::vector<double> lengths{chance.between(0.3, 5), chance.between(0.3, 5)};
        const double offset = chance.between(-20, 20);
        const Stroke stroke{.paint = Colour(), .dashes = {lengths, offset}};
        const Coverages found = covered_by(window, Line{{1, 5}, {19, 5}}, stroke);
        const double period = lengths[0] + lengths[1];
        for (int x = 0; x < window.width; ++x) {
            double share = 0;
            for (double on = -std::fmod(offset, period) - 2 * period; on <= 18; on += period) {
                const double begin = std::max({on - 0.5, -0.5, x - 1.5});
                const double end = std::min({on + lengths[0] - 0.5, 18.5, x - 0.5});
                share += on + lengths[0] > 0 ? std::max(end - begin, 0.0) : 0;
            }
            ASSERT_NEAR(found.at(x, 5), 255 * share, 1) << i << " at " << x << '\n' << found;
        }
    }
}

/// Dashes that are short beside the width, cut to the fill or without it.
TEST(SmoothStroke, ShortDashesLieOnOneSide) {
    const Position a{9, 8};
    const Position b{31, 14};
    const Position c{14, 33};
    const std::vector<IdealCurve> lines{IdealCurve::line(a, b), IdealCurve::line(b, c),
                                        IdealCurve::line(c, a)};
    const IdealStroke rim(lines, true, {0.5, 0.5});
    const std::vector<double> lengths{0.6, 0.4};
    for (const Alignment alignment : {Alignment::inside, Alignment::outside}) {
        const bool inside = alignment == Alignment::inside;
        const double half = inside ? 3.5 : 4.5;
        const std::vector<IdealStroke> dashes = IdealStroke(lines, true, {half, half}).dashed(lengths, 0.25);
        const Stroke stroke{.paint = Colour(), .width = 4, .alignment = alignment, .dashes = {lengths, 0.25}};
        expect_area(
            covered_by(window, Path().move_to(a).line_to(b).line_to(c).close(), stroke),
            [&](Position p) {
                const bool filled = encloses(lines, p) || rim.contains(p);
                return filled == inside &&
                       std::ranges::any_of(dashes, [p](const IdealStroke& one) { return one.contains(p); });
            },
            inside ? "inside" : "outside");
    }
}

} // namespace coldbrick::test
