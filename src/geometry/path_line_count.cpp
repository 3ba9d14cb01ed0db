#include "geometry/path_line_count.hpp"

#include "geometry/path_positions.hpp"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <variant>

namespace coldbrick::geometry {

namespace {

/// The second derivative of a Bezier curve at its beginning or end, without its factor.
double bend(Position a, Position b, Position c) {
    return std::hypot(a.x - 2 * b.x + c.x, a.y - 2 * b.y + c.y);
}

/// The largest length of the second derivative of a piece by its parameter of 0..1.
double largest_bend(Position from, const PathPiece& piece) {
    return std::visit(
        [from]<class Piece>(const Piece& one) -> double {
            if constexpr (std::same_as<Piece, PathQuadratic>) {
                return 2 * bend(from, one.control, one.to);
            } else if constexpr (std::same_as<Piece, PathCubic>) {
                return 6 * std::max(bend(from, one.first_control, one.second_control),
                                    bend(one.first_control, one.second_control, one.to));
            } else if constexpr (std::same_as<Piece, PathArc>) {
                const double turn = one.sweep.in_degrees() * std::numbers::pi / 180;
                return turn * turn *
                       std::hypot(std::hypot(one.across.x, one.across.y), std::hypot(one.down.x, one.down.y));
            } else {
                return 0;
            }
        },
        piece);
}

/// A curve leaves the chord of an n-th of its parameters by an eighth of its bend over n squared at most (C.
/// de Boor, "A Practical Guide to Splines", chapter III). Curves are halved, so that n is a power of two.
double lines_of(double bend) {
    const double needed = std::sqrt(bend / 8 / path_flatness);
    return needed <= 1 ? 1 : std::exp2(std::ceil(std::log2(needed)));
}

} // namespace

std::size_t line_count(const Path& path, std::size_t most) {
    double count = 0;
    const auto enough = static_cast<double>(most);
    for (const Contour& contour : path.contours()) {
        Position at = contour.start;
        for (const PathPiece& piece : contour.pieces) {
            count += lines_of(largest_bend(at, piece));
            at = end_of(piece);
            if (count > enough) return most + 1;
        }
    }
    return static_cast<std::size_t>(count);
}

} // namespace coldbrick::geometry
