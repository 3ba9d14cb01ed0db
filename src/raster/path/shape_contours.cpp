#include "raster/path/shape_contours.hpp"

#include "geometry/path_positions.hpp"
#include "raster/areas/angle_range.hpp"
#include "raster/path/flattening.hpp"

#include <algorithm>
#include <cmath>
#include <concepts>
#include <numbers>
#include <span>

namespace coldbrick::raster {

namespace {

SubPoint sub_point(Point pixel) {
    return SubPoint::of_pixel(pixel.x, pixel.y);
}

/// Positions of paths are whole numbers of sub-pixels.
SubPoint sub_point(Position position) {
    return {std::llrint(position.x * static_cast<double>(sub_pixels)),
            std::llrint(position.y * static_cast<double>(sub_pixels))};
}

SubVector vector_of(Position way) {
    return {way.x * static_cast<double>(sub_pixels), way.y * static_cast<double>(sub_pixels)};
}

CurveContour lines_between(std::span<const Point> points, bool closed) {
    CurveContour result{{}, closed};
    for (std::size_t i = 1; i < points.size(); ++i)
        result.curves.emplace_back(sub_point(points[i - 1]), sub_point(points[i]));
    if (closed || points.size() == 1)
        result.curves.emplace_back(sub_point(points.back()), sub_point(points.front()));
    return result;
}

/// Part of an ellipse from where it is seen in one direction clockwise to another, both before the turn.
struct EllipsePath {
    EllipseFrame frame;
    Angle start;
    Angle sweep;

    [[nodiscard]] SubPoint point(Angle at) const {
        return frame.centre + (at.cosine() * frame.across + at.sine() * frame.down);
    }
    [[nodiscard]] Curve curve() const {
        const SubPoint from = point(start);
        const SubPoint to = point(start + sweep);
        return {from, ArcForm{SubVector::between(from, frame.centre), frame.across, frame.down, start, sweep},
                to};
    }
};

/// The parameter at which an ellipse with half diameters a and b is seen in a direction, in the same turn.
Angle parameter_seen(Angle direction, double a, double b) {
    if (a == b) return direction;
    const double cosine = direction.cosine();
    const double sine = direction.sine();
    if (cosine == 0 || sine == 0) return direction;
    const Angle near = radians(std::atan2(a * sine, b * cosine));
    const double turns = std::round((direction - near).in_degrees() / 360);
    return near + degrees(360 * turns);
}

template <EllipsePartKind kind>
EllipsePath path_about(const EllipsePart<kind>& part) {
    const EllipseFrame frame = EllipseFrame::of(part.ellipse);
    const AngleRange range(part.start, part.sweep);
    const double a = frame.across.length();
    const double b = frame.down.length();
    if (range.whole) return {frame, Angle(), degrees(360)};
    const Angle start = parameter_seen(range.start, a, b);
    return {frame, start, parameter_seen(range.end, a, b) - start};
}

/// Goes on with the pieces of a path.
struct PieceAdder {
    CurveContour& contour;
    SubPoint from;

    void operator()(const PathLine& line) const { contour.curves.emplace_back(from, sub_point(line.to)); }

    /// The same curve as one of degree 3.
    void operator()(const PathQuadratic& curve) const {
        const SubVector control = SubVector::between(from, sub_point(curve.control));
        const SubVector end = SubVector::between(from, sub_point(curve.to));
        const auto third = [](SubVector step) { return SubVector{step.x / 3, step.y / 3}; };
        contour.curves.emplace_back(from, CubicForm{{third(2 * control), third(2 * control + end), end}},
                                    sub_point(curve.to));
    }

    void operator()(const PathCubic& curve) const {
        const CubicForm form{{SubVector::between(from, sub_point(curve.first_control)),
                              SubVector::between(from, sub_point(curve.second_control)),
                              SubVector::between(from, sub_point(curve.to))}};
        contour.curves.emplace_back(from, form, sub_point(curve.to));
    }

