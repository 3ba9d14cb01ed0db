#include "sheet/running/text_values.hpp"

#include "sheet/running/evaluator.hpp"
#include "sheet/running/loaded_files.hpp"
#include "sheet/running/style_values.hpp"
#include "text/layout/style_checks.hpp"

#include <coldbrick/angle.hpp>

#include <fmt/core.h>

#include <cmath>
#include <cstdint>
#include <string_view>
#include <utility>

namespace coldbrick::sheet {

namespace {

/// Puts the number of an expression, if there is one, into a style, which is checked where the number stands.
template <class Setting>
void set_number(const ExpressionPtr& expression, const Context& context, std::string_view what,
                TextStyle& style, Setting setting) {
    if (!expression) return;
    setting(number(*expression, context, what));
    at_place(expression->location, [&] { text::check({}, style); });
}

LetterStyle base_of(const ExpressionPtr& words, const Context& context) {
    if (!words) {
        LetterStyle result;
        result.style.edges = Edges::smooth;
        return result;
    }
    const Value value = evaluate(*words, context);
    const auto* const style = std::get_if<Style>(&value);
    const auto* const base = style == nullptr ? nullptr : std::get_if<LetterStyle>(&**style);
    if (base == nullptr)
        fail(words->location, fmt::format("expected a style of texts, not {}",
                                          style == nullptr ? kind_name(value) : "one of shapes"));
    return *base;
}

/// The first face, and those that have what it lacks.
void set_faces(const FaceWords& words, const Context& context, TextStyle& style) {
    WantedFace wanted;
    if (words.weight) wanted.weight = pixels(*words.weight, context, "face weight", 1, 1000);
    wanted.slanted = words.slanted;
    for (const FaceWords::Axis& axis : words.axes)
        wanted.axes.push_back({axis.tag, number(*axis.value, context, "axis")});
    style.fallbacks.clear();
    for (const FaceWords::Name& name : words.names) {
        wanted.name = name.text;
        Face face = context.files->face(words, name, wanted);
        if (&name == &words.names.front())
            style.face = std::move(face);
        else
            style.fallbacks.push_back(std::move(face));
    }
}

void set_style(const LetterWords& words, const Context& context, TextStyle& result) {
    if (words.face) set_faces(*words.face, context, result);
    if (words.size) result.size_of = words.size_of_capitals ? SizeOf::capitals : SizeOf::em;
    if (words.anchor) result.anchor = *words.anchor;
    if (words.alignment) result.alignment = words.alignment;
    if (words.edges) result.edges = *words.edges;
    set_number(words.size, context, "size", result, [&](double size) { result.size = size; });
    set_number(words.spacing, context, "spacing", result,
               [&](double pixels) { result.letter_spacing = pixels; });
    set_number(words.leading, context, "leading", result,
               [&](double factor) { result.line_spacing = factor; });
    set_number(words.width, context, "width", result, [&](double width) { result.width = width; });
    set_number(words.thickness, context, "thickness", result,
               [&](double width) { result.stroke_width = width; });
    if (words.lines) result.most_lines = pixels(*words.lines, context, "number of lines", 1);
    if (words.fit) result.fit = size_value(words.fit, context, 1);
    if (words.turn)
        at_place(words.turn->location, [&] { result.turn = degrees(number(*words.turn, context, "turn")); });
}

TextPlate plate_of(const PlateWords& words, const Context& context) {
    TextPlate result{paint_of(words.paint, context)};
    constexpr std::int32_t most = 32767;
    if (words.padding) result.padding = pixels(*words.padding, context, "padding", 0, most);
    if (words.radius) result.radius = pixels(*words.radius, context, "radius", 0, most);
    if (words.border) result.border = paint_of(*words.border, context);
    return result;
}

void set_paint(const LetterWords& words, const Context& context, TextPaint& result) {
    if (words.paint) result.paint = paint_of(*words.paint, context);
    if (words.blending) result.blending = blending_of(*words.blending, context);
    if (words.outline) {
        result.outline = TextOutline{paint_of(*words.outline, context)};
        if (words.outline_width) {
            result.outline->width = number(*words.outline_width, context, "stroke width");
            at_place(words.outline_width->location, [&] { text::check(result); });
        }
    }
    if (words.plate) result.plate = plate_of(*words.plate, context);
}

} // namespace

LetterStyle letter_style_of(const LetterWords& words, const Context& context) {
    LetterStyle result = base_of(words.base, context);
    set_style(words, context, result.style);
    set_paint(words, context, result.paint);
    result.has_paint = result.has_paint || words.paint;
    return result;
}

LetterStyle placed(LetterStyle style, const Placing& placing) {
    if (!placing.map) return style;
    const auto scaled = [&placing](double& length) { length *= placing.scale; };
    const auto scaled_whole = [&placing](std::int32_t& length) {
        length = static_cast<std::int32_t>(std::lround(length * placing.scale));
    };
    scaled(style.style.size);
    scaled(style.style.letter_spacing);
    if (style.style.width) scaled(*style.style.width);
    if (style.style.stroke_width) scaled(*style.style.stroke_width);
    if (style.style.fit) {
        scaled_whole(style.style.fit->width);
        scaled_whole(style.style.fit->height);
    }
    if (style.paint.outline) scaled(style.paint.outline->width);
    style.style.turn = placing.mirrored ? placing.turn - style.style.turn : placing.turn + style.style.turn;
    text::check({}, style.style);
    text::check(style.paint);
    return style;
}

} // namespace coldbrick::sheet
