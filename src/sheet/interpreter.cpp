#include "sheet/interpreter.hpp"

#include "base/nearest_word.hpp"
#include "base/shown_text.hpp"
#include "image/style_checks.hpp"
#include "sheet/expression_parser.hpp"
#include "sheet/shape_values.hpp"
#include "sheet/statement_parser.hpp"
#include "sheet/style_values.hpp"
#include "sheet/text_values.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/resize.hpp>
#include <coldbrick/text.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cmath>
#include <numeric>
#include <string_view>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

namespace {

std::size_t bytes_of(const Image& image) {
    return static_cast<std::size_t>(image.view().row_stride_bytes()) *
           static_cast<std::size_t>(image.height());
}

/// Throws SheetError at the style if the shape cannot have it.
template <class Words, class Style>
void check_suits(const Words& words, const Shape& shape, const Style& style) {
    at_place(words.location,
             [&] { std::visit([&style]<class S>(const S&) { image::check_suits<S>(style); }, shape); });
}

} // namespace

Interpreter::Interpreter(const SheetReading& reading)
    : reading_(reading), image_bytes_left_(reading.most_image_bytes) {
    for (const Setting& setting : reading.settings) {
        const std::string title = fmt::format("setting {}", setting.name);
        const Source source{title, setting.value};
        settings_.insert_or_assign(setting.name, evaluate(*parse_expression(source), {}));
    }
}

Sheet Interpreter::run(const Source& source) {
    StatementParser parser(source);
    while (const auto statement = parser.next())
        at_place(statement->location, [&] {
            std::visit([&](const auto& form) { carry_out(statement->location, form); }, statement->form);
        });
    if (!has_size_)
        fail({&source, source.text.size()}, "the sheet has no statement: sheet WIDTH x HEIGHT on COLOUR");
    check_frame(source);
    check_settings(source);
    return std::move(result_);
}

void Interpreter::carry_out(const Location& location, const SheetStatement& statement) {
    if (has_size_) fail(location, "the sheet has its size already");
    has_size_ = true;
    result_.place = location.text();
    result_.size = {pixels(*statement.width, names_, "width", 1),
                    pixels(*statement.height, names_, "height", 1)};
    result_.ground = statement.ground ? colour_value(*statement.ground, names_) : Colour(255, 255, 255);
    edges_ = statement.edges;
}

void Interpreter::carry_out(const Location& location, const FramesStatement& statement) {
    if (has_frames_) fail(location, "the sheet has its frames already");
    has_frames_ = true;
    constexpr std::int32_t most_frames = 1'000'000;
    result_.frames = pixels(*statement.count, names_, "number of frames", 1, most_frames);
    if (statement.rate) result_.rate = rate_of(*statement.rate);
    const double time = static_cast<double>(reading_.frame) * result_.rate.seconds / result_.rate.frames;
    for (const auto& [name, value] :
         {std::pair<const char*, double>{"frame", reading_.frame}, {"time", time}}) {
        check_is_new(name, location);
        names_.insert({name, {value, location}});
    }
}

/// A rate with up to three digits behind the point.
FrameRate Interpreter::rate_of(const Expression& expression) const {
    const double rate = number(expression, names_, "rate");
    constexpr double least = 0.001;
    constexpr double most = 1000;
    if (!(rate >= least && rate <= most))
        fail(expression.location,
             fmt::format("the rate {} is outside {}..{} frames a second", rate, least, most));
    const auto thousandths = static_cast<std::int32_t>(std::lround(rate * 1000));
    const std::int32_t common = std::gcd(thousandths, 1000);
    return {thousandths / common, 1000 / common};
}

void Interpreter::carry_out(const Location&, const LetStatement& statement) {
    check_is_new(statement.name, statement.name_location);
    // The sheet's own value is worked out all the same, so that its faults do not hide behind a setting.
    Value value = evaluate(*statement.value, names_);
    if (const auto setting = settings_.find(statement.name); setting != settings_.end())
        value = setting->second;
    names_.insert_or_assign(statement.name, Definition{std::move(value), statement.name_location});
}

void Interpreter::carry_out(const Location&, const PaletteStatement& statement) {
    check_is_new(statement.name, statement.name_location);
    if (settings_.contains(statement.name))
        fail(statement.name_location,
             "a palette cannot be set: only a number, a point or a colour that let defines can");
    std::vector<Palette::Entry> entries;
    for (const auto& entry : statement.entries)
        entries.push_back({colour_value(*entry.colour, names_), entry.name});
    names_.insert({statement.name, {Shared<Palette>(Palette(std::move(entries))), statement.name_location}});
}

void Interpreter::carry_out(const Location& location, const ImageStatement& statement) {
    check_has_size(location);
    Overlay options;
    options.blending = blending_of(statement.blending, names_);
    options.orientation = {statement.mirrored, quarters(statement.turn)};
    if (statement.key) options.key = colour_value(*statement.key, names_);
    Image image = loaded(statement);
    if (statement.width)
        image = resized(
            image,
            {pixels(*statement.width, names_, "width", 1), pixels(*statement.height, names_, "height", 1)},
            {.fit = statement.fit, .most_bytes = image_bytes_left_});
    image_bytes_left_ -= bytes_of(image);
    const Size laid = options.orientation.laid(image.size());
    options.hot_spot = Box{0, 0, laid.width, laid.height}.at(statement.anchor);
    result_.drawing.add(std::move(image), pixel(*statement.at, names_), options);
}

