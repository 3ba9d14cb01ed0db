#include "sheet/expression_parser.hpp"

#include "base/shown_text.hpp"

#include <coldbrick/colour_text.hpp>

#include <algorithm>
#include <charconv>
#include <iterator>

namespace coldbrick::sheet {

namespace {

/// Deeper and longer than anyone writes, but far from the end of the stack.
constexpr int max_depth = 200;
constexpr int max_operations = 2000;

double number(const Token& token) {
    constexpr std::size_t exact_digits = 15; // a double's
    if (token.text.size() <= exact_digits && token.text.find('.') == std::string_view::npos) {
        std::int64_t whole = 0;
        for (const char digit : token.text) whole = 10 * whole + (digit - '0');
        return static_cast<double>(whole);
    }
    double value = 0;
    const char* const end = token.text.data() + token.text.size();
    const auto [stopped, error] = std::from_chars(token.text.data(), end, value);
    if (error != std::errc() || stopped != end)
        fail(token.location, fmt::format("{} is too large a number", base::shown(token.text)));
    return value;
}

Colour colour_of(const Token& token) {
    return at_place(token.location, [&token] { return colour(token.text); });
}

} // namespace

template <class Form>
ExpressionPtr ExpressionParser::make(const Location& location, Form form) {
    if (++operations_ > max_operations) fail(location, "this expression is too long");
    return std::make_unique<Expression>(Expression{location, std::move(form)});
}

ExpressionPtr ExpressionParser::expression() {
    if (depth_ == 0) operations_ = 0;
    if (++depth_ > max_depth) fail(cursor_.next().location, "this expression is nested too deep");
    ExpressionPtr result = product();
    while (cursor_.next().is_symbol('+') || cursor_.next().is_symbol('-')) {
        const Token sign = cursor_.take();
        result = make(sign.location, BinaryOperation{sign.text[0], std::move(result), product()});
    }
    --depth_;
    return result;
}

ExpressionPtr ExpressionParser::product() {
    ExpressionPtr result = signed_operand();
    while (cursor_.next().is_symbol('*') || cursor_.next().is_symbol('/')) {
        const Token sign = cursor_.take();
        result = make(sign.location, BinaryOperation{sign.text[0], std::move(result), signed_operand()});
    }
    return result;
}

ExpressionPtr ExpressionParser::signed_operand() {
    // Counted, not recursive: a line of minus signs must not use up the stack.
    std::vector<Location> signs;
    while (cursor_.next().is_symbol('-')) signs.push_back(cursor_.take().location);
    ExpressionPtr result = operand();
    if (signs.size() % 2 == 1) result = make(signs.back(), Negation{std::move(result)});
    return result;
}

ExpressionPtr ExpressionParser::lone_operand() {
    if (depth_ == 0) operations_ = 0;
    return operand();
}

ExpressionPtr ExpressionParser::operand() {
    ExpressionPtr result = bare_operand();
    while (cursor_.next().is_symbol('.')) {
        const Token dot = cursor_.take();
        if (cursor_.next().kind != Token::Kind::word)
            cursor_.fail_expecting("\"x\", \"y\" or a palette's name of a colour");
        result = make(dot.location, Member{std::move(result), std::string(cursor_.take().text)});
    }
    return result;
}

ExpressionPtr ExpressionParser::bare_operand() {
    const Token token = cursor_.next();
    switch (token.kind) {
    case Token::Kind::number: return make(cursor_.take().location, NumberLiteral{number(token)});
    case Token::Kind::text: return make(cursor_.take().location, TextLiteral{unquoted(token)});
    case Token::Kind::colour: return make(cursor_.take().location, ColourLiteral{colour_of(token)});
    case Token::Kind::word:
        if (token.word != Word::none) break;
        if (std::ranges::find(functions, token.text, &Function::name) != std::end(functions) &&
            cursor_.second().is_symbol('('))
            return call();
        return make(cursor_.take().location, Name{std::string(token.text)});
    case Token::Kind::symbol:
        if (token.is_symbol('(')) return parenthesised();
        break;
    default: break;
    }
    cursor_.fail_expecting("a number, a point, a colour, a text or a name");
}

/// FUNCTION ( VALUE , VALUE , ... )
ExpressionPtr ExpressionParser::call() {
    const Token function = cursor_.take();
    cursor_.expect_symbol('(');
    Call result{std::string(function.text), list()};
    cursor_.expect_symbol(')');
    return make(function.location, std::move(result));
}

/// ( VALUE ) or ( X , Y )
ExpressionPtr ExpressionParser::parenthesised() {
    const Token open = cursor_.take();
    ExpressionPtr first = expression();
    if (cursor_.take_symbol(',')) {
        ExpressionPtr second = expression();
        first = make(open.location, PointLiteral{std::move(first), std::move(second)});
    }
    cursor_.expect_symbol(')');
    return first;
}

std::vector<ExpressionPtr> ExpressionParser::list() {
    std::vector<ExpressionPtr> result;
    do result.push_back(expression());
    while (cursor_.take_symbol(','));
    return result;
}

void ExpressionParser::width_and_height(ExpressionPtr& width, ExpressionPtr& height) {
    width = expression();
    cursor_.expect_times();
    height = expression();
}

ExpressionPtr parse_expression(const Source& source) {
    TokenCursor cursor(source);
    ExpressionPtr result = ExpressionParser(cursor).expression();
    cursor.expect_end();
    return result;
}

} // namespace coldbrick::sheet
