#include <coldbrick/sheet.hpp>

#include "base/limits.hpp"
#include "base/nearest_word.hpp"
#include "base/shown_text.hpp"
#include "sheet/parser.hpp"
#include "sheet/value.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/regular_polygon.hpp>
#include <coldbrick/resize.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cmath>
#include <limits>
#include <map>
#include <new>
#include <numeric>
#include <utility>
#include <vector>

namespace coldbrick {

namespace sheet {

namespace {

constexpr std::int32_t largest = base::last_coordinate;

/// Carries statements out one after another.
class Interpreter {
  public:
    Interpreter(std::span<const Setting> settings, const ImageLoader& load_image,
                std::size_t most_image_bytes)
        : load_image_(load_image), image_bytes_left_(most_image_bytes) {
        for (const Setting& setting : settings) {
            const std::string title = fmt::format("setting {}", setting.name);
            const Source source{title, setting.value};
            settings_.insert_or_assign(setting.name, evaluate(*parse_expression(source), {}));
        }
    }

    Sheet run(const Source& source) {
        read_statements(source, [this](const Statement& statement) {
            // What the library's own checks find has its place here.
            try {
                std::visit([&](const auto& form) { carry_out(statement.location, form); }, statement.form);
            } catch (const ArgumentError& error) {
                fail(statement.location, error.what());
            }
        });
        if (!has_size_)
            fail({&source, source.text.size()}, "the sheet has no statement: sheet WIDTH x HEIGHT on COLOUR");
        check_settings(source);
        return std::move(result_);
    }

  private:
    void carry_out(const Location& location, const SheetStatement& statement) {
        if (has_size_) fail(location, "the sheet has its size already");
        has_size_ = true;
        result_.place = location.text();
        result_.size = {pixels(*statement.width, names_, "width", 1, largest),
                        pixels(*statement.height, names_, "height", 1, largest)};
        result_.ground = statement.ground ? colour_value(*statement.ground, names_) : Colour(255, 255, 255);
    }

    void carry_out(const Location&, const LetStatement& statement) {
        check_is_new(statement.name, statement.name_location);
        // The sheet's own value is worked out all the same, so that its faults do not hide behind a setting.
        const Value own = evaluate(*statement.value, names_);
        const auto setting = settings_.find(statement.name);
        names_.insert_or_assign(statement.name, Definition{setting == settings_.end() ? own : setting->second,
                                                           statement.name_location});
    }

    void carry_out(const Location&, const PaletteStatement& statement) {
        check_is_new(statement.name, statement.name_location);
        if (settings_.contains(statement.name))
            fail(statement.name_location,
                 "a palette cannot be set: only a number, a point or a colour that let defines can");
        std::vector<Palette::Entry> entries;
        for (const auto& entry : statement.entries)
            entries.push_back({colour_value(*entry.colour, names_), entry.name});
        names_.insert({statement.name, {Palette(std::move(entries)), statement.name_location}});
    }

    void carry_out(const Location& location, const ImageStatement& statement) {
        check_has_size(location);
        Overlay options;
        options.blending = blending(statement.blending);
        options.orientation = {statement.mirrored, quarters(statement.turn)};
        if (statement.key) options.key = colour_value(*statement.key, names_);
        Image image = loaded(statement);
        if (statement.width)
            image = resized(image,
                            {pixels(*statement.width, names_, "width", 1, largest),
                             pixels(*statement.height, names_, "height", 1, largest)},
                            {.fit = statement.fit, .most_bytes = image_bytes_left_});
        image_bytes_left_ -= bytes_of(image);
        const Size laid = options.orientation.laid(image.size());
        options.hot_spot = Box{0, 0, laid.width, laid.height}.at(statement.anchor);
        result_.drawing.add(std::move(image), pixel(*statement.at, names_), options);
    }

    static std::size_t bytes_of(const Image& image) {
        return static_cast<std::size_t>(image.view().row_stride_bytes()) *
               static_cast<std::size_t>(image.height());
    }

    [[nodiscard]] Image loaded(const ImageStatement& statement) const {
        if (!load_image_) fail(statement.file_location, "images cannot be opened here");
        try {
            return load_image_(statement.file, image_bytes_left_);
        } catch (const Error& error) {
            fail(statement.file_location, error.what());
        }
    }

    [[nodiscard]] int quarters(const ExpressionPtr& turn) const {
        if (!turn) return 0;
        const double degrees = number(*turn, names_, "turn");
        if (std::fmod(degrees, 90) != 0 || std::abs(degrees) > 36000)
            fail(turn->location, fmt::format("an image is turned by quarters, not by {} degrees", degrees));
        return static_cast<int>(degrees / 90);
    }

    [[nodiscard]] Blending blending(const BlendingWords& words) const {
        Blending result{words.mode};
        if (words.opacity)
            result.opacity =
                static_cast<std::uint8_t>(std::floor(255 * share(*words.opacity, names_, "opacity") + 0.5));
        return result;
    }

    [[nodiscard]] Paint paint(const PaintWords& words) const {
        return std::visit([this](const auto& one) { return paint(one); }, words);
    }

    [[nodiscard]] Paint paint(const ExpressionPtr& colour) const { return colour_value(*colour, names_); }

