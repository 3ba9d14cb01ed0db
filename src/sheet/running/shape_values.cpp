#include "sheet/running/shape_values.hpp"

#include "sheet/running/evaluator.hpp"

#include <coldbrick/function_ref.hpp>
#include <coldbrick/path_text.hpp>
#include <coldbrick/regular_polygon.hpp>
#include <coldbrick/transform.hpp>

#include <fmt/core.h>

#include <cmath>
#include <cstdint>
#include <span>
#include <string_view>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

namespace {

/// Works shapes out, one function a form.
struct ShapeMaker {
    const Context& context;
    bool exact;

    Shape operator()(const DotsForm& form) const { return Dots{points(form.points)}; }

    Shape operator()(const LineForm& form) const {
        return Line{pixel(*form.from, context), pixel(*form.to, context)};
    }

    /// Lines between pixels where they are all there is.
    Shape operator()(const PathForm& form) const {
        const ContourWords& first = form.contours.front();
        if (!exact && form.contours.size() == 1 && first.curves.empty())
            return Polyline{points(first.points), form.closed};
        Path path;
        for (const ContourWords& contour : form.contours) {
            add_contour(path, contour);
            if (form.closed) path.close();
        }
        return path;
    }

    Shape operator()(const PathTextForm& form) const {
        constexpr std::size_t bytes_a_step = 4;
        context.take_steps(form.text.size() / bytes_a_step, form.location);
        return at_place(form.location, [&] {
            Path path = read_path(form.text);
            if (!form.at) return path;
            const Position at = moved_position(*form.at, context);
            return path.transformed(Transform::move(at.x, at.y));
        });
    }

    Shape operator()(const BoxForm& form) const {
        const Box box = frame(form.frame);
        if (!form.radius) return box;
        return RoundedBox{box, radius(*form.radius)};
    }

    Shape operator()(const CircleForm& form) const {
        const Point centre = pixel(*form.centre, context);
        if (form.radius) return Circle{centre, radius(*form.radius)};
        const std::int32_t across = pixels(*form.diameter, context, "diameter", 1);
        if (across % 2 == 1) return Circle{centre, across / 2};
        return Ellipse{box_about(centre, {across, across})};
    }

    Shape operator()(const EllipseForm& form) const { return oval(form.oval); }

    Shape operator()(const ArcForm& form) const {
        const Ellipse ellipse = oval(form.oval);
        const Angle start = angle(*form.start, "start");
        const Angle sweep = angle(*form.sweep, "sweep");
        switch (form.kind) {
        case ArcForm::Kind::sector: return Sector{ellipse, start, sweep};
        case ArcForm::Kind::segment: return Segment{ellipse, start, sweep};
        default: return Arc{ellipse, start, sweep};
        }
    }

    Shape operator()(const PolygonForm& form) const {
        std::vector<std::vector<Point>> rings;
        for (const auto& ring : form.rings) rings.push_back(points(ring));
        return Polygon(std::move(rings));
    }

    Shape operator()(const RegularForm& form) const {
        const Point centre = pixel(*form.centre, context);
        const Angle first = degrees(-90) + turn(form.turn);
        const char* const what = form.notch ? "number of tips" : "number of corners";
        const int count = whole(*form.count, what, 1, 1000000);
        context.take_steps(static_cast<std::size_t>(count), form.count->location);
        const std::int32_t outer = radius(*form.radius);
        return form.notch ? star(centre, outer, radius(*form.notch), count, first)
                          : regular_polygon(centre, outer, count, first);
    }

  private:
    void add_contour(Path& path, const ContourWords& words) const {
        context.take_steps(words.curves.size(), words.points.front()->location);
        bool begun = false;
        for_each_point(words.points, [&](const Location&, Position point) {
            std::exchange(begun, true) ? path.line_to(point) : path.move_to(point);
        });
        for (const CurveWords& curve : words.curves) {
            at_place(curve.location, [&] { add_curve(path, curve); });
            for_each_point(curve.points, [&](const Location&, Position point) { path.line_to(point); });
        }
    }

    void add_curve(Path& path, const CurveWords& words) const {
        if (words.centre) return add_arc(path, words);
        const Position first = moved_position(*words.controls.front(), context);
        const Position end = moved_position(*words.end, context);
        if (words.controls.size() == 1)
            path.quadratic_to(first, end);
        else
            path.cubic_to(first, moved_position(*words.controls.back(), context), end);
    }

