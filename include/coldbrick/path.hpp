/// @file
/// Contours of lines and curves between positions finer than pixels.
#pragma once

#include <coldbrick/anchor.hpp>
#include <coldbrick/angle.hpp>
#include <coldbrick/box.hpp>
#include <coldbrick/point.hpp>
#include <coldbrick/position.hpp>
#include <coldbrick/transform.hpp>

#include <cstddef> // numbers of pieces
#include <cstdint> // offsets of 64 bits
#include <limits>  // any number of lines
#include <variant> // a piece is a line or one of the curves
#include <vector>  // pieces and contours

namespace [[gnu::visibility("default")]] coldbrick {

/// A straight line from where the contour is.
struct PathLine {
    Position to;

    friend constexpr bool operator==(const PathLine&, const PathLine&) = default;
};

/// A Bezier curve of degree 2.
struct PathQuadratic {
    Position control;
    Position to;

    friend constexpr bool operator==(const PathQuadratic&, const PathQuadratic&) = default;
};

/// A Bezier curve of degree 3.
struct PathCubic {
    Position first_control;
    Position second_control;
    Position to;

    friend constexpr bool operator==(const PathCubic&, const PathCubic&) = default;
};

/// Part of an ellipse, of which two conjugate half diameters are given: the curve is centre + cos(a) * across
/// + sin(a) * down for the angles a from `start` over `sweep`. However an ellipse is turned, scaled and
/// sheared, it stays one. The ends are those of the contour, which rounding may put beside the ellipse.
struct PathArc {
    Position centre;
    Position across; ///< from the centre
    Position down;   ///< likewise
    Angle start;
    Angle sweep;
    Position to;

    friend constexpr bool operator==(const PathArc&, const PathArc&) = default;
};

using PathPiece = std::variant<PathLine, PathQuadratic, PathCubic, PathArc>;

/// Pieces one after the other. Filling closes every contour with a straight line; stroking closes those that
/// say so.
struct Contour {
    Position start;
    std::vector<PathPiece> pieces;
    bool closed = false;

    friend bool operator==(const Contour&, const Contour&) = default;
};

/// Any number of contours, which may cross themselves and each other at will.
///
/// Positions are kept to 1/65536 of a pixel, rounded to the nearest: fine enough that no coverage shows it,
/// and coarse enough that an area is a whole number in 64 bits. They lie in -2147483648..2147483647.
/// Everything that adds a position throws ArgumentError outside that range, or if it is not a number. Curves
/// are drawn as straight lines that lie within 1/256 of a pixel of them, as many as are to be seen.
///
/// Filled with FillExtent::whole, a path is its inside and its stroke of width 1, as every shape is, so that
/// path_of(shape) has the pixels of the shape; with FillExtent::tiling it is the bare inside. Strokes are the
/// positions within half a width: nothing is moved or lengthened as for shapes that lie on pixels.
class Path {
  public:
    /// Without contours, which draws nothing.
    Path() = default;

    /// Begins a contour.
    Path& move_to(Position start);

    /// Goes on with a straight line. Where there is no contour, or the last one is closed, this and what
    /// follows begin one at the last one's start, or at (0, 0).
    Path& line_to(Position to);

    /// Goes on with a Bezier curve.
    Path& quadratic_to(Position control, Position to);
    Path& cubic_to(Position first_control, Position second_control, Position to);

    /// Which of the four arcs of an ellipse between two positions.
    struct ArcChoice {
        bool large = false;     ///< the one of more than half a turn
        bool clockwise = false; ///< on the screen
    };

    /// Goes on with part of an ellipse's outline, chosen as the W3C recommendation Scalable Vector Graphics
    /// 2, appendix B.2, does: radii that do not reach are scaled up; if one is 0, it is a line.
    /// @param radii half diameters before the turn, finite; their signs do not matter
    Path& arc_to(Position radii, Angle turn, ArcChoice choice, Position to);

    /// Goes on with a line to the beginning of an arc, or begins there if there is no open contour, and with
    /// the arc. @param radii half diameters, before the turn @param sweep at most 360 degrees either way
    /// @throws ArgumentError also if a radius is below 0 or the sweep is larger.
    Path& arc_about(Position centre, Position radii, Angle start, Angle sweep, Angle turn = {});

    /// Goes on with a piece of any kind, as contours() tells them.
    Path& add(const PathPiece& piece);

    /// Closes the contour with a straight line, if it is not back at its start. Without one it does nothing.
    Path& close();

    /// Adds all contours of another path.
    Path& append(const Path& other);

    /// Goes on with the first contour of another path, by a line to its start unless it is there, and adds
    /// the others.
    Path& join(const Path& other);

    [[nodiscard]] const std::vector<Contour>& contours() const { return contours_; }
    [[nodiscard]] bool empty() const { return contours_.empty(); }

    /// Whoever draws paths of strangers can limit their cost: drawing throws ArgumentError, and draws
    /// nothing, if the whole path comes to more straight lines than this, wherever they lie and however they
    /// are styled. They are counted as for curves that are halved evenly, so that up to twice as many are
    /// counted as are drawn. Any number if nothing is said.
    [[nodiscard]] std::size_t most_lines() const { return most_lines_; }
    Path& limit_lines(std::size_t most);
    static constexpr std::size_t any_number_of_lines = std::numeric_limits<std::size_t>::max();

    /// The box of the pixels nearest to the outermost positions; an empty one without contours.
    [[nodiscard]] Box bounds() const;

    /// True if the pixel belongs to the path filled by the even-odd rule with its whole edge, crisp.
    [[nodiscard]] bool contains(Point pixel) const;

    /// The path moved to the right by dx and down by dy.
    /// @throws ArgumentError if a position would leave the range; likewise below.
    [[nodiscard]] Path moved(std::int64_t dx, std::int64_t dy) const;

    /// The path moved so that the anchor of its bounds lies on `position`.
    [[nodiscard]] Path placed(Anchor anchor, Point position) const;

    /// Every position mapped. @throws ArgumentError also if a number of the transform is not finite.
    [[nodiscard]] Path transformed(const Transform& transform) const;

    /// The same curves the other way round, the last contour first.
    [[nodiscard]] Path reversed() const;

    friend bool operator==(const Path&, const Path&) = default;

  private:
    Contour& open_contour();
    [[nodiscard]] Position current() const;

    std::vector<Contour> contours_;
    std::size_t most_lines_ = any_number_of_lines;
};

} // namespace coldbrick