    [[nodiscard]] Paint paint(const AlongWords& words) const {
        const Point from = pixel(*words.from, names_);
        const Point to = pixel(*words.to, names_);
        if (from == to) fail(words.to->location, "this is where the gradient begins: it has no direction");
        return LinearGradient{from, to, stops(words.stops)};
    }

    [[nodiscard]] Paint paint(const AroundWords& words) const {
        return RadialGradient{pixel(*words.centre, names_),
                              pixels(*words.radius, names_, "radius", 1, largest), stops(words.stops)};
    }

    [[nodiscard]] Paint paint(const HatchWords& words) const {
        Hatch result;
        result.direction = words.direction;
        result.colour = colour_value(*words.colour, names_);
        if (words.spacing) result.spacing = pixels(*words.spacing, names_, "spacing", 1, largest);
        if (words.width) result.width = pixels(*words.width, names_, "width", 1, largest);
        if (words.ground) result.ground = colour_value(*words.ground, names_);
        return result;
    }

    /// Stops without a place of their own lie evenly between the ends.
    [[nodiscard]] std::vector<ColourStop> stops(const std::vector<StopWords>& words) const {
        std::vector<ColourStop> result;
        double before = 0;
        for (std::size_t i = 0; i < words.size(); ++i) {
            const double even =
                words.size() == 1 ? 0 : static_cast<double>(i) / static_cast<double>(words.size() - 1);
            const double place = words[i].place ? share(*words[i].place, names_, "place") : even;
            if (place < before)
                fail((words[i].place ? words[i].place : words[i].colour)->location,
                     fmt::format("this stop at {} follows one at {}", place, before));
            before = place;
            result.push_back({place, colour_value(*words[i].colour, names_)});
        }
        return result;
    }

    void check_is_new(const std::string& name, const Location& location) const {
        const auto present = names_.find(name);
        if (present != names_.end())
            fail(location, fmt::format("{} is defined already, in line {}", base::in_quotes(name),
                                       present->second.location.line()));
    }

    void check_has_size(const Location& location) const {
        if (!has_size_) fail(location, "the sheet's size comes first: sheet WIDTH x HEIGHT on COLOUR");
    }

    void carry_out(const Location& location, const ShapeStatement& statement) {
        check_has_size(location);
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
        if (OpenShape<S> && statement.fill)
            fail(statement.fill->location, "this shape has no inside to fill: use stroke");
        if (OpenShape<S> && statement.stroke && statement.stroke->alignment != Alignment::centred)
            fail(statement.stroke->location, "this shape has no inside: its stroke is centred");
        if constexpr (ClosedShape<S>) {
            if (statement.fill && statement.stroke)
                return result_.drawing.add(shape, fill(*statement.fill), stroke(*statement.stroke));
            if (statement.fill) return result_.drawing.add(shape, fill(*statement.fill));
        }
        result_.drawing.add(shape, stroke(*statement.stroke));
    }

    [[nodiscard]] Fill fill(const FillWords& words) const {
        return {paint(words.paint), words.rule, words.edge, blending(words.blending)};
    }

    [[nodiscard]] Stroke stroke(const StrokeWords& words) const {
        Stroke result{paint(words.paint)};
        result.blending = blending(words.blending);
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
            const std::string_view meant = base::nearest_word(name, known);
            throw SheetError(fmt::format("{}: no let defines {}, which is to be set; {}the sheet defines {}",
                                         base::shown(source.name), base::in_quotes(name),
                                         meant.empty() ? "" : fmt::format("did you mean \"{}\"? ", meant),
                                         known.empty() ? "nothing" : base::list_of(known)));
        }
    }

    std::map<std::string, Value, std::less<>> settings_;
    Definitions names_;
    const ImageLoader& load_image_;
    std::size_t image_bytes_left_; ///< of what all images may take
    bool has_size_ = false;
    Sheet result_{};
};

} // namespace

} // namespace sheet

Image Sheet::render(PixelFormat format) const {
    const auto blank = [&] {
        try {
            return Image(size, format, ground);
        } catch (const ArgumentError& error) { // beyond the address space
            throw SheetError(fmt::format("{}: {}", place, error.what()));
        } catch (const std::bad_alloc&) {
            const std::uint64_t bytes = static_cast<std::uint64_t>(size.width) *
                                        static_cast<std::uint64_t>(size.height) *
                                        static_cast<std::uint64_t>(layout(format).bytes);
            throw SheetError(fmt::format("{}: there is not enough memory for a picture of {} x {} {} pixels, "
                                         "{} bytes",
                                         place, size.width, size.height, layout(format).name, bytes));
        }
    };
    Image image = blank();
    draw(image, drawing);
    return image;
}

Sheet read_sheet(std::string_view text, std::string_view name, std::span<const Setting> settings,
                 const ImageLoader& load_image, std::size_t most_image_bytes) {
    constexpr std::string_view byte_order_mark = "\xEF\xBB\xBF";
    if (text.starts_with(byte_order_mark)) text.remove_prefix(byte_order_mark.size());
    return sheet::Interpreter(settings, load_image, most_image_bytes).run(sheet::Source{name, text});
}

} // namespace coldbrick
