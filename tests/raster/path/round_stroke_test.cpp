// Wide round strokes, which are worked out tile by tile: every place within the radius and no other.

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

} // namespace

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