void Interpreter::carry_out(const Location& location, const ShapeStatement& statement) {
    check_has_size(location);
    const bool exact = statement.fill || statement.stroke->edges.value_or(edges_) == Edges::smooth;
    Drawing::StyledShape item{shape_of(statement.form, names_, exact), std::nullopt, std::nullopt};
    if (statement.fill) {
        item.fill = fill_of(*statement.fill, names_, edges_);
        check_suits(*statement.fill, item.shape, *item.fill);
    }
    if (statement.stroke) {
        item.stroke = stroke_of(*statement.stroke, names_, edges_);
        check_suits(*statement.stroke, item.shape, *item.stroke);
    }
    result_.drawing.add(std::move(item));
}

void Interpreter::carry_out(const Location& location, const TextStatement& statement) {
    check_has_size(location);
    std::vector<Face> faces;
    if (statement.face)
        for (const FaceWords::Name& name : statement.face->names)
            faces.push_back(face_of(*statement.face, name));
    const TextStyle style = text_style_of(statement, names_, faces);
    const TextPaint paint = text_paint_of(statement, names_);
    const Text text = at_place(statement.text->location, [&] {
        return Text(text_value(*statement.text, names_), pixel(*statement.at, names_), style);
    });
    const Box seen = text.bounds().intersection(Box::of(result_.size));
    const auto bytes = static_cast<std::size_t>(seen.width) * static_cast<std::size_t>(seen.height);
    at_place(statement.text->location,
             [&] { add(result_.drawing, text, paint, Box::of(result_.size), image_bytes_left_); });
    image_bytes_left_ -= std::min(bytes, image_bytes_left_);
}

Face Interpreter::face_of(const FaceWords& words, const FaceWords::Name& name) const {
    WantedFace wanted{name.text};
    if (words.weight) wanted.weight = pixels(*words.weight, names_, "face weight", 1, 1000);
    wanted.slanted = words.slanted;
    for (const FaceWords::Axis& axis : words.axes)
        wanted.axes.push_back({axis.tag, number(*axis.value, names_, "axis")});
    const bool plain = !words.weight && !words.slanted && words.axes.empty();
    try {
        const auto built_in = Face::built_in_names();
        if (!reading_.load_face || std::ranges::find(built_in, wanted.name) != built_in.end()) {
            Face result = Face::built_in(wanted.name);
            if (!plain && words.names.size() == 1)
                fail(name.location, "the built-in faces have one weight, and are upright");
            return result;
        }
        return reading_.load_face(wanted);
    } catch (const SheetError&) {
        throw;
    } catch (const Error& error) { // of any kind: the loader is somebody else's
        fail(name.location, error.what());
    }
}

Image Interpreter::loaded(const ImageStatement& statement) const {
    if (!reading_.load_image) fail(statement.file_location, "images cannot be opened here");
    try {
        return reading_.load_image(statement.file, image_bytes_left_);
    } catch (const Error& error) { // of any kind: the loader is somebody else's
        fail(statement.file_location, error.what());
    }
}

int Interpreter::quarters(const ExpressionPtr& turn) const {
    if (!turn) return 0;
    const double degrees = number(*turn, names_, "turn");
    if (std::fmod(degrees, 90) != 0 || std::abs(degrees) > 36000)
        fail(turn->location, fmt::format("an image is turned by quarters, not by {} degrees", degrees));
    return static_cast<int>(degrees / 90);
}

void Interpreter::check_is_new(const std::string& name, const Location& location) const {
    const auto present = names_.find(name);
    if (present != names_.end())
        fail(location, fmt::format("{} is defined already, in line {}", base::in_quotes(name),
                                   present->second.location.line()));
}

void Interpreter::check_has_size(const Location& location) const {
    if (!has_size_) fail(location, "the sheet's size comes first: sheet WIDTH x HEIGHT on COLOUR");
}

void Interpreter::check_frame(const Source& source) const {
    if (reading_.frame < 0 || reading_.frame >= result_.frames)
        throw SheetError(fmt::format("{}: frame {} is outside 0..{}", base::shown(source.name),
                                     reading_.frame, result_.frames - 1));
}

void Interpreter::check_settings(const Source& source) const {
    for (const auto& [name, value] : settings_) {
        if (names_.contains(name)) continue;
        std::vector<std::string_view> known;
        for (const auto& [defined, definition] : names_) known.push_back(defined);
        throw SheetError(fmt::format("{}: no let defines {}, which is to be set: the sheet defines {}{}",
                                     base::shown(source.name), base::in_quotes(name),
                                     known.empty() ? "nothing" : base::list_of(known),
                                     base::did_you_mean(name, known)));
    }
}

} // namespace coldbrick::sheet
