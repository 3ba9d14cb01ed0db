/// @file
/// Statements of lettering.
#pragma once

#include "sheet/language/expression_parser.hpp"
#include "sheet/language/style_parser.hpp"
#include "sheet/language/syntax.hpp"
#include "sheet/language/token_cursor.hpp"

namespace coldbrick::sheet {

class TextParser {
  public:
    /// @param cursor,expressions,styles outlive the parser
    TextParser(TokenCursor& cursor, ExpressionParser& expressions, StyleParser& styles)
        : cursor_(cursor), expressions_(expressions), styles_(styles) {}

    /// A word of lettering and what follows it. @throws SheetError if there is none.
    void take_words(LetterWords& text, WordsBefore& before);

  private:
    using Table = std::span<const WordAction<TextParser, LetterWords>>;
    static Table table();

    FaceWords face_words();
    bool take_plate_words(LetterWords& text, WordsBefore& before);
    bool take_face_words(LetterWords& text, WordsBefore& before);
    bool take_blending(LetterWords& text, WordsBefore& before);

    TokenCursor& cursor_;
    ExpressionParser& expressions_;
    StyleParser& styles_;
};

} // namespace coldbrick::sheet
