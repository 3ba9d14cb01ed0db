#include <coldbrick/sheet.hpp>

#include "sheet/parser.hpp"
#include "sheet/value.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/error.hpp>

#include <fmt/format.h>
#include <fmt/ranges.h>

#include <algorithm>
#include <limits>
#include <map>
#include <utility>
#include <vector>

namespace coldbrick {

namespace sheet {

namespace {

constexpr std::int32_t largest = std::numeric_limits<std::int32_t>::max();

/// Carries statements out one after another.
class Interpreter {
  public:
    explicit Interpreter(std::span<const Setting> settings) {
        for (const Setting& setting : settings) {
            const std::string title = fmt::format("setting {}", setting.name);
            const Source source{title, setting.value};
            settings_[setting.name] = evaluate(*parse_expression(source), {});
        }
    }

    Sheet run(const Source& source) {
        for (const Statement& statement : parse_statements(source))
            std::visit([&](const auto& form) { carry_out(statement.location, form); }, statement.form);
        if (!has_size_)
            fail({&source, source.text.size()}, "the sheet has no statement: sheet WIDTH x HEIGHT on COLOUR");
        check_settings(source);
        return std::move(result_);
    }

  private:
    void carry_out(const Location& location, const SheetStatement& statement) {
        if (has_size_) fail(location, "the sheet has its size already");
        has_size_ = true;
        result_.size = {pixels(*statement.width, names_, "width", 1, largest),
                        pixels(*statement.height, names_, "height", 1, largest)};
        result_.ground = statement.ground ? colour_value(*statement.ground, names_) : Colour(255, 255, 255);
    }

    void carry_out(const Location&, const LetStatement& statement) {
        const auto present = names_.find(statement.name);
        if (present != names_.end())
            fail(statement.name_location, fmt::format("\"{}\" is defined already, in line {}", statement.name,
                                                      present->second.location.line()));
        // The sheet's own value is worked out all the same, so that its faults do not hide behind a setting.
        const Value own = evaluate(*statement.value, names_);
        const auto setting = settings_.find(statement.name);
        names_[statement.name] = {setting == settings_.end() ? own : setting->second,
                                  statement.name_location};
    }

    void carry_out(const Location& location, const ShapeStatement& statement) {
        if (!has_size_) fail(location, "the sheet's size comes first: sheet WIDTH x HEIGHT on COLOUR");
        std::visit([&](const auto& form) { carry_out(form, statement); }, statement.form);
    }

    template <class Form>
    void carry_out(const Form& form, const ShapeStatement& statement) {
        if constexpr (requires { form.is_ellipse; })
            if (form.is_ellipse) return add(Ellipse{shape(form)}, statement);
        add(shape(form), statement);
    }

    [[nodiscard]] Line shape(const LineForm& form) const {
        return {pixel(*form.from, names_), pixel(*form.to, names_)};
    }

    [[nodiscard]] std::vector<Point> points(const std::vector<ExpressionPtr>& expressions) const {
        std::vector<Point> result;
        result.reserve(expressions.size());
        for (const ExpressionPtr& expression : expressions) result.push_back(pixel(*expression, names_));
        return result;
    }

    [[nodiscard]] Polyline shape(const PathForm& form) const { return {points(form.points), form.closed}; }

    [[nodiscard]] Polygon shape(const PolygonForm& form) const {
        std::vector<std::vector<Point>> rings;
        for (const auto& ring : form.rings) rings.push_back(points(ring));
        return Polygon(std::move(rings));
    }

    [[nodiscard]] Box shape(const CornersForm& form) const {
        return Box::between(pixel(*form.corner, names_), pixel(*form.opposite, names_));
    }

    [[nodiscard]] Box shape(const SizedBoxForm& form) const {
        const Point corner = pixel(*form.corner, names_);
        return {corner.x, corner.y, pixels(*form.width, names_, "width", 0, largest),
                pixels(*form.height, names_, "height", 0, largest)};
    }

    [[nodiscard]] Circle shape(const CircleForm& form) const {
        return {pixel(*form.centre, names_), pixels(*form.radius, names_, "radius", 0, largest)};
    }

    [[nodiscard]] Ellipse shape(const EllipseForm& form) const {
        return Ellipse::about(pixel(*form.centre, names_), pixels(*form.across, names_, "radius", 0, largest),
                              pixels(*form.down, names_, "radius", 0, largest));
    }

    template <class S>
    void add(const S& shape, const ShapeStatement& statement) {
        if (statement.fill) {
            if constexpr (ClosedShape<S>)
                result_.drawing.add(shape, Fill{colour_value(*statement.fill->colour, names_),
                                                statement.fill->rule, statement.fill->edge});
            else
                fail(statement.fill->location, "this shape has no inside to fill: use stroke");
        }
        if (statement.stroke) result_.drawing.add(shape, stroke(*statement.stroke));
    }

    [[nodiscard]] Stroke stroke(const StrokeWords& words) const {
        Stroke result{colour_value(*words.colour, names_)};
        if (words.width) result.width = pixels(*words.width, names_, "stroke width", 1, largest);
        result.cap = words.cap;
        result.join = words.join;
        if (words.limit) result.mitre_limit = number(*words.limit, names_, "mitre limit", 1);
        return result;
    }

    /// A setting that no `let` takes up is most likely misspelt.
    void check_settings(const Source& source) const {
        for (const auto& [name, value] : settings_) {
            if (names_.contains(name)) continue;
            std::vector<std::string_view> known;
            for (const auto& [defined, definition] : names_) known.push_back(defined);
            const std::string list = known.empty() ? "nothing" : fmt::format("{}", fmt::join(known, ", "));
            throw SheetError(
                fmt::format("{}: no let defines \"{}\", which is to be set; the sheet defines {}",
                            source.name, name, list));
        }
    }

    std::map<std::string, Value, std::less<>> settings_;
    Definitions names_;
    bool has_size_ = false;
    Sheet result_{};
};

} // namespace

} // namespace sheet

Image Sheet::render(PixelFormat format) const {
    Image image(size, format, ground);
    draw(image, drawing);
    return image;
}

Sheet read_sheet(std::string_view text, std::string_view name, std::span<const Setting> settings) {
    return sheet::Interpreter(settings).run(sheet::Source{name, text});
}

} // namespace coldbrick