    /// Part of a circle that begins where the path is.
    void add_arc(Path& path, const CurveWords& words) const {
        const Position centre = moved_position(*words.centre, context);
        const Angle sweep = angle(*words.sweep, "sweep");
        if (sweep < degrees(-360) || sweep > degrees(360))
            fail(words.sweep->location, fmt::format("the sweep {} is outside -360..360", sweep.in_degrees()));
        const Contour& contour = path.contours().back();
        const Position from = contour.pieces.empty() ? contour.start
                                                     : std::visit([](const auto& piece) { return piece.to; },
                                                                  contour.pieces.back());
        const Position to = Transform::turn(sweep, centre)(from);
        const Position across{from.x - centre.x, from.y - centre.y};
        path.add(PathArc{centre, across, {-across.y, across.x}, Angle(), sweep, to});
    }

    [[nodiscard]] std::vector<Point> points(const std::vector<ExpressionPtr>& expressions) const {
        std::vector<Point> result;
        result.reserve(expressions.size());
        for_each_point(expressions, [&](const Location& location, Position point) {
            result.push_back(pixel(location, point));
        });
        return result;
    }

    /// Points and lists of points, in their order, moved as all is.
    void for_each_point(const std::vector<ExpressionPtr>& expressions,
                        FunctionRef<void(const Location& location, Position point)> visit) const {
        for (const ExpressionPtr& expression : expressions) {
            const Location& location = expression->location;
            const Value value = evaluate(*expression, context);
            const auto* const list = std::get_if<List>(&value);
            const std::span<const Value> values = list == nullptr ? std::span(&value, 1) : std::span(**list);
            if (values.empty()) fail(location, "this list of points is empty");
            context.take_steps(values.size(), location);
            for (const Value& one : values) {
                const auto* const point = std::get_if<Position>(&one);
                if (point == nullptr)
                    fail(location, fmt::format("expected a point (x, y) or a list of points, not {}{}",
                                               list == nullptr ? "" : "one with ", kind_name(one)));
                visit(location, context.placing.moved(*point));
            }
        }
    }

    [[nodiscard]] std::int32_t radius(const Expression& expression) const {
        return pixels(expression, context, "radius", 0);
    }

    /// A number that is not rounded: it has to be whole.
    [[nodiscard]] int whole(const Expression& expression, std::string_view what, int low, int high) const {
        const double value = number(expression, context, what);
        if (value != std::floor(value))
            fail(expression.location, fmt::format("the {} is {}, which is no whole number", what, value));
        return whole_number(expression.location, what, value, low, high);
    }

    /// A number of degrees.
    [[nodiscard]] Angle angle(const Expression& expression, std::string_view what) const {
        return degrees(number(expression, context, what));
    }

    [[nodiscard]] Angle turn(const ExpressionPtr& expression) const {
        return expression ? angle(*expression, "turn") : Angle();
    }

    [[nodiscard]] Box frame(const Frame& frame) const {
        if (!frame.opposite && !frame.size) {
            RealBox box = box_value(*frame.corner, context);
            const Position corner = context.placing.moved({box.x, box.y});
            return whole_box(frame.corner->location, {corner.x, corner.y, box.width, box.height});
        }
        const Point corner = pixel(*frame.corner, context);
        if (frame.opposite) return Box::between(corner, pixel(*frame.opposite, context));
        const Size size = size_value(frame.size, context, 0);
        return {corner.x, corner.y, size.width, size.height};
    }

    /// Where a width or height is even the centre lies between pixels, and the point to its lower right.
    static Box box_about(Point centre, Size size) {
        return {centre.x - size.width / 2, centre.y - size.height / 2, size.width, size.height};
    }

    [[nodiscard]] Ellipse oval(const OvalForm& form) const {
        if (!form.centre) return {frame(form.frame), turn(form.turn)};
        if (form.frame.size)
            return {box_about(pixel(*form.centre, context), size_value(form.frame.size, context, 1)),
                    turn(form.turn)};
        const std::int32_t both = form.radius ? radius(*form.radius) : 0;
        const Size radii = form.radius ? Size{both, both} : size_value(form.radii, context, 0);
        return Ellipse::about(pixel(*form.centre, context), radii.width, radii.height, turn(form.turn));
    }
};

} // namespace

Shape shape_of(const ShapeForm& form, const Context& context, bool exact) {
    return std::visit(ShapeMaker{context, exact}, form);
}

Region pixels_of(const Shape& shape, const Box& within) {
    const auto pixels = [&within]<class S>(const S& one) {
        if constexpr (ClosedShape<S>)
            return region(one, Fill{}, within);
        else
            return region(one, Stroke{}, within);
    };
    return std::visit(pixels, shape);
}

} // namespace coldbrick::sheet
