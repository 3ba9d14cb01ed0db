#include "sheet/shape_values.hpp"

#include <coldbrick/regular_polygon.hpp>

#include <cstdint>
#include <string_view>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

namespace {

/// Works shapes out, one function a form.
struct ShapeMaker {
    const Definitions& names;

    Shape operator()(const DotsForm& form) const { return Dots{points(form.points)}; }

    Shape operator()(const LineForm& form) const {
        return Line{pixel(*form.from, names), pixel(*form.to, names)};
    }

    Shape operator()(const PathForm& form) const { return Polyline{points(form.points), form.closed}; }

    Shape operator()(const BoxForm& form) const {
        const Box box = frame(form.frame);
        if (!form.radius) return box;
        return RoundedBox{box, radius(*form.radius)};
    }

    Shape operator()(const CircleForm& form) const {
        return Circle{pixel(*form.centre, names), radius(*form.radius)};
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
        const Point centre = pixel(*form.centre, names);
        const Angle first = degrees(-90) + turn(form.turn);
        const char* const what = form.notch ? "number of tips" : "number of corners";
        const int count = pixels(*form.count, names, what, 1, 1000000);
        const std::int32_t outer = radius(*form.radius);
        return form.notch ? star(centre, outer, radius(*form.notch), count, first)
                          : regular_polygon(centre, outer, count, first);
    }

  private:
    [[nodiscard]] std::vector<Point> points(const std::vector<ExpressionPtr>& expressions) const {
        std::vector<Point> result;
        result.reserve(expressions.size());
        for (const ExpressionPtr& expression : expressions) result.push_back(pixel(*expression, names));
        return result;
    }

    [[nodiscard]] std::int32_t radius(const Expression& expression) const {
        return pixels(expression, names, "radius", 0);
    }

    /// A number of degrees.
    [[nodiscard]] Angle angle(const Expression& expression, std::string_view what) const {
        return degrees(number(expression, names, what));
    }

    [[nodiscard]] Angle turn(const ExpressionPtr& expression) const {
        return expression ? angle(*expression, "turn") : Angle();
    }

    [[nodiscard]] Box frame(const Frame& frame) const {
        const Point corner = pixel(*frame.corner, names);
        if (frame.opposite) return Box::between(corner, pixel(*frame.opposite, names));
        return {corner.x, corner.y, pixels(*frame.width, names, "width", 0),
                pixels(*frame.height, names, "height", 0)};
    }

    [[nodiscard]] Ellipse oval(const OvalForm& form) const {
        if (!form.centre) return {frame(form.frame), turn(form.turn)};
        const std::int32_t across = radius(*form.across);
        return Ellipse::about(pixel(*form.centre, names), across, form.down ? radius(*form.down) : across,
                              turn(form.turn));
    }
};

} // namespace

Shape shape_of(const ShapeForm& form, const Definitions& names) {
    return std::visit(ShapeMaker{names}, form);
}

} // namespace coldbrick::sheet
