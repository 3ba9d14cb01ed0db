#include "sheet/style_parser.hpp"

#include <utility>

namespace coldbrick::sheet {

void StyleParser::style(ShapeStatement& shape) {
    while (!cursor_.at_end()) {
        const Location location = cursor_.next().location;
        if (cursor_.take(Word::fill)) {
            if (shape.fill) fail(location, "this shape has a fill already");
            shape.fill = fill_words(location);
        } else if (cursor_.take(Word::stroke)) {
            if (shape.stroke) fail(location, "this shape has a stroke already");
            shape.stroke = stroke_words(location);
        } else {
            cursor_.fail_expecting("\"fill\", \"stroke\" or the end of the line");
        }
    }
    if (!shape.fill && !shape.stroke) cursor_.fail_expecting("\"fill\" or \"stroke\"");
}

PaintWords StyleParser::paint_words() {
    if (cursor_.take(Word::along)) {
        AlongWords result;
        result.from = expressions_.expression();
        cursor_.expect(Word::to);
        result.to = expressions_.expression();
        result.stops = stops();
        return result;
    }
    if (cursor_.take(Word::around)) {
        AroundWords result;
        result.centre = expressions_.expression();
        cursor_.expect(Word::radius);
        result.radius = expressions_.expression();
        result.stops = stops();
        return result;
    }
    if (cursor_.take(Word::hatch)) return hatch_words();
    return expressions_.lone_operand();
}

std::vector<StopWords> StyleParser::stops() {
    std::vector<StopWords> result;
    do {
        ExpressionPtr colour = expressions_.lone_operand();
        result.push_back({std::move(colour), expressions_.after(Word::at)});
    } while (cursor_.take_symbol(','));
    return result;
}

HatchWords StyleParser::hatch_words() {
    HatchWords result{cursor_.choice<Hatch::Direction>(directions), expressions_.lone_operand(), nullptr,
                      nullptr, nullptr};
    WordsBefore before;
    while (true) {
        if (cursor_.take_once(before, Word::spacing))
            result.spacing = expressions_.expression();
        else if (cursor_.take_once(before, Word::wide))
            result.width = expressions_.expression();
        else if (cursor_.take_once(before, Word::on))
            result.ground = expressions_.lone_operand();
        else
            return result;
    }
}

bool StyleParser::take_blending(BlendingWords& blending, WordsBefore& before) {
    if (cursor_.take_once(before, Word::opacity))
        blending.opacity = expressions_.expression();
    else if (cursor_.take_once(before, Word::blend))
        blending.mode = cursor_.choice<BlendMode>(modes);
    else if (cursor_.take_once(before, Word::linear))
        blending.space = BlendSpace::linear;
    else
        return false;
    return true;
}

bool StyleParser::take_edges(std::optional<Edges>& edges, WordsBefore& before) {
    if (cursor_.take_once(before, Word::smooth, "kind of edges"))
        edges = Edges::smooth;
    else if (cursor_.take_once(before, Word::crisp, "kind of edges"))
        edges = Edges::crisp;
    else
        return false;
    return true;
}

FillWords StyleParser::fill_words(const Location& location) {
    FillWords result{location, paint_words()};
    WordsBefore before;
    while (true) {
        if (cursor_.take_once(before, Word::nonzero))
            result.rule = FillRule::non_zero;
        else if (cursor_.take_once(before, Word::tiling))
            result.extent = FillExtent::tiling;
        else if (!take_edges(result.edges, before) && !take_blending(result.blending, before))
            return result;
    }
}

StrokeWords StyleParser::stroke_words(const Location& location) {
    StrokeWords result;
    result.location = location;
    result.paint = paint_words();
    const bool has_width = !cursor_.at_end() && cursor_.next().word == Word::none;
    if (has_width) result.width = expressions_.expression();
    WordsBefore before;
    while (true) {
        if (cursor_.take_once(before, Word::cap))
            result.cap = cursor_.choice<Cap>(caps);
        else if (cursor_.take_once(before, Word::join))
            result.join = cursor_.choice<Join>(joins);
        else if (cursor_.take_once(before, Word::limit))
            result.limit = expressions_.expression();
        else if (cursor_.take_once(before, Word::inside, "side of the edge"))
            result.alignment = Alignment::inside;
        else if (cursor_.take_once(before, Word::outside, "side of the edge"))
            result.alignment = Alignment::outside;
        else if (cursor_.take_once(before, Word::dashes))
            result.dashes = expressions_.list();
        else if (cursor_.take_once(before, Word::offset))
            result.offset = expressions_.expression();
        else if (!take_edges(result.edges, before) && !take_blending(result.blending, before))
            return result;
    }
}

} // namespace coldbrick::sheet
