#include "sheet/language/text_parser.hpp"

#include <algorithm>
#include <string_view>

namespace coldbrick::sheet {

namespace {

template <class Value>
bool is_choice(const Token& token, std::span<const Choice<Value>> choices) {
    return token.kind == Token::Kind::word &&
           std::ranges::find(choices, token.text, &Choice<Value>::word) != choices.end();
}

} // namespace

void TextParser::take_words(LetterWords& text, WordsBefore& before) {
    if (ExpressionPtr style = styles_.base(before)) {
        text.base = std::move(style);
        return;
    }
    const bool taken = take_paint(text, before) || take_plate_words(text, before) ||
                       take_face_words(text, before) || take_setting(text, before) ||
                       styles_.take_edges(text.edges, before) || take_blending(text, before);
    if (!taken)
        cursor_.fail_expecting({Word::fill,   Word::stroke,  Word::plate,   Word::face,    Word::size,
                                Word::anchor, Word::aligned, Word::spacing, Word::leading, Word::within,
                                Word::lines,  Word::fit,     Word::turned,  Word::thick,   Word::smooth,
                                Word::crisp,  Word::opacity, Word::blend,   Word::like,    Word::named});
}

bool TextParser::take_blending(LetterWords& text, WordsBefore& before) {
    BlendingWords words;
    BlendingWords& blending = text.blending ? *text.blending : words;
    if (!styles_.take_blending(blending, before)) return false;
    if (!text.blending) text.blending = std::move(words);
    return true;
}

bool TextParser::take_paint(LetterWords& text, WordsBefore& before) {
    if (cursor_.take_once(before, Word::fill)) {
        text.paint = styles_.paint_words();
    } else if (cursor_.take_once(before, Word::stroke)) {
        text.outline = styles_.paint_words();
        if (cursor_.begins_value()) text.outline_width = expressions_.expression();
    } else {
        return false;
    }
    return true;
}

bool TextParser::take_plate_words(LetterWords& text, WordsBefore& before) {
    if (cursor_.take_once(before, Word::plate)) {
        text.plate = PlateWords{styles_.paint_words(), nullptr, nullptr, std::nullopt};
        return true;
    }
    if (!text.plate) return false;
    if (cursor_.take_once(before, Word::border)) {
        text.plate->border = styles_.paint_words();
        return true;
    }
    return take_number(text.plate->padding, before, Word::padding) ||
           take_number(text.plate->radius, before, Word::rounded);
}

bool TextParser::take_face_words(LetterWords& text, WordsBefore& before) {
    if (cursor_.take_once(before, Word::face)) {
        text.face.emplace();
        do {
            const Token name = cursor_.quoted("a face's name or file");
            text.face->names.push_back({unquoted(name), name.location});
        } while (cursor_.take_symbol(','));
        return true;
    }
    if (!text.face) return false;
    if (cursor_.take(Word::axis)) { // any number of them
        const Token tag = cursor_.quoted("an axis's tag");
        text.face->axes.push_back({unquoted(tag), expressions_.expression()});
        return true;
    }
    if (cursor_.take_once(before, Word::slanted)) return text.face->slanted = true;
    return take_number(text.face->weight, before, Word::weight);
}

bool TextParser::take_setting(LetterWords& text, WordsBefore& before) {
    if (cursor_.take_once(before, Word::anchor)) {
        text.anchor = anchor();
    } else if (cursor_.take_once(before, Word::aligned)) {
        text.alignment = cursor_.choice<TextColumn>(text_columns);
    } else if (take_number(text.size, before, Word::size)) {
        text.size_of_capitals = cursor_.take(Word::capitals);
    } else if (cursor_.take_once(before, Word::fit)) {
        text.fit = expressions_.size();
    } else {
        return take_number(text.spacing, before, Word::spacing) ||
               take_number(text.leading, before, Word::leading) ||
               take_number(text.width, before, Word::within) ||
               take_number(text.lines, before, Word::lines) || take_number(text.turn, before, Word::turned) ||
               take_number(text.thickness, before, Word::thick);
    }
    return true;
}

bool TextParser::take_number(ExpressionPtr& number, WordsBefore& before, Word word) {
    if (!cursor_.take_once(before, word)) return false;
    number = expressions_.expression();
    return true;
}

/// A column, a row or both.
TextAnchor TextParser::anchor() {
    TextAnchor result;
    const bool has_column = is_choice<TextColumn>(cursor_.next(), text_columns);
    if (has_column) result.column = cursor_.choice<TextColumn>(text_columns);
    if (is_choice<TextRow>(cursor_.next(), text_rows))
        result.row = cursor_.choice<TextRow>(text_rows);
    else if (!has_column)
        cursor_.fail_expecting("left, centre or right, or baseline, top, capitals, middle or bottom");
    return result;
}

} // namespace coldbrick::sheet
