/// @file
/// Statements of lettering.
#pragma once

#include "sheet/expression_parser.hpp"
#include "sheet/style_parser.hpp"
#include "sheet/syntax.hpp"
#include "sheet/token_cursor.hpp"

namespace coldbrick::sheet {

class TextParser {
  public:
    /// @param cursor,expressions,styles outlive the parser
    TextParser(TokenCursor& cursor, ExpressionParser& expressions, StyleParser& styles)
        : cursor_(cursor), expressions_(expressions), styles_(styles) {}

    /// What follows the word text.
    TextStatement statement();

  private:
    bool take_paint(TextStatement& text, WordsBefore& before);
    bool take_plate_words(TextStatement& text, WordsBefore& before);
    bool take_face_words(TextStatement& text, WordsBefore& before);
    bool take_setting(TextStatement& text, WordsBefore& before);
    bool take_number(ExpressionPtr& number, WordsBefore& before, Word word);
    TextAnchor anchor();

    TokenCursor& cursor_;
    ExpressionParser& expressions_;
    StyleParser& styles_;
};

} // namespace coldbrick::sheet
