#include "sheet/language/style_parser.hpp"

#include <algorithm>
#include <array>
#include <cstddef>
#include <cstdint>
#include <span>
#include <string>
#include <string_view>
#include <utility>

namespace coldbrick::sheet {

void StyleParser::take_style(StyleWords& result, WordsBefore& before) {
    while (!cursor_.at_end() && cursor_.next().word != Word::named) {
        const Location location = cursor_.next().location;
        if (ExpressionPtr its_base = base(before)) {
            result.base = std::move(its_base);
        } else if (cursor_.take(Word::fill)) {
            if (result.fill) fail(location, "this shape has a fill already");
            result.fill = std::make_unique<FillWords>(fill_words(location));
        } else if (cursor_.take(Word::stroke)) {
            if (result.stroke) fail(location, "this shape has a stroke already");
            result.stroke = std::make_unique<StrokeWords>(stroke_words(location));
        } else {
            cursor_.fail_expecting("\"fill\", \"stroke\", \"like\" or the end of the line");
        }
    }
}

ExpressionPtr StyleParser::base(WordsBefore& before) {
    return cursor_.take_once(before, Word::like) ? expressions_.lone_operand() : nullptr;
}

FileName StyleParser::file(std::string_view what) {
    const Token name = cursor_.quoted(what);
    return {unquoted(name), name.location};
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
    if (cursor_.take(Word::stipple)) return stipple_words();
    if (cursor_.take(Word::texture)) return TextureWords{file("the texture's image file")};
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
    using Action = WordAction<StyleParser, HatchWords>;
    static constexpr std::array table{
        Action{Word::spacing,
               [](StyleParser& p, HatchWords& hatch) { hatch.spacing = p.expressions_.expression(); }},
        Action{Word::wide,
               [](StyleParser& p, HatchWords& hatch) { hatch.width = p.expressions_.expression(); }},
        Action{Word::on,
               [](StyleParser& p, HatchWords& hatch) { hatch.ground = p.expressions_.lone_operand(); }}};
    HatchWords result{cursor_.choice<Hatch::Direction>(directions), expressions_.lone_operand(), nullptr,
                      nullptr, nullptr};
    WordsBefore before;
    while (cursor_.take_one(before, std::span<const Action>(table), *this, result)) {
    }
    return result;
}

/// Rows of # and ., with blanks between them, repeated up to 8 x 8.
StippleWords StyleParser::stipple_words() {
    const Token token = cursor_.quoted("the stipple's rows");
    const auto refuse = [&] {
        fail(token.location,
             "a stipple has 1, 2, 4 or 8 rows of 1, 2, 4 or 8 # or . each, with blanks between "
             "the rows: \"#... ..#.\"");
    };
    const std::string text = unquoted(token);
    std::vector<std::string_view> rows;
    for (std::size_t at = 0; at <= text.size();) {
        const std::size_t end = std::min(text.find(' ', at), text.size());
        rows.push_back(std::string_view(text).substr(at, end - at));
        at = end + 1;
    }
    const auto divides_8 = [](std::size_t count) { return count > 0 && 8 % count == 0; };
    StippleWords result{{}, nullptr, nullptr};
    for (std::size_t y = 0; y < result.rows.size(); ++y) {
        if (!divides_8(rows.size()) || !divides_8(rows[y % rows.size()].size())) refuse();
        const std::string_view row = rows[y % rows.size()];
        if (row.find_first_not_of("#.") != std::string_view::npos) refuse();
        for (std::size_t x = 0; x < 8; ++x)
            if (row[x % row.size()] == '#') result.rows[y] |= static_cast<std::uint8_t>(0x80U >> x);
    }
    result.colour = expressions_.lone_operand();
    if (cursor_.take(Word::on)) result.ground = expressions_.lone_operand();
    return result;
}

StyleParser::BlendingTable StyleParser::blending_table() {
    using Action = WordAction<StyleParser, BlendingWords>;
    static constexpr std::array table{Action{Word::opacity,
                                             [](StyleParser& p, BlendingWords& blending) {
                                                 blending.opacity = p.expressions_.expression();
                                             }},
                                      Action{Word::blend,
                                             [](StyleParser& p, BlendingWords& blending) {
                                                 blending.mode = p.cursor_.choice<BlendMode>(modes);
                                             }},
                                      Action{Word::linear, [](StyleParser&, BlendingWords& blending) {
                                                 blending.space = BlendSpace::linear;
                                             }}};
    return table;
}

bool StyleParser::take_blending(BlendingWords& blending, WordsBefore& before) {
    return cursor_.take_one(before, blending_table(), *this, blending);
}

StyleParser::EdgesTable StyleParser::edges_table() {
    using Action = WordAction<std::optional<Edges>>;
    static constexpr std::string_view subject = "kind of edges";
    static constexpr std::array table{
        Action{Word::smooth, [](std::optional<Edges>& edges) { edges = Edges::smooth; }, subject},
        Action{Word::crisp, [](std::optional<Edges>& edges) { edges = Edges::crisp; }, subject}};
    return table;
}

bool StyleParser::take_edges(std::optional<Edges>& edges, WordsBefore& before) {
    return cursor_.take_one(before, edges_table(), edges);
}

FillWords StyleParser::fill_words(const Location& location) {
    using Action = WordAction<FillWords>;
    static constexpr std::array table{
        Action{Word::nonzero, [](FillWords& fill) { fill.rule = FillRule::non_zero; }},
        Action{Word::tiling, [](FillWords& fill) { fill.extent = FillExtent::tiling; }}};
    FillWords result{location, paint_words()};
    WordsBefore before;
    while (cursor_.take_one(before, std::span<const Action>(table), result) ||
           take_edges(result.edges, before) || take_blending(result.blending, before)) {
    }
    return result;
}

StrokeWords StyleParser::stroke_words(const Location& location) {
    using Action = WordAction<StyleParser, StrokeWords>;
    static constexpr std::string_view side = "side of the edge";
    static constexpr std::array table{
        Action{Word::cap,
               [](StyleParser& p, StrokeWords& stroke) { stroke.cap = p.cursor_.choice<Cap>(caps); }},
        Action{Word::join,
               [](StyleParser& p, StrokeWords& stroke) { stroke.join = p.cursor_.choice<Join>(joins); }},
        Action{Word::limit,
               [](StyleParser& p, StrokeWords& stroke) { stroke.limit = p.expressions_.expression(); }},
        Action{Word::inside, [](StyleParser&, StrokeWords& stroke) { stroke.alignment = Alignment::inside; },
               side},
        Action{Word::outside,
               [](StyleParser&, StrokeWords& stroke) { stroke.alignment = Alignment::outside; }, side},
        Action{Word::dashes,
               [](StyleParser& p, StrokeWords& stroke) { stroke.dashes = p.expressions_.list(); }},
        Action{Word::offset,
               [](StyleParser& p, StrokeWords& stroke) { stroke.offset = p.expressions_.expression(); }}};
    StrokeWords result;
    result.location = location;
    result.paint = paint_words();
    const bool is_word = cursor_.next().text == "width" || cursor_.next().text == "height";
    if (is_word && cursor_.second().kind != Token::Kind::symbol)
        fail(cursor_.next().location,
             "the stroke's width stands by itself, and this word is the sheet's size: stroke navy 3");
    if (cursor_.begins_value()) result.width = expressions_.expression();
    WordsBefore before;
    while (cursor_.take_one(before, std::span<const Action>(table), *this, result) ||
           take_edges(result.edges, before) || take_blending(result.blending, before)) {
    }
    return result;
}

} // namespace coldbrick::sheet
