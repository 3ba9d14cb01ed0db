#include "sheet/language/text_parser.hpp"

#include <algorithm>
#include <array>
#include <span>
#include <string_view>

namespace coldbrick::sheet {

TextParser::Table TextParser::table() {
    using Action = WordAction<TextParser, LetterWords>;
    static constexpr std::array words{
        Action{Word::fill, [](TextParser& p, LetterWords& text) { text.paint = p.styles_.paint_words(); }},
        Action{Word::stroke,
               [](TextParser& p, LetterWords& text) {
                   text.outline = p.styles_.paint_words();
                   if (p.cursor_.begins_value()) text.outline_width = p.expressions_.expression();
               }},
        Action{Word::plate,
               [](TextParser& p, LetterWords& text) {
                   text.plate = PlateWords{p.styles_.paint_words(), nullptr, nullptr, std::nullopt};
               }},
        Action{Word::face, [](TextParser& p, LetterWords& text) { text.face = p.face_words(); }},
        Action{Word::size,
               [](TextParser& p, LetterWords& text) {
                   text.size = p.expressions_.expression();
                   text.size_of_capitals = p.cursor_.take(Word::capitals);
               }},
        Action{Word::anchor,
               [](TextParser& p, LetterWords& text) {
                   text.anchor = p.cursor_.choice<TextAnchor>(text_anchors);
               }},
        Action{Word::aligned,
               [](TextParser& p, LetterWords& text) {
                   text.alignment = p.cursor_.choice<TextColumn>(text_columns);
               }},
        Action{Word::spacing,
               [](TextParser& p, LetterWords& text) { text.spacing = p.expressions_.expression(); }},
        Action{Word::leading,
               [](TextParser& p, LetterWords& text) { text.leading = p.expressions_.expression(); }},
        Action{Word::within,
               [](TextParser& p, LetterWords& text) { text.width = p.expressions_.expression(); }},
        Action{Word::lines,
               [](TextParser& p, LetterWords& text) { text.lines = p.expressions_.expression(); }},
        Action{Word::fit, [](TextParser& p, LetterWords& text) { text.fit = p.expressions_.size(); }},
        Action{Word::turned,
               [](TextParser& p, LetterWords& text) { text.turn = p.expressions_.expression(); }},
        Action{Word::thick,
               [](TextParser& p, LetterWords& text) { text.thickness = p.expressions_.expression(); }}};
    return words;
}

void TextParser::take_words(LetterWords& text, WordsBefore& before) {
    if (ExpressionPtr style = styles_.base(before)) {
        text.base = std::move(style);
        return;
    }
    const bool taken = cursor_.take_one(before, table(), *this, text) || take_plate_words(text, before) ||
                       take_face_words(text, before) || styles_.take_edges(text.edges, before) ||
                       take_blending(text, before);
    if (taken) return;
    std::vector<Word> words = words_of(table(), StyleParser::edges_table(), StyleParser::blending_table());
    words.insert(words.end(), {Word::like, Word::named});
    cursor_.fail_expecting(words);
}

bool TextParser::take_blending(LetterWords& text, WordsBefore& before) {
    BlendingWords words;
    BlendingWords& blending = text.blending ? *text.blending : words;
    if (!styles_.take_blending(blending, before)) return false;
    if (!text.blending) text.blending = std::move(words);
    return true;
}

/// What may follow a plate.
bool TextParser::take_plate_words(LetterWords& text, WordsBefore& before) {
    using Action = WordAction<TextParser, PlateWords>;
    static constexpr std::array words{
        Action{Word::border,
               [](TextParser& p, PlateWords& plate) { plate.border = p.styles_.paint_words(); }},
        Action{Word::padding,
               [](TextParser& p, PlateWords& plate) { plate.padding = p.expressions_.expression(); }},
        Action{Word::rounded,
               [](TextParser& p, PlateWords& plate) { plate.radius = p.expressions_.expression(); }}};
    return text.plate && cursor_.take_one(before, std::span<const Action>(words), *this, *text.plate);
}

FaceWords TextParser::face_words() {
    FaceWords result;
    do {
        const Token name = cursor_.quoted("a face's name or file");
        result.names.push_back({unquoted(name), name.location});
    } while (cursor_.take_symbol(','));
    return result;
}

/// What may follow a face; any number of axes.
bool TextParser::take_face_words(LetterWords& text, WordsBefore& before) {
    using Action = WordAction<TextParser, FaceWords>;
    static constexpr std::array words{
        Action{Word::slanted, [](TextParser&, FaceWords& face) { face.slanted = true; }},
        Action{Word::weight,
               [](TextParser& p, FaceWords& face) { face.weight = p.expressions_.expression(); }}};
    if (!text.face) return false;
    if (cursor_.take(Word::axis)) {
        const Token tag = cursor_.quoted("an axis's tag");
        text.face->axes.push_back({unquoted(tag), expressions_.expression()});
        return true;
    }
    return cursor_.take_one(before, std::span<const Action>(words), *this, *text.face);
}

} // namespace coldbrick::sheet
