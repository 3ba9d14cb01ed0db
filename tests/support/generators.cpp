#include "support/generators.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/path_text.hpp>

#include <algorithm>
#include <cmath>
#include <ostream>
#include <utility>
#include <vector>

namespace coldbrick {

std::ostream& operator<<(std::ostream& out, const Line& line) {
    return out << "line " << line.from << " to " << line.to;
}
std::ostream& operator<<(std::ostream& out, const Circle& circle) {
    return out << "circle at " << circle.centre << " radius " << circle.radius;
}

std::ostream& operator<<(std::ostream& out, const Ellipse& ellipse) {
    return out << "ellipse in " << ellipse.box << " turned " << ellipse.turn.in_degrees();
}
std::ostream& operator<<(std::ostream& out, const RoundedBox& rounded) {
    return out << rounded.box << " rounded " << rounded.radius;
}
std::ostream& operator<<(std::ostream& out, const Arc& arc) {
    return out << "arc of " << arc.ellipse << " from " << arc.start.in_degrees() << " sweep "
               << arc.sweep.in_degrees();
}
std::ostream& operator<<(std::ostream& out, const Sector& sector) {
    return out << "sector: " << Arc{sector.ellipse, sector.start, sector.sweep};
}
std::ostream& operator<<(std::ostream& out, const Segment& segment) {
    return out << "segment: " << Arc{segment.ellipse, segment.start, segment.sweep};
}
std::ostream& operator<<(std::ostream& out, const Dots& dots) {
    out << "dots";
    for (const Point& point : dots.points) out << ' ' << point;
    return out;
}
std::ostream& operator<<(std::ostream& out, const Stroke& stroke) {
    out << "stroke width " << stroke.width << " cap " << static_cast<int>(stroke.cap) << " join "
        << static_cast<int>(stroke.join) << " limit " << stroke.mitre_limit << " alignment "
        << static_cast<int>(stroke.alignment) << " dashes";
    for (const double length : stroke.dashes.lengths) out << ' ' << length;
    return out << " offset " << stroke.dashes.offset;
}
std::ostream& operator<<(std::ostream& out, const Polyline& polyline) {
    out << (polyline.closed ? "closed polyline" : "polyline");
    for (const Point& point : polyline.points) out << ' ' << point;
    return out;
}
std::ostream& operator<<(std::ostream& out, const Polygon& polygon) {
    out << "polygon";
    for (const auto& ring : polygon.rings) {
        out << " ring";
        for (const Point& point : ring) out << ' ' << point;
    }
    return out;
}
std::ostream& operator<<(std::ostream& out, const Path& path) {
    return out << "path " << path_text(path);
}
std::ostream& operator<<(std::ostream& out, const Shape& shape) {
    std::visit([&out](const auto& one) { out << one; }, shape);
    return out;
}

namespace test {

std::int32_t clamped(double value) {
    return static_cast<std::int32_t>(std::clamp<double>(std::round(value), lowest, highest));
}

/// Coordinates within a window, near it, anywhere and at the ends of the domain.
rc::Gen<std::int32_t> any_coordinate(std::int32_t extent) {
    return rc::gen::oneOf(rc::gen::inRange(0, extent), rc::gen::inRange(-2 * extent, 3 * extent),
                          rc::gen::inRange(-100000, 100000),
                          rc::gen::resize(1000, rc::gen::arbitrary<std::int32_t>()),
                          rc::gen::element(lowest, lowest + 1, highest - 1, highest));
}

rc::Gen<Point> any_point(Size window) {
    return rc::gen::map(rc::gen::pair(any_coordinate(window.width), any_coordinate(window.height)),
                        [](const auto& pair) {
                            return Point{pair.first, pair.second};
                        });
}

rc::Gen<Point> any_point_near(Size window) {
    return rc::gen::map(
        rc::gen::pair(rc::gen::inRange(-3, window.width + 3), rc::gen::inRange(-3, window.height + 3)),
        [](const auto& pair) {
            return Point{pair.first, pair.second};
        });
}

/// Widths from 1 to the largest, most of them small.
rc::Gen<std::int32_t> any_width() {
    return rc::gen::oneOf(rc::gen::inRange(1, 12), rc::gen::inRange(1, 12), rc::gen::inRange(1, 100000),
                          rc::gen::inRange(1, highest), rc::gen::just(highest));
}

/// Sizes from 0 to the largest.
rc::Gen<std::int32_t> any_extent() {
    return rc::gen::oneOf(rc::gen::inRange(0, 60), rc::gen::inRange(0, 100000), rc::gen::inRange(0, highest),
                          rc::gen::just(highest));
}

/// Any line, or one of any direction and length through a pixel of the window.
rc::Gen<Line> any_line(Size window) {
    const auto between =
        rc::gen::map(rc::gen::pair(any_point(window), any_point(window)), [](const auto& ends) {
            return Line{ends.first, ends.second};
        });
    const auto through = rc::gen::map(
        rc::gen::tuple(any_point_near(window), rc::gen::inRange(0, 3600), any_extent(), any_extent()),
        [](const auto& parts) {
            const auto [pixel, tenths, before, after] = parts;
            const double angle = tenths * 3.14159265358979 / 1800;
            return Line{
                {clamped(pixel.x - before * std::cos(angle)), clamped(pixel.y - before * std::sin(angle))},
                {clamped(pixel.x + after * std::cos(angle)), clamped(pixel.y + after * std::sin(angle))}};
        });
    return rc::gen::oneOf(between, through);
}

/// Any box between two corners, or one whose corner lies near the window.
rc::Gen<Box> any_box(Size window) {
    const auto between =
        rc::gen::map(rc::gen::pair(any_point(window), any_point(window)),
                     [](const auto& corners) { return Box::between(corners.first, corners.second); });
    const auto near = rc::gen::map(rc::gen::tuple(any_point_near(window), any_extent(), any_extent()),
                                   [](const auto& parts) {
                                       const auto [corner, width, height] = parts;
                                       return Box{corner.x, corner.y, width, height};
                                   });
    return rc::gen::oneOf(between, near);
}

/// Any circle, or one of any radius whose edge (or stroke's edge, half a width off) passes near the window.
rc::Gen<Circle> any_circle(Size window, std::int32_t width) {
    const auto anywhere = rc::gen::map(rc::gen::pair(any_point(window), any_extent()), [](const auto& parts) {
        return Circle{parts.first, parts.second};
    });
    const auto crossing = rc::gen::map(rc::gen::tuple(any_point_near(window), rc::gen::inRange(0, 3600),
                                                      any_extent(), rc::gen::inRange(-1, 2)),
                                       [width](const auto& parts) {
                                           const auto [pixel, tenths, radius, side] = parts;
                                           const double angle = tenths * 3.14159265358979 / 1800;
                                           const double distance = radius + side * (width / 2.0);
                                           return Circle{{clamped(pixel.x - distance * std::cos(angle)),
                                                          clamped(pixel.y - distance * std::sin(angle))},
                                                         radius};
                                       });
    return rc::gen::oneOf(anywhere, crossing, crossing);
}

/// Angles in whole degrees, round ones and any others, up to two turns either way.
rc::Gen<Angle> any_angle() {
    return rc::gen::map(
        rc::gen::oneOf(rc::gen::map(rc::gen::inRange(-16, 17), [](int n) { return 45.0 * n; }),
                       rc::gen::map(rc::gen::inRange(-720, 721), [](int n) { return 1.0 * n; }),
                       rc::gen::map(rc::gen::inRange(-720000, 720001), [](int n) { return n / 1000.0; })),
        [](double number) { return degrees(number); });
}

/// Ellipses in any box between two corners, and about the window, some of them turned.
rc::Gen<Ellipse> any_ellipse(Size window) {
    return rc::gen::suchThat(
        rc::gen::map(rc::gen::tuple(any_box(window), any_angle(), rc::gen::arbitrary<bool>()),
                     [](const auto& parts) {
                         const auto& [box, turn, turned] = parts;
                         return Ellipse{box, turned ? turn : Angle()};
                     }),
        [](const Ellipse& ellipse) {
            return std::max(ellipse.box.width, ellipse.box.height) < std::int64_t{1} << 32;
        });
}

/// 1 to 12 points, anywhere or near the window.
rc::Gen<std::vector<Point>> any_points(Size window) {
    const auto of = [](const rc::Gen<Point>& point) {
        return rc::gen::mapcat(rc::gen::inRange<std::size_t>(1, 13), [point](std::size_t count) {
            return rc::gen::container<std::vector<Point>>(count, point);
        });
    };
    return rc::gen::oneOf(of(any_point(window)), of(any_point_near(window)));
}

rc::Gen<Polyline> any_polyline(Size window) {
    return rc::gen::map(rc::gen::pair(any_points(window), rc::gen::arbitrary<bool>()), [](const auto& parts) {
        return Polyline{parts.first, parts.second};
    });
}

/// One or two rings.
rc::Gen<Polygon> any_polygon(Size window) {
    return rc::gen::map(rc::gen::tuple(any_points(window), any_points(window), rc::gen::arbitrary<bool>()),
                        [](const auto& parts) {
                            const auto& [first, second, both] = parts;
                            return both ? Polygon({first, second}) : Polygon(first);
                        });
}

/// Strokes of any width, cap and join, solid ones and dashed ones.
rc::Gen<Stroke> any_stroke() {
    return rc::gen::exec([] {
        Stroke stroke;
        stroke.width = *rc::gen::oneOf(rc::gen::just(1), any_width());
        stroke.cap = *rc::gen::element(Cap::butt, Cap::square, Cap::round);
        stroke.join = *rc::gen::element(Join::mitre, Join::bevel, Join::round);
        stroke.mitre_limit = *rc::gen::element(1.0, 1.5, 4.0, 30.0);
        if (*rc::gen::inRange(0, 3) > 0) return stroke;
        const auto count = *rc::gen::inRange<std::size_t>(1, 5);
        for (std::size_t i = 0; i < count; ++i)
            stroke.dashes.lengths.push_back(*rc::gen::inRange(i == 0 ? 1 : 0, 40) / 4.0);
        stroke.dashes.offset = *rc::gen::inRange(-200, 200) / 4.0;
        return stroke;
    });
}

rc::Gen<Position> any_position(Size window) {
    return rc::gen::map(rc::gen::tuple(any_point_near(window), rc::gen::inRange(0, 65536),
                                       rc::gen::inRange(0, 65536), any_point(window),
                                       rc::gen::inRange(0, 12)),
                        [](const auto& parts) {
                            const auto& [near, across, down, anywhere, choice] = parts;
                            if (choice == 0) return Position{double(anywhere.x), double(anywhere.y)};
                            if (choice < 4) return Position{near.x / 2.0, near.y / 2.0};
                            return Position{near.x + across / 65536.0 - 0.5, near.y + down / 65536.0 - 0.5};
                        });
}

rc::Gen<Path> any_path(Size window, bool closed) {
    return rc::gen::exec([window, closed] {
        const auto position = [window] { return *any_position(window); };
        Path path;
        const int contours = *rc::gen::inRange(1, 3);
        for (int i = 0; i < contours; ++i) {
            path.move_to(position());
            const int pieces = *rc::gen::inRange(1, 5);
            for (int j = 0; j < pieces; ++j) switch (*rc::gen::inRange(0, 5)) {
                case 0: path.quadratic_to(position(), position()); break;
                case 1: path.cubic_to(position(), position(), position()); break;
                case 2: {
                    const Position radii{*rc::gen::inRange(0, 400) / 8.0, *rc::gen::inRange(0, 400) / 8.0};
                    const Angle turn = *any_angle();
                    const Path::ArcChoice choice{*rc::gen::arbitrary<bool>(), *rc::gen::arbitrary<bool>()};
                    const Position to = position();
                    try {
                        path.arc_to(radii, turn, choice, to);
                    } catch (const ArgumentError&) { // its centre would be too far away
                        path.line_to(to);
                    }
                    break;
                }
                default: path.line_to(position());
                }
            if (closed || i + 1 < contours) path.close();
        }
        return path;
    });
}

rc::Gen<Stroke> any_stroke_for(const Shape& shape) {
    const bool is_path = std::holds_alternative<Path>(shape);
    return rc::gen::map(any_stroke(), [is_path](Stroke stroke) {
        if (is_path)
            for (double& length : stroke.dashes.lengths) length *= 16;
        return stroke;
    });
}

/// One of the shapes that have an inside.
rc::Gen<Shape> any_closed_shape(Size window) {
    const auto shape = [](const auto& one) { return Shape(one); };
    const auto part = [window](auto make) {
        return rc::gen::map(rc::gen::tuple(any_ellipse(window), any_angle(), any_angle()),
                            [make](const auto& parts) {
                                const auto& [ellipse, start, sweep] = parts;
                                return Shape(make(ellipse, start, sweep));
                            });
    };
    return rc::gen::oneOf(rc::gen::map(any_polygon(window), shape),
                          rc::gen::map(any_path(window, true), shape),
                          rc::gen::map(any_ellipse(window), shape), rc::gen::map(any_box(window), shape),
                          rc::gen::map(any_circle(window), shape),
                          rc::gen::map(rc::gen::pair(any_box(window), any_extent()),
                                       [](const auto& parts) {
                                           return Shape(RoundedBox{parts.first, parts.second});
                                       }),
                          part([](const Ellipse& e, Angle a, Angle b) {
                              return Sector{e, a, b};
                          }),
                          part([](const Ellipse& e, Angle a, Angle b) {
                              return Segment{e, a, b};
                          }));
}

/// One of the shapes without an inside.
rc::Gen<Shape> any_open_shape(Size window) {
    const auto shape = [](const auto& one) { return Shape(one); };
    return rc::gen::oneOf(
        rc::gen::map(any_line(window), shape), rc::gen::map(any_path(window, false), shape),
        rc::gen::map(any_polyline(window), shape),
        rc::gen::map(any_points(window), [](const auto& points) { return Shape(Dots{points}); }),
        rc::gen::map(rc::gen::tuple(any_ellipse(window), any_angle(), any_angle()), [](const auto& parts) {
            const auto& [ellipse, start, sweep] = parts;
            return Shape(Arc{ellipse, start, sweep});
        }));
}

} // namespace test

} // namespace coldbrick
