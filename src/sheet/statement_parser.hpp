/// @file
/// A sheet's text becomes statements.
#pragma once

#include "sheet/expression_parser.hpp"
#include "sheet/source.hpp"
#include "sheet/style_parser.hpp"
#include "sheet/syntax.hpp"
#include "sheet/text_parser.hpp"
#include "sheet/token_cursor.hpp"

#include <optional>

namespace coldbrick::sheet {

/// Reads a sheet's statements one after the other, so that a long sheet is not held as a tree. By recursive
/// descent: one function a rule, each called with the rule's first word taken or next.
class StatementParser {
  public:
    /// @param source outlives the statements
    explicit StatementParser(const Source& source) : cursor_(source) {}
    StatementParser(const StatementParser&) = delete;
    StatementParser& operator=(const StatementParser&) = delete;
    ~StatementParser() = default;

    /// The next statement; none after the last one. @throws SheetError at the first fault.
    std::optional<Statement> next();

  private:
    StatementForm statement_form();
    SheetStatement sheet_statement();
    FramesStatement frames_statement();
    LetStatement let_statement();
    PaletteStatement palette_statement();
    ImageStatement image_statement();
    void image_words(ImageStatement& image, WordsBefore& before);
    ShapeStatement styled(ShapeForm form);
    [[noreturn]] void fail_unknown_statement() const;

    LineForm line_form();
    ShapeStatement path_statement();
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

    TokenCursor cursor_;
    ExpressionParser expressions_{cursor_};
    StyleParser styles_{cursor_, expressions_};
    TextParser texts_{cursor_, expressions_, styles_};
};

} // namespace coldbrick::sheet
