/// @file
/// Shapes as they are written, and where they are placed.
#pragma once

#include "sheet/language/expression_parser.hpp"
#include "sheet/language/syntax.hpp"
#include "sheet/language/token_cursor.hpp"

#include <memory>

namespace coldbrick::sheet {

/// True of a word that begins a shape.
constexpr bool begins_shape(Word word) {
    return word >= Word::dots && word <= Word::star;
}

class ShapeParser {
  public:
    /// @param cursor,expressions outlive the parser
    ShapeParser(TokenCursor& cursor, ExpressionParser& expressions)
        : cursor_(cursor), expressions_(expressions) {}

    /// What follows the shape's word.
    ShapeForm form(Word word);

    /// Where the shape is moved to; null if that is left out.
    std::unique_ptr<PlacingWords> placing();

  private:
    ExpressionPtr place();
    void take_anchor();
    LineForm line_form();
    ShapeForm path_or_text();
    PathForm path_form();
    ContourWords contour_words();
    CurveWords curve_words();
    Frame frame();
    BoxForm box_form();
    CircleForm circle_form();
    OvalForm oval_form(bool may_be_circle);
    ArcForm arc_form(ArcForm::Kind kind);
    ShapeForm polygon_form();
    RegularForm regular_form(Word count_word, bool is_star);

    TokenCursor& cursor_;
    ExpressionParser& expressions_;

    // Of the shape that is read.
    bool is_placed_ = false;                ///< its form has had "at"
    Expression* point_ = nullptr;           ///< what "at" told, in the form
    std::unique_ptr<PlacingWords> placing_; ///< null if the form has its own place
};

} // namespace coldbrick::sheet
