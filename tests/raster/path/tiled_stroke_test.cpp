// Wide strokes that are worked out tile by tile. Round ones: every place within the radius and no other.
// Others: what the same path has without the crowd that it takes for tiles.

#include "support/coverage.hpp"
#include "support/generators.hpp"
#include "support/pixel_set.hpp"

#include <coldbrick/bounds.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/region.hpp>

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <random>
#include <vector>

namespace coldbrick::test {

namespace {

constexpr Size window{70, 60};

/// So many short lines that they are worked out by tiles.
Path any_crowd() {
    Path path;
    for (int contours = *rc::gen::inRange(1, 4); contours > 0; --contours) {
        Position at{*rc::gen::inRange(-20, 90) + 0.25, *rc::gen::inRange(-20, 80) - 0.5};
        path.move_to(at);
        for (int pieces = *rc::gen::inRange(9, 30); pieces > 0; --pieces) {
            const auto step = [] { return *rc::gen::inRange(-40, 41) / 16.0; };
            at = {at.x + step(), at.y + step()};
            path.line_to(at);
        }
        if (*rc::gen::arbitrary<bool>()) path.close();
    }
    return path;
}

Stroke round_stroke(double width, Edges edges) {
    return {.paint = Colour(255, 255, 255),
            .width = width,
            .cap = Cap::round,
            .join = Join::round,
            .edges = edges};
}

double distance(Position p, Position a, Position b) {
    const Position way{b.x - a.x, b.y - a.y};
    const double square = way.x * way.x + way.y * way.y;
    const double along = (p.x - a.x) * way.x + (p.y - a.y) * way.y;
    const double share = square == 0 ? 0 : std::clamp(along / square, 0.0, 1.0);
    return std::hypot(p.x - a.x - share * way.x, p.y - a.y - share * way.y);
}

double distance(Position p, const Path& path) {
    double result = 1e9;
    for (const Contour& contour : path.contours()) {
        Position at = contour.start;
        for (const PathPiece& piece : contour.pieces) {
            const Position to = std::get<PathLine>(piece).to;
            result = std::min(result, distance(p, at, to));
            at = to;
        }
        if (contour.closed) result = std::min(result, distance(p, at, contour.start));
    }
    return result;
}

/// The share of a pixel's square within a distance of a path, by 16 x 16 places; looked at only where an edge
/// may be.
double share_within(std::int64_t x, std::int64_t y, double radius, const Path& path) {
    const auto middle_x = static_cast<double>(x);
    const auto middle_y = static_cast<double>(y);
    const double middle = distance({middle_x, middle_y}, path);
    if (std::abs(middle - radius) > 0.8) return middle < radius ? 1 : 0;
    constexpr int places = 16;
    int count = 0;
    for (int i = 0; i < places * places; ++i) {
        const double across = (i % places + 0.5) / places - 0.5;
        const double down = (i / places + 0.5) / places - 0.5; // NOLINT(bugprone-integer-division)
        count += distance({middle_x + across, middle_y + down}, path) <= radius ? 1 : 0;
    }
    return count / double(places * places);
}

/// Curves with corners, some of them closed, in and about the window.
Path any_curves() {
    Path path;
    for (int contours = *rc::gen::inRange(1, 5); contours > 0; --contours) {
        const auto any_place = [] {
            return Position{*rc::gen::inRange(-60, 130) + 0.25, *rc::gen::inRange(-60, 120) - 0.5};
        };
        const bool goes_on = !path.contours().empty() && *rc::gen::arbitrary<bool>();
        path.move_to(goes_on ? path.contours().back().start : any_place());
        for (int pieces = *rc::gen::inRange(1, 4); pieces > 0; --pieces) {
            if (*rc::gen::inRange(0, 3) == 0)
                path.line_to(any_place());
            else
                path.cubic_to(any_place(), any_place(), any_place());
        }
        if (*rc::gen::arbitrary<bool>()) path.close();
    }
    return path;
}

/// The same with so many curves far away that it is worked out by tiles.
Path among_a_crowd(Path path) {
    for (int i = 0; i < 300; ++i) {
        path.move_to({9000, 9000});
        path.cubic_to({9200, 9000}, {9000, 9200}, {9200, 9200});
    }
    return path;
}

Stroke any_pen(Edges edges) {
    return {.paint = Colour(255, 255, 255),
            .width = *rc::gen::inRange(16, 160) + 0.5,
            .cap = *rc::gen::element(Cap::butt, Cap::square, Cap::round),
            .join = *rc::gen::element(Join::mitre, Join::bevel, Join::round),
            .mitre_limit = *rc::gen::inRange(1, 9) + 0.5,
            .edges = edges};
}

} // namespace

RC_GTEST_PROP(TiledStroke, IsThatOfTheSameLinesAlone, ()) {
    if (*rc::gen::inRange(0, 4) != 0) return;
    const Path path = any_curves();
    const Path crowded = among_a_crowd(path);
    const Stroke smooth = any_pen(Edges::smooth);
    const Coverages alone = covered_by(window, path, smooth);
    const Coverages found = covered_by(window, crowded, smooth);
    for (std::int64_t y = 0; y < window.height; ++y)
        for (std::int64_t x = 0; x < window.width; ++x)
            RC_ASSERT(std::abs(found.at(x, y) - alone.at(x, y)) <= 1);
    const Stroke crisp = any_pen(Edges::crisp);
    RC_ASSERT(stroked(window, crowded, crisp) == stroked(window, path, crisp));
}

TEST(TiledStroke, ManyCurvesThatCrossCostNoMoreThanTheirPixels) {
    // 2000 curves have about 2 million crossings: minutes if each were worked out.
    std::mt19937 numbers(7);
    const auto place = [&] { return Position{double(numbers() % 1000), double(numbers() % 1000)}; };
    Path path;
    for (int i = 0; i < 2000; ++i) path.move_to(place()).cubic_to(place(), place(), place());
    Image image({1000, 1000}, PixelFormat::gray8);
    draw(image, path, Stroke{.paint = Colour(255, 255, 255), .width = 300, .edges = Edges::smooth});
    EXPECT_EQ(image.pixel({500, 500}), Colour(255, 255, 255));
}

RC_GTEST_PROP(RoundStroke, IsAllThatLiesWithinItsRadius, ()) {
    if (*rc::gen::inRange(0, 10) != 0) return; // the slow way takes its time
    const Path path = any_crowd();
    const double radius = *rc::gen::inRange(16, 140) / 4.0;
    const Coverages found = covered_by(window, path, round_stroke(2 * radius, Edges::smooth));
    const PixelSet crisp = stroked(window, path, round_stroke(2 * radius, Edges::crisp));
    for (std::int64_t y = 0; y < window.height; ++y)
        for (std::int64_t x = 0; x < window.width; ++x) {
            // The places are a sixteenth of a pixel apart.
            RC_ASSERT(std::abs(found.at(x, y) / 255.0 - share_within(x, y, radius, path)) < 0.04);
            const double away = distance({double(x), double(y)}, path);
            if (std::abs(away - radius) > 0.01) RC_ASSERT(crisp.contains(x, y) == (away < radius));
        }
}

RC_GTEST_PROP(RoundStroke, IsTheSameInEveryClip, ()) {
    if (*rc::gen::inRange(0, 4) != 0) return;
    const Path path = any_crowd();
    for (const Edges edges : {Edges::smooth, Edges::crisp}) {
        const Stroke stroke = round_stroke(*rc::gen::inRange(8, 200), edges);
        Image whole(window, PixelFormat::gray8);
        draw(whole, path, stroke);
        Image parts(window, PixelFormat::gray8);
        const int width = *rc::gen::inRange(1, 40);
        const int height = *rc::gen::inRange(1, 40);
        for (int y = 0; y < window.height; y += height)
            for (int x = 0; x < window.width; x += width)
                draw(parts.view().clipped({x, y, width, height}), path, stroke);
        for (int i = 0; i < window.width * window.height; ++i)
            RC_ASSERT(whole.pixel({i % window.width, i / window.width}) ==
                      parts.pixel({i % window.width, i / window.width}));
    }
}

RC_GTEST_PROP(RoundStroke, BoundsAreThoseOfItsPixels, ()) {
    if (*rc::gen::inRange(0, 10) != 0) return;
    const Path path = any_crowd();
    for (const Edges edges : {Edges::smooth, Edges::crisp}) {
        const Stroke stroke = round_stroke(*rc::gen::inRange(8, 300) + 0.25, edges);
        RC_ASSERT(bounds(path, stroke) == region(path, stroke).bounds());
    }
}

} // namespace coldbrick::test
