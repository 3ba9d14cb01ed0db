/// @file
/// Expressions, by recursive descent: one function a rule, each called with the rule's first word next.
#pragma once

#include "sheet/language/syntax.hpp"
#include "sheet/language/token_cursor.hpp"

#include <cstdint>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

class ExpressionParser {
  public:
    /// @param cursor,names outlive the parser
    ExpressionParser(TokenCursor& cursor, Scopes& names) : cursor_(cursor), names_(names) {}

    /// Counts calls anew.
    void begin_statement() {
        calls_ = 0;
        depth_ = operations_ = 0;
    }

    /// Any value.
    ExpressionPtr expression();

    /// An operand that stands alone, outside of sums and products.
    ExpressionPtr lone_operand();

    /// One or more, with commas between them.
    std::vector<ExpressionPtr> list();

    /// WIDTH x HEIGHT, or a value that is both.
    SizeWords size();

    /// The value after a word that may be left out; null if it is.
    ExpressionPtr after(Word word) { return cursor_.take(word) ? expression() : nullptr; }

  private:
    template <class Form>
    ExpressionPtr make(const Location& location, Form form);
    ExpressionPtr alternative();
    ExpressionPtr disjunction();
    ExpressionPtr conjunction();
    ExpressionPtr negation();
    ExpressionPtr comparison();
    ExpressionPtr sum();
    ExpressionPtr product();
    ExpressionPtr signed_operand();
    ExpressionPtr operand();
    ExpressionPtr bare_operand();
    ExpressionPtr name();
    ExpressionPtr call();
    ExpressionPtr parenthesised();
    ExpressionPtr point(const Location& location, ExpressionPtr x, ExpressionPtr y);
    ExpressionPtr bracketed();
    [[noreturn]] void fail_unknown(const Token& name) const;

    TokenCursor& cursor_;
    Scopes& names_;
    std::uint32_t calls_ = 0; ///< in the statement so far
    int depth_ = 0;           ///< of expressions within each other
    int operations_ = 0;      ///< in the outermost expression so far
};

/// The expression that the whole source is. @throws SheetError at the first fault.
ExpressionPtr parse_expression(const Source& source);

} // namespace coldbrick::sheet
