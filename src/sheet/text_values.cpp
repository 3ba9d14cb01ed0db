#include "sheet/text_values.hpp"

#include "sheet/style_values.hpp"
#include "text/style_checks.hpp"

#include <coldbrick/angle.hpp>

#include <string_view>

namespace coldbrick::sheet {

namespace {

/// Puts the number of an expression, if there is one, into a style, which is checked where the number stands.
template <class Setting>
void set_number(const ExpressionPtr& expression, const Definitions& names, std::string_view what,
                TextStyle& style, Setting setting) {
    if (!expression) return;
    setting(number(*expression, names, what));
    at_place(expression->location, [&] { text::check({}, style); });
}

} // namespace

TextStyle text_style_of(const TextStatement& words, const Definitions& names,
                        const std::vector<Face>& faces) {
    TextStyle result;
    if (!faces.empty()) {
        result.face = faces.front();
        result.fallbacks.assign(faces.begin() + 1, faces.end());
    }
    result.size_of = words.size_of;
    result.anchor = words.anchor;
    result.alignment = words.alignment;
    result.edges = words.edges.value_or(Edges::smooth);
    set_number(words.size, names, "size", result, [&](double size) { result.size = size; });
    set_number(words.spacing, names, "spacing", result,
               [&](double pixels) { result.letter_spacing = pixels; });
    set_number(words.leading, names, "leading", result, [&](double factor) { result.line_spacing = factor; });
    set_number(words.width, names, "width", result, [&](double width) { result.width = width; });
    set_number(words.thickness, names, "thickness", result,
               [&](double width) { result.stroke_width = width; });
    if (words.lines) result.most_lines = pixels(*words.lines, names, "number of lines", 1);
    if (words.fit_width)
        result.fit =
            Size{pixels(*words.fit_width, names, "width", 1), pixels(*words.fit_height, names, "height", 1)};
    if (words.turn)
        at_place(words.turn->location, [&] { result.turn = degrees(number(*words.turn, names, "turn")); });
    return result;
}

TextPaint text_paint_of(const TextStatement& words, const Definitions& names) {
    TextPaint result{.paint = paint_of(*words.paint, names), .blending = blending_of(words.blending, names)};
    if (words.outline) {
        result.outline = TextOutline{paint_of(*words.outline, names)};
        if (words.outline_width) {
            result.outline->width = number(*words.outline_width, names, "stroke width");
            at_place(words.outline_width->location, [&] { text::check(result); });
        }
    }
    if (words.plate) {
        TextPlate plate{paint_of(words.plate->paint, names)};
        constexpr std::int32_t most = 32767;
        if (words.plate->padding) plate.padding = pixels(*words.plate->padding, names, "padding", 0, most);
        if (words.plate->radius) plate.radius = pixels(*words.plate->radius, names, "radius", 0, most);
        if (words.plate->border) plate.border = paint_of(*words.plate->border, names);
        result.plate = plate;
    }
    return result;
}

} // namespace coldbrick::sheet