    void operator()(const PathArc& arc) const {
        const ArcForm form{SubVector::between(from, sub_point(arc.centre)), vector_of(arc.across),
                           vector_of(arc.down), arc.start, arc.sweep};
        contour.curves.emplace_back(from, form, sub_point(arc.to));
    }
};

} // namespace

EllipseFrame EllipseFrame::of(const Ellipse& ellipse, double grown) {
    const Box& box = ellipse.box;
    const SubPoint centre{box.x * sub_pixels + (box.width - 1) * half_a_pixel,
                          box.y * sub_pixels + (box.height - 1) * half_a_pixel};
    const double a = static_cast<double>((box.width - 1) * half_a_pixel) + grown;
    const double b = static_cast<double>((box.height - 1) * half_a_pixel) + grown;
    // A circle's parameter begins at its own axis like any ellipse's, wherever that is turned to.
    const double cosine = ellipse.turn.cosine();
    const double sine = ellipse.turn.sine();
    return {centre, {a * cosine, a * sine}, {-b * sine, b * cosine}, box.width == box.height};
}

CurveContour ellipse_contour(SubPoint centre, SubVector across, SubVector down) {
    // As many lines as the halving of the curve comes to, each of which cuts off a little: more by so much
    // are the triangles about the centre of the polygon around an ellipse of the same area.
    const double radius = std::max(across.length(), down.length());
    const double fewest = std::numbers::pi * std::sqrt(radius / (2 * flatness));
    const double lines = std::exp2(std::ceil(std::log2(std::max(fewest, 4.0))));
    const double angle = 2 * std::numbers::pi / lines;
    const double factor = std::sqrt(angle / std::sin(angle));
    const SubPoint start = centre + factor * across;
    const ArcForm form{SubVector::between(start, centre), factor * across, factor * down, Angle(),
                       degrees(360)};
    return {{Curve(start, form, start)}, true};
}

SubBox SubBox::of(const Box& box) {
    constexpr std::int64_t furthest = std::int64_t{1} << 36;
    const auto cut = [](std::int64_t value) { return std::clamp<std::int64_t>(value, -furthest, +furthest); };
    return {SubPoint::of_pixel(cut(box.x), cut(box.y)),
            SubPoint::of_pixel(cut(box.end_x() - 1), cut(box.end_y() - 1))};
}

SubBox SubBox::grown(double by) const {
    const std::int64_t step = std::llrint(by);
    return {top_left - SubPoint{step, step}, bottom_right + SubPoint{step, step}};
}

CurveContour box_contour(const SubBox& box, double radius) {
    const std::int64_t step = std::llrint(radius);
    const std::int64_t left = box.top_left.x;
    const std::int64_t top = box.top_left.y;
    const std::int64_t right = box.bottom_right.x;
    const std::int64_t bottom = box.bottom_right.y;
    CurveContour result{{}, true};
    SubPoint end{left + step, top};
    const auto add_side = [&](SubPoint from, SubPoint to) {
        result.curves.emplace_back(from, to);
        end = to;
    };
    const auto add_corner = [&](SubPoint centre, double start, SubPoint to) {
        if (step == 0) return;
        const auto size = static_cast<double>(step);
        result.curves.emplace_back(
            end, ArcForm{SubVector::between(end, centre), {size, 0}, {0, size}, degrees(start), degrees(90)},
            to);
    };
    add_side(end, {right - step, top});
    add_corner({right - step, top + step}, 270, {right, top + step});
    add_side({right, top + step}, {right, bottom - step});
    add_corner({right - step, bottom - step}, 0, {right - step, bottom});
    add_side({right - step, bottom}, {left + step, bottom});
    add_corner({left + step, bottom - step}, 90, {left, bottom - step});
    add_side({left, bottom - step}, {left, top + step});
    add_corner({left + step, top + step}, 180, {left + step, top});
    return result;
}

std::int64_t corner_radius(const RoundedBox& rounded) {
    const std::int64_t shorter = std::min(rounded.box.width, rounded.box.height);
    return std::min<std::int64_t>(rounded.radius, (shorter - 1) / 2);
}

Contours closed(Contours contours) {
    for (CurveContour& contour : contours) {
        const SubPoint start = contour.curves.front().from();
        const SubPoint end = contour.curves.back().to();
        if (start != end) contour.curves.emplace_back(end, start);
        contour.closed = true;
    }
    return contours;
}

Contours contours_of(const Dots& dots) {
    Contours result;
    for (const Point& point : dots.points) result.push_back(lines_between({&point, 1}, false));
    return result;
}

Contours contours_of(const Line& line) {
    const Point ends[] = {line.from, line.to};
    return {lines_between(ends, false)};
}

Contours contours_of(const Polyline& polyline) {
    return {lines_between(polyline.points, polyline.closed)};
}

Contours contours_of(const Polygon& polygon) {
    Contours result;
    for (const auto& ring : polygon.rings) result.push_back(lines_between(ring, true));
    return result;
}

Contours contours_of(const Box& box) {
    if (box.empty()) return {};
    return {box_contour(SubBox::of(box))};
}

Contours contours_of(const RoundedBox& rounded) {
    if (rounded.box.empty()) return {};
    return {box_contour(SubBox::of(rounded.box), static_cast<double>(corner_radius(rounded) * sub_pixels))};
}

Contours contours_of(const Circle& circle) {
    return contours_of(Ellipse::about(circle.centre, circle.radius, circle.radius));
}

Contours contours_of(const Ellipse& ellipse) {
    return contours_of(Arc{ellipse, Angle(), degrees(360)});
}

Contours contours_of(const Arc& arc) {
    if (arc.ellipse.box.empty()) return {};
    const EllipsePath path = path_about(arc);
    return {{{path.curve()}, path.sweep == degrees(360)}};
}

Contours contours_of(const Sector& sector) {
    if (sector.ellipse.box.empty()) return {};
    const EllipsePath path = path_about(sector);
    const Curve curve = path.curve();
    if (path.sweep == degrees(360)) return {{{curve}, true}};
    return {{{Curve(path.frame.centre, curve.from()), curve, Curve(curve.to(), path.frame.centre)}, true}};
}

Contours contours_of(const Segment& segment) {
    if (segment.ellipse.box.empty()) return {};
    const EllipsePath path = path_about(segment);
    const Curve curve = path.curve();
    if (path.sweep == degrees(360)) return {{{curve}, true}};
    return {{{curve, Curve(curve.to(), curve.from())}, true}};
}

Contours contours_of(const Path& path) {
    Contours result;
    for (const Contour& contour : path.contours()) {
        CurveContour curves{{}, contour.closed};
        SubPoint from = sub_point(contour.start);
        for (const PathPiece& piece : contour.pieces) {
            std::visit(PieceAdder{curves, from}, piece);
            from = curves.curves.back().to();
        }
        if (contour.closed && from != sub_point(contour.start))
            curves.curves.emplace_back(from, sub_point(contour.start));
        if (!curves.curves.empty()) result.push_back(std::move(curves));
    }
    return result;
}

} // namespace coldbrick::raster
