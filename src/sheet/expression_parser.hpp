/// @file
/// Expressions, by recursive descent: one function a rule, each called with the rule's first word next.
#pragma once

#include "sheet/syntax.hpp"
#include "sheet/token_cursor.hpp"

#include <utility>
#include <vector>

namespace coldbrick::sheet {

class ExpressionParser {
  public:
    /// @param cursor outlives the parser
    explicit ExpressionParser(TokenCursor& cursor) : cursor_(cursor) {}

    /// Sums: the operations that bind least.
    ExpressionPtr expression();

    /// An operand that stands alone, outside of sums and products.
    ExpressionPtr lone_operand();

    /// One or more, with commas between them.
    std::vector<ExpressionPtr> list();

    /// WIDTH x HEIGHT, into the two.
    void width_and_height(ExpressionPtr& width, ExpressionPtr& height);

    /// The value after a word that may be left out; null if it is.
    ExpressionPtr after(Word word) { return cursor_.take(word) ? expression() : nullptr; }

  private:
    template <class Form>
    ExpressionPtr make(const Location& location, Form form);
    ExpressionPtr product();
    ExpressionPtr signed_operand();
    ExpressionPtr operand();
    ExpressionPtr bare_operand();
    ExpressionPtr call();
    ExpressionPtr parenthesised();

    TokenCursor& cursor_;
    int depth_ = 0;      ///< of expressions within each other
    int operations_ = 0; ///< in the outermost expression so far
};

/// The expression that the whole source is. @throws SheetError at the first fault.
ExpressionPtr parse_expression(const Source& source);

} // namespace coldbrick::sheet
