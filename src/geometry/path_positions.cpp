#include "geometry/path_positions.hpp"

#include "base/limits.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <utility>

namespace coldbrick::geometry {

namespace {

double kept(const char* name, double value) {
    constexpr double low = base::first_coordinate;
    constexpr double high = base::last_coordinate;
    if (!(value >= low && value <= high))
        throw ArgumentError(fmt::format("position {} {} is outside {:.0f}..{:.0f}", name, value, low, high));
    constexpr double parts = 65536;
    return std::nearbyint(value * parts) / parts + 0.0;
}

/// Where a polynomial a t^2 + b t + c is 0 within 0..1.
template <class Visit>
void for_each_root(double a, double b, double c, Visit visit) {
    const auto try_at = [&visit](double t) {
        if (t > 0 && t < 1) visit(t);
    };
    if (a == 0) {
        if (b != 0) try_at(-c / b);
        return;
    }
    const double square = b * b - 4 * a * c;
    if (square < 0) return;
    const double q = -(b + std::copysign(std::sqrt(square), b)) / 2;
    try_at(q / a);
    if (q != 0) try_at(c / q);
}

Position mixed(std::array<double, 4> weights, const std::array<Position, 4>& points) {
    Position result;
    for (std::size_t i = 0; i < 4; ++i) {
        result.x += weights[i] * points[i].x;
        result.y += weights[i] * points[i].y;
    }
    return result;
}

/// Extends an extent by the pieces of a contour.
struct ExtentOf {
    Extent& extent;
    Position from;

    void operator()(const PathLine&) const {}

    void operator()(const PathQuadratic& curve) const {
        const auto third = [](Position end, Position control) {
            return Position{(end.x + 2 * control.x) / 3, (end.y + 2 * control.y) / 3};
        };
        (*this)(PathCubic{third(from, curve.control), third(curve.to, curve.control), curve.to});
    }

    void operator()(const PathCubic& curve) const {
        const std::array<Position, 4> points{from, curve.first_control, curve.second_control, curve.to};
        for (const auto coordinate : {&Position::x, &Position::y}) {
            const double a = points[1].*coordinate - points[0].*coordinate;
            const double b = points[2].*coordinate - points[1].*coordinate;
            const double c = points[3].*coordinate - points[2].*coordinate;
            for_each_root(a - 2 * b + c, 2 * (b - a), a, [&](double t) {
                const double s = 1 - t;
                extent.include(mixed({s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t}, points));
            });
        }
    }

    void operator()(const PathArc& arc) const {
        for (const auto coordinate : {&Position::x, &Position::y}) {
            // The coordinate is level where its derivative along the angle is 0, twice in a turn.
            const Angle level = radians(std::atan2(arc.down.*coordinate, arc.across.*coordinate));
            for (const Angle at : {level, level + degrees(180)}) {
                const Angle way = arc.sweep < Angle() ? arc.start - at : at - arc.start;
                const Angle size = arc.sweep < Angle() ? -arc.sweep : arc.sweep;
                if (way.within_turn() > size) continue;
                extent.include(point_on(arc, at));
            }
        }
    }
};

} // namespace

Position kept(Position position) {
    return {kept("x", position.x), kept("y", position.y)};
}

Position point_on(const PathArc& arc, Angle at) {
    const double cosine = at.cosine();
    const double sine = at.sine();
    return {arc.centre.x + cosine * arc.across.x + sine * arc.down.x,
            arc.centre.y + cosine * arc.across.y + sine * arc.down.y};
}

void Extent::include(Position position) {
    left = std::min(left, position.x);
    top = std::min(top, position.y);
    right = std::max(right, position.x);
    bottom = std::max(bottom, position.y);
}

Extent extent_of(const Path& path) {
    const Position first = path.contours().front().start;
    Extent result{first.x, first.y, first.x, first.y};
    for (const Contour& contour : path.contours()) {
        result.include(contour.start);
        Position from = contour.start;
        for (const PathPiece& piece : contour.pieces) {
            std::visit(ExtentOf{result, from}, piece);
            from = end_of(piece);
            result.include(from);
        }
    }
    return result;
}

} // namespace coldbrick::geometry
