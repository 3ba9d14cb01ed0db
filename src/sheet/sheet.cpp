#include <coldbrick/sheet.hpp>

#include "sheet/parser.hpp"
#include "sheet/value.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/regular.hpp>

#include <fmt/format.h>
#include <fmt/ranges.h>

#include <algorithm>
#include <limits>
#include <map>
#include <numeric>
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
        add(shape(form), statement);
    }

    void carry_out(const BoxForm& form, const ShapeStatement& statement) {
        const Box box = frame(form.frame);
        if (!form.radius) return add(box, statement);
        add(RoundedBox{box, radius(*form.radius)}, statement);
    }

    void carry_out(const ArcForm& form, const ShapeStatement& statement) {
        const Ellipse ellipse = oval(form.oval);
        const Angle start = angle(*form.start, "start");
        const Angle sweep = angle(*form.sweep, "sweep");
        switch (form.kind) {
        case ArcForm::Kind::arc: return add(Arc{ellipse, start, sweep}, statement);
        case ArcForm::Kind::sector: return add(Sector{ellipse, start, sweep}, statement);
        case ArcForm::Kind::segment: return add(Segment{ellipse, start, sweep}, statement);
        }
    }

    [[nodiscard]] std::int32_t radius(const Expression& expression) const {
        return pixels(expression, names_, "radius", 0, largest);
    }

    /// A number of degrees.
    [[nodiscard]] Angle angle(const Expression& expression, std::string_view what) const {
        return degrees(number(expression, names_, what));
    }

    [[nodiscard]] Angle turn(const ExpressionPtr& expression) const {
        return expression ? angle(*expression, "turn") : Angle();
    }

    [[nodiscard]] Dots shape(const DotsForm& form) const { return {points(form.points)}; }

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

    [[nodiscard]] Polygon shape(const RegularForm& form) const {
        const Point centre = pixel(*form.centre, names_);
        const Angle first = degrees(-90) + turn(form.turn);
        const char* const what = form.notch ? "number of tips" : "number of corners";
        const int count = pixels(*form.count, names_, what, 1, 1000000);
        const std::int32_t outer = radius(*form.radius);
        return form.notch ? star(centre, outer, radius(*form.notch), count, first)
                          : regular_polygon(centre, outer, count, first);
    }

    [[nodiscard]] Box frame(const Frame& frame) const {
        const Point corner = pixel(*frame.corner, names_);
        if (frame.opposite) return Box::between(corner, pixel(*frame.opposite, names_));
        return {corner.x, corner.y, pixels(*frame.width, names_, "width", 0, largest),
                pixels(*frame.height, names_, "height", 0, largest)};
    }

    [[nodiscard]] Circle shape(const CircleForm& form) const {
        return {pixel(*form.centre, names_), radius(*form.radius)};
    }

    [[nodiscard]] Ellipse shape(const EllipseForm& form) const { return oval(form.oval); }

    [[nodiscard]] Ellipse oval(const OvalForm& form) const {
        if (!form.centre) return {frame(form.frame), turn(form.turn)};
        const std::int32_t across = radius(*form.across);
        return Ellipse::about(pixel(*form.centre, names_), across, form.down ? radius(*form.down) : across,
                              turn(form.turn));
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
        if (!statement.stroke) return;
        if (OpenShape<S> && statement.stroke->alignment != Alignment::centred)
            fail(statement.stroke->location, "this shape has no inside: its stroke is centred");
        result_.drawing.add(shape, stroke(*statement.stroke));
    }

    [[nodiscard]] Stroke stroke(const StrokeWords& words) const {
        Stroke result{colour_value(*words.colour, names_)};
        if (words.width) result.width = pixels(*words.width, names_, "stroke width", 1, largest);
        result.cap = words.cap;
        result.join = words.join;
        if (words.limit) result.mitre_limit = number(*words.limit, names_, "mitre limit", 1);
        result.alignment = words.alignment;
        for (const ExpressionPtr& length : words.dashes)
            result.dashes.lengths.push_back(number(*length, names_, "dash length", 0));
        if (words.offset) result.dashes.offset = number(*words.offset, names_, "dash offset");
        check_dashes(words, result.dashes);
        return result;
    }

    static void check_dashes(const StrokeWords& words, const Dashes& dashes) {
        if (dashes.lengths.empty()) {
            if (words.offset) fail(words.offset->location, "there are no dashes to offset");
            return;
        }
        const double sum = std::accumulate(dashes.lengths.begin(), dashes.lengths.end(), 0.0);
        if (sum < smallest_dash_sum)
            fail(words.dashes.front()->location,
                 fmt::format("dash lengths that add up to {} are below {}", sum, smallest_dash_sum));
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
