// Smooth shapes against their ideal areas, decided for 64 x 64 places of every pixel; what symmetric shapes,
// level edges, tiles and paths made of shapes come to.

#include "support/coverage.hpp"
#include "support/exact_area.hpp"
#include "support/generators.hpp"
#include "support/pixel_set.hpp"
#include "support/rules.hpp"

#include <coldbrick/bounds.hpp>
#include <coldbrick/drawing.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/path_of.hpp>
#include <coldbrick/region.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>
#include <functional>
#include <numbers>
#include <random>
#include <string>

namespace coldbrick::test {

namespace {

constexpr Size window{48, 40};

using Inside = std::function<bool(double x, double y)>;

/// How many parts of 255 of a pixel are inside, of 64 x 64 places.
double sampled(const Inside& inside, int x, int y) {
    constexpr int places = 64;
    int count = 0;
    for (int i = 0; i < places; ++i)
        for (int j = 0; j < places; ++j)
            count += inside(x - 0.5 + (i + 0.5) / places, y - 0.5 + (j + 0.5) / places) ? 1 : 0;
    return 255.0 * count / (places * places);
}

/// Expects coverages to be those of an area to 2/255, and what the places may be wrong by at its edges.
void expect_covered(const Coverages& found, const Inside& inside, const std::string& name) {
    constexpr double tolerance = 2 + 255.0 / 128;
    double sum = 0;
    for (int y = 0; y < window.height; ++y)
        for (int x = 0; x < window.width; ++x) {
            const double wanted = sampled(inside, x, y);
            ASSERT_NEAR(found.at(x, y), wanted, tolerance) << name << " at (" << x << ", " << y << ")\n"
                                                           << found;
            sum += wanted;
        }
    // All together they err far less.
    EXPECT_NEAR(static_cast<double>(found.sum()), sum, 0.002 * sum + 60) << name;
}

double distance(double x, double y, Position a, Position b) {
    const double length = std::hypot(b.x - a.x, b.y - a.y);
    const double along =
        std::clamp(((x - a.x) * (b.x - a.x) + (y - a.y) * (b.y - a.y)) / length, 0.0, length);
    return std::hypot(x - a.x - along * (b.x - a.x) / length, y - a.y - along * (b.y - a.y) / length);
}

/// Within half a width of a line between two positions, which ends there.
bool beside(double x, double y, Position a, Position b, double half) {
    const double length = std::hypot(b.x - a.x, b.y - a.y);
    const double along = ((x - a.x) * (b.x - a.x) + (y - a.y) * (b.y - a.y)) / length;
    const double aside = ((x - a.x) * (b.y - a.y) - (y - a.y) * (b.x - a.x)) / length;
    return along >= 0 && along <= length && std::abs(aside) <= half;
}

/// What lies a distance beyond an ellipse, or within it.
std::vector<Position> parallel_to_ellipse(Position centre, double a, double b, double beyond) {
    constexpr int places = 720;
    std::vector<Position> result;
    for (int i = 0; i < places; ++i) {
        const double t = 2 * std::numbers::pi * i / places;
        const double speed = std::hypot(a * std::sin(t), b * std::cos(t));
        result.push_back({centre.x + std::cos(t) * (a + beyond * b / speed),
                          centre.y + std::sin(t) * (b + beyond * a / speed)});
    }
    return result;
}

Stroke wide(LineWidth width) {
    return Stroke{{}, width};
}

} // namespace

TEST(Smooth, FillsAreTheirIdealAreas) {
    const Circle circle{{20, 17}, 11};
    expect_covered(
        covered_by(window, circle), [](double x, double y) { return std::hypot(x - 20, y - 17) <= 11.5; },
        "circle");
    const Ellipse ellipse{{5, 4, 30, 21}};
    const auto in_ellipse = [](double x, double y) {
        return std::hypot((x - 19.5) / 15, (y - 14) / 10.5) <= 1;
    };
    expect_covered(covered_by(window, ellipse), in_ellipse, "ellipse");
    const Ellipse turned = Ellipse::about({22, 18}, 16, 6, degrees(30));
    const auto in_turned = [](double x, double y) {
        const double c = std::cos(std::numbers::pi / 6);
        const double s = 0.5;
        return std::hypot((c * (x - 22) + s * (y - 18)) / 16.5, (c * (y - 18) - s * (x - 22)) / 6.5) <= 1;
    };
    expect_covered(covered_by(window, turned), in_turned, "turned ellipse");
    const auto in_rounded = [](double x, double y) {
        const double across = std::max(std::abs(x - 19.5) - (20 - 6.5), 0.0);
        const double down = std::max(std::abs(y - 16.5) - (13 - 6.5), 0.0);
        return std::hypot(across, down) <= 6.5;
    };
    expect_covered(covered_by(window, RoundedBox{{0, 4, 40, 26}, 6}), in_rounded, "rounded box");
    // The slice and its stroke of width 1, with a mitre at the centre.
    const auto in_sector = [](double x, double y) {
        const double r = std::hypot(x - 10, y - 8);
        const bool round = r <= 20.5 && x >= 9.5 && y >= 7.5;
        const bool beyond_ends = (r > 19.5 && (x < 10 || y < 8)) && (std::abs(x - 30) > 0.5 || y < 7.5) &&
                                 (std::abs(y - 28) > 0.5 || x < 9.5);
        return round && !beyond_ends;
    };
    const Sector sector = Sector::about({10, 8}, 20, degrees(0), degrees(90));
    const Coverages found = covered_by(window, sector);
    for (int y = 8; y < 24; ++y)
        for (int x = 10; x < 24; ++x) EXPECT_NEAR(found.at(x, y), sampled(in_sector, x, y), 4);
    EXPECT_EQ(found.at(9, 15), 0);
    EXPECT_EQ(found.at(15, 7), 0);
    EXPECT_EQ(found.at(10, 8), 255);
}

TEST(Smooth, StrokesAreWithinHalfAWidth) {
    for (const double w : {1.0, 2.0, 3.0, 4.5, 9.0}) {
        const double inwards = std::fmod(w, 2) == 0 ? 0.5 : 0;
        const std::string name = "width " + std::to_string(w);
        expect_covered(
            covered_by(window, Circle{{21, 18}, 12}, wide(w)),
            [&](double x, double y) { return std::abs(std::hypot(x - 21, y - 18) - 12 + inwards) <= w / 2; },
            "circle, " + name);
        // From pixel to pixel, both whole; an even width lies further up and to the left.
        Stroke round = wide(w);
        round.cap = Cap::round;
        const Position a{8 - inwards, 9 - inwards};
        const Position b{37 - inwards, 26 - inwards};
        expect_covered(
            covered_by(window, Line{{8, 9}, {37, 26}}, round),
            [&](double x, double y) { return distance(x, y, a, b) <= w / 2; }, "line, " + name);
        const double length = std::hypot(29, 17);
        const double more = 0.5 + inwards * (29 + 17) / length;
        const double more_before = 0.5 - inwards * (29 + 17) / length;
        const Position from{a.x - more_before * 29 / length, a.y - more_before * 17 / length};
        const Position to{b.x + more * 29 / length, b.y + more * 17 / length};
        expect_covered(
            covered_by(window, Line{{8, 9}, {37, 26}}, wide(w)),
            [&](double x, double y) { return beside(x, y, from, to, w / 2); }, "butt line, " + name);
        const Coverages ellipse = covered_by(window, Ellipse::about({23, 19}, 19, 9), wide(w));
        if (w > 8) continue; // the inner edge has cusps
        const ExactArea exact({parallel_to_ellipse({23, 19}, 19, 9, w / 2 - inwards),
                               parallel_to_ellipse({23, 19}, 19, 9, -w / 2 - inwards)});
        for (int y = 0; y < window.height; ++y)
            for (int x = 0; x < window.width; ++x)
                ASSERT_NEAR(ellipse.at(x, y), 255 * exact.of_pixel(x, y, FillRule::even_odd), 2.5)
                    << name << ellipse;
    }
}

TEST(Smooth, PathsAreExactWhereCurvesAreSampled) {
    // A Bezier curve as very many straight lines.
    std::mt19937_64 engine(7);
    const auto any = [&engine](double high) {
        return std::nearbyint(std::uniform_real_distribution<double>(-6, high + 6)(engine) * 65536) / 65536;
    };
    for (int i = 0; i < 60; ++i) {
        const Position p[] = {{any(24), any(18)}, {any(24), any(18)}, {any(24), any(18)}, {any(24), any(18)}};
        std::vector<Position> ring;
        constexpr int lines = 400;
        for (int k = 0; k <= lines; ++k) {
            const double t = static_cast<double>(k) / lines;
            const double s = 1 - t;
            const auto at = [&](double Position::*c) {
                return s * s * s * p[0].*c + 3 * s * s * t * p[1].*c + 3 * s * t * t * p[2].*c +
                       t * t * t * p[3].*c;
            };
            ring.push_back({at(&Position::x), at(&Position::y)});
        }
        const ExactArea exact({ring});
        const Path path = Path().move_to(p[0]).cubic_to(p[1], p[2], p[3]);
        const Coverages found =
            covered_by(Size{24, 18}, path, Fill{{}, FillRule::even_odd, FillExtent::tiling});
        for (int y = 0; y < 18; ++y)
            for (int x = 0; x < 24; ++x)
                ASSERT_NEAR(found.at(x, y), 255 * exact.of_pixel(x, y, FillRule::even_odd), 2) << i << found;
    }
}

TEST(Smooth, LevelAndUprightEdgesStaySharp) {
    const Box box{10, 8, 21, 16};
    const Polygon polygon({{10, 8}, {30, 8}, {30, 23}, {10, 23}});
    EXPECT_EQ(covered_by(window, box).sum(), 255 * 21 * 16);
    EXPECT_EQ(covered_by(window, polygon), covered_by(window, box));
    for (const int width : {1, 2, 3, 6, 15, 40})
        for (const Alignment alignment : {Alignment::centred, Alignment::inside, Alignment::outside}) {
            Stroke stroke = wide(width);
            stroke.alignment = alignment;
            const PixelSet crisp = stroked(window, box, stroke);
            EXPECT_EQ(covered_by(window, box, stroke).sum(), 255 * crisp.count()) << width;
            const Line level{{5, 20}, {30, 20}};
            stroke.alignment = Alignment::centred;
            for (const Cap cap : {Cap::butt, Cap::square}) {
                stroke.cap = cap;
                EXPECT_EQ(covered_by(window, level, stroke).sum(),
                          255 * stroked(window, level, stroke).count());
            }
        }
    // Dashes of level lines are those of crisp ones.
    for (const int width : {1, 2, 5}) {
        Stroke dashes = wide(width);
        dashes.dashes = {{4, 3}, 1};
        const Line level{{5, 20}, {30, 20}};
        const PixelSet crisp = stroked(window, level, dashes);
        const Coverages found = covered_by(window, level, dashes);
        for (int y = 0; y < window.height; ++y)
            for (int x = 0; x < window.width; ++x) EXPECT_EQ(found.at(x, y), crisp.contains(x, y) ? 255 : 0);
    }
}

TEST(Smooth, RoundShapesAreSymmetric) {
    for (int radius = 0; radius < 18; ++radius)
        for (const int width : {0, 1, 2, 5}) {
            const Circle circle{{20, 19}, radius};
            const Coverages found =
                width == 0 ? covered_by(window, circle) : covered_by(window, circle, wide(width));
            for (int y = 0; y < 20; ++y)
                for (int x = 0; x < 20; ++x) {
                    const int value = found.at(20 + x, 19 + y);
                    EXPECT_EQ(found.at(20 - x, 19 + y), value);
                    EXPECT_EQ(found.at(20 + x, 19 - y), value);
                    EXPECT_NEAR(found.at(20 + y, 19 + x), value, 1) << radius << ' ' << width;
                }
        }
}

TEST(Smooth, AreasAddUp) {
    const Size large{300, 300};
    for (const int radius : {3, 20, 77, 140}) {
        const double area = std::numbers::pi * (radius + 0.5) * (radius + 0.5);
        const double sum = static_cast<double>(covered_by(large, Circle{{150, 150}, radius}).sum()) / 255;
        EXPECT_NEAR(sum / area, 1, 0.0008) << radius;
        const double ring =
            static_cast<double>(covered_by(large, Circle{{150, 150}, radius}, wide(3)).sum()) / 255;
        EXPECT_NEAR(ring / (2 * std::numbers::pi * radius * 3), 1, 0.001) << radius;
    }
}

/// Random triangles that share edges: on an edge between two the coverages add up to all of the pixel, and
/// the sum over more differs by no more than their roundings.
TEST(Smooth, TilesHaveNoSeams) {
    std::mt19937 engine(11);
    constexpr int across = 6;
    constexpr int step = 7;
    for (int round = 0; round < 20; ++round) {
        std::vector<Point> corners;
        for (int y = 0; y <= across; ++y)
            for (int x = 0; x <= across; ++x) {
                const bool edge = x == 0 || y == 0 || x == across || y == across;
                const auto off = [&] { return edge ? 0 : static_cast<int>(engine() % 5) - 2; };
                corners.push_back({x * step + off() - 1, y * step + off() - 1});
            }
        const Size size{across * step - 1, across * step - 1};
        std::vector<int> sum(static_cast<std::size_t>(size.width * size.height));
        std::vector<int> count(sum.size());
        const auto add = [&](Point a, Point b, Point c) {
            const Coverages one =
                covered_by(size, Polygon({a, b, c}), Fill{{}, FillRule::even_odd, FillExtent::tiling});
            const auto at = [](Point point) {
                return Position{static_cast<double>(point.x), static_cast<double>(point.y)};
            };
            const ExactArea exact({{at(a), at(b), at(c)}});
            for (std::size_t i = 0; i < sum.size(); ++i) {
                sum[i] += one.values[i];
                const auto pixel = static_cast<int>(i);
                const double area =
                    exact.of_pixel(pixel % size.width, pixel / size.width, FillRule::even_odd);
                count[i] += area > 1e-9 ? 1 : 0;
            }
        };
        for (int y = 0; y < across; ++y)
            for (int x = 0; x < across; ++x) {
                const auto at = [&](int i, int j) {
                    return corners[static_cast<std::size_t>((y + j) * (across + 1) + x + i)];
                };
                add(at(0, 0), at(1, 0), at(1, 1));
                add(at(0, 0), at(1, 1), at(0, 1));
            }
        for (std::size_t i = 0; i < sum.size(); ++i) {
            ASSERT_NEAR(sum[i], 255, count[i] <= 2 ? 0 : count[i] / 2) << round << ' ' << i;
        }
    }
}

TEST(Smooth, OverlapsWithinAShapeCountOnce) {
    // A stroke that crosses itself and discs that overlap: covered() fails where a pixel is painted twice.
    const Polyline crossing{{{5, 5}, {40, 30}, {40, 5}, {5, 30}}};
    Stroke stroke = wide(7);
    stroke.join = Join::round;
    const Coverages found = covered_by(window, crossing, stroke);
    EXPECT_EQ(found.at(22, 17), 255);
    const Coverages discs = covered_by(window, Dots{{{10, 10}, {13, 10}, {10, 10}}}, wide(9));
    EXPECT_EQ(discs.at(11, 10), 255);
    EXPECT_EQ(covered_by(window, Dots{{{10, 10}, {12, 10}}}, wide(1)).sum(), 2 * 255);
}

TEST(Smooth, PathsOfShapesAreTheShapes) {
    const Shape shapes[] = {Box{5, 6, 20, 11},
                            RoundedBox{{5, 6, 30, 21}, 7},
                            Circle{{20, 17}, 11},
                            Ellipse{{5, 4, 30, 21}, degrees(20)},
                            Sector::about({20, 18}, 14, degrees(20), degrees(130)),
                            Segment::about({20, 18}, 14, degrees(-20), degrees(130)),
                            Polygon({{3, 3}, {40, 9}, {22, 34}, {30, 2}})};
    for (const Shape& shape : shapes) {
        const auto check = [&]<class S>(const S& one) {
            const Path path = path_of(one);
            if constexpr (ClosedShape<S>) {
                const Coverages a = covered_by(window, path);
                const Coverages b = covered_by(window, one);
                for (std::size_t i = 0; i < a.values.size(); ++i)
                    ASSERT_NEAR(a.values[i], b.values[i], 3) << a << b;
            }
            for (const int width : {1, 3, 7}) {
                const Coverages a = covered_by(window, path, wide(width));
                const Coverages b = covered_by(window, one, wide(width));
                for (std::size_t i = 0; i < a.values.size(); ++i)
                    ASSERT_NEAR(a.values[i], b.values[i], 3) << a << b;
            }
        };
        std::visit(check, shape);
    }
    // Crisp, a polygon's path is the polygon, and a polyline's the polyline.
    const Polygon polygon({{3, 3}, {40, 9}, {22, 34}, {30, 2}});
    for (const FillRule rule : {FillRule::even_odd, FillRule::non_zero})
        for (const FillExtent extent : {FillExtent::whole, FillExtent::tiling})
            EXPECT_EQ(filled(window, path_of(polygon), {{}, rule, extent}),
                      filled(window, polygon, {{}, rule, extent}));
    const Polyline polyline{{{3, 3}, {40, 9}, {22, 34}, {30, 2}}};
    EXPECT_EQ(stroked(window, path_of(polyline)), stroked(window, polyline));
}

TEST(Smooth, MoreLinesThanAPathMayHaveAreRefused) {
    Path path = Path().arc_about({20, 20}, {15, 15}, Angle(), degrees(360));
    path.limit_lines(10);
    Image image(window, PixelFormat::gray8, Colour(0, 0, 0));
    for (const Edges edges : {Edges::crisp, Edges::smooth}) {
        Fill fill{Colour(255, 255, 255)};
        fill.edges = edges;
        const Stroke dashed{
            .paint = Colour(255, 255, 255), .width = 3, .dashes = {{2, 2}, 0}, .edges = edges};
        const std::vector<Shape> list{Box{0, 0, 9, 9}, path};
        Drawing drawing;
        // Whatever is asked of it, and whatever of it a clip shows.
        for (const ImageView& view : {image.view(), image.view().clipped({39, 0, 1, 1})}) {
            EXPECT_THROW(draw(view, path, fill), ArgumentError);
            EXPECT_THROW(draw(view, path, dashed), ArgumentError);
            EXPECT_THROW(draw(view, path, fill, dashed), ArgumentError);
            EXPECT_THROW(draw(view, std::span(list), fill), ArgumentError);
            EXPECT_THROW(draw(view, std::span(list), fill, dashed), ArgumentError);
        }
        EXPECT_THROW((void)region(path, fill, Box{100, 100, 5, 5}), ArgumentError);
        EXPECT_THROW((void)bounds(path, dashed), ArgumentError);
        EXPECT_THROW(drawing.add(path, fill, dashed), ArgumentError);
    }
    // 256 lines stand for it; dashes do not count.
    path.limit_lines(256);
    draw(image.view().clipped({39, 0, 1, 1}), path, Fill{Colour(255, 255, 255)});
    draw(image.view().clipped({39, 0, 1, 1}), path,
         Stroke{.paint = Colour(), .width = 3, .dashes = {{0.5, 0.5}, 0}, .edges = Edges::smooth});
    path.limit_lines(255);
    EXPECT_THROW(draw(image, path, Fill{Colour(255, 255, 255)}), ArgumentError);
    for (int x = 0; x < window.width; ++x) EXPECT_EQ(image.pixel({x, 20}).red, 0);
}

} // namespace coldbrick::test
