#include "sheet/language/expression_parser.hpp"

#include "base/nearest_word.hpp"
#include "base/shown_text.hpp"
#include "sheet/running/functions.hpp"

#include <coldbrick/colour_text.hpp>

#include <algorithm>
#include <charconv>
#include <iterator>
#include <string_view>

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
    return ExpressionPtr(new Expression{location, std::move(form)});
}

ExpressionPtr ExpressionParser::expression() {
    if (depth_ == 0) operations_ = 0;
    if (++depth_ > max_depth) fail(cursor_.next().location, "this expression is nested too deep");
    ExpressionPtr result = cursor_.next().word == Word::if_ ? alternative() : disjunction();
    --depth_;
    return result;
}

/// if CONDITION then VALUE else VALUE
ExpressionPtr ExpressionParser::alternative() {
    const Token first = cursor_.take();
    Alternative result{expression(), nullptr, nullptr};
    cursor_.expect(Word::then);
    result.then = expression();
    cursor_.expect(Word::else_);
    result.otherwise = expression();
    return make(first.location, std::move(result));
}

ExpressionPtr ExpressionParser::disjunction() {
    ExpressionPtr result = conjunction();
    while (cursor_.next().word == Word::or_) {
        const Token sign = cursor_.take();
        result =
            make(sign.location, BinaryOperation{Operation::disjunction, std::move(result), conjunction()});
    }
    return result;
}

ExpressionPtr ExpressionParser::conjunction() {
    ExpressionPtr result = negation();
    while (cursor_.next().word == Word::and_) {
        const Token sign = cursor_.take();
        result = make(sign.location, BinaryOperation{Operation::conjunction, std::move(result), negation()});
    }
    return result;
}

ExpressionPtr ExpressionParser::negation() {
    std::vector<Location> words; // counted, not recursive, as signs below
    while (cursor_.next().word == Word::not_) words.push_back(cursor_.take().location);
    ExpressionPtr result = comparison();
    if (words.size() % 2 == 0 && !words.empty())
        result = make(words.back(), UnaryOperation{true, std::move(result)});
    if (!words.empty()) result = make(words.back(), UnaryOperation{true, std::move(result)});
    return result;
}

ExpressionPtr ExpressionParser::comparison() {
    constexpr std::pair<std::string_view, Operation> signs[] = {
        {"==", Operation::equal},   {"!=", Operation::unequal}, {"<", Operation::below},
        {"<=", Operation::at_most}, {">", Operation::above},    {">=", Operation::at_least}};
    ExpressionPtr result = sum();
    for (const auto& [text, operation] : signs)
        if (cursor_.next().is_symbol(text)) {
            const Token sign = cursor_.take();
            return make(sign.location, BinaryOperation{operation, std::move(result), sum()});
        }
    if (cursor_.next().is_symbol('=')) fail(cursor_.next().location, "two values are compared by \"==\"");
    return result;
}

ExpressionPtr ExpressionParser::sum() {
    ExpressionPtr result = product();
    while (cursor_.next().is_symbol('+') || cursor_.next().is_symbol('-')) {
        const Token sign = cursor_.take();
        const Operation operation = sign.is_symbol('+') ? Operation::add : Operation::subtract;
        result = make(sign.location, BinaryOperation{operation, std::move(result), product()});
    }
    return result;
}

ExpressionPtr ExpressionParser::product() {
    ExpressionPtr result = signed_operand();
    while (cursor_.next().is_symbol('*') || cursor_.next().is_symbol('/')) {
        const Token sign = cursor_.take();
        const Operation operation = sign.is_symbol('*') ? Operation::multiply : Operation::divide;
        result = make(sign.location, BinaryOperation{operation, std::move(result), signed_operand()});
    }
    return result;
}

ExpressionPtr ExpressionParser::signed_operand() {
    // Counted, not recursive: a line of minus signs must not use up the stack.
    std::vector<Location> signs;
    while (cursor_.next().is_symbol('-')) signs.push_back(cursor_.take().location);
    ExpressionPtr result = operand();
    if (signs.size() % 2 == 0) return result;
    if (auto* const constant = std::get_if<Constant>(&result->form))
        if (auto* const value = std::get_if<double>(&constant->value)) {
            *value = -*value;
            result->location = signs.back();
            return result;
        }
    return make(signs.back(), UnaryOperation{false, std::move(result)});
}

ExpressionPtr ExpressionParser::lone_operand() {
    if (depth_ == 0) operations_ = 0;
    return cursor_.next().word == Word::if_ ? expression() : operand();
}

ExpressionPtr ExpressionParser::operand() {
    ExpressionPtr result = bare_operand();
    while (true) {
        if (cursor_.next().is_symbol('.')) {
            const Token dot = cursor_.take();
            if (cursor_.next().is_symbol('.'))
                fail(dot.location, "from one number to another is written: from 0 to 5, or range(0, 5)");
            if (cursor_.next().kind != Token::Kind::word)
                cursor_.fail_expecting("\"x\", \"y\" or the name of another part");
            result = make(dot.location, Member{std::move(result), std::string(cursor_.take().text)});
        } else if (cursor_.next().is_symbol('[')) {
            const Token bracket = cursor_.take();
            result = make(bracket.location, Item{std::move(result), expression()});
            cursor_.expect_symbol(']');
        } else {
            return result;
        }
    }
}

ExpressionPtr ExpressionParser::bare_operand() {
    const Token token = cursor_.next();
    switch (token.kind) {
    case Token::Kind::number: return make(cursor_.take().location, Constant{number(token)});
    case Token::Kind::text: return make(cursor_.take().location, Constant{unquoted(token)});
    case Token::Kind::colour: return make(cursor_.take().location, Constant{colour_of(token)});
    case Token::Kind::word:
        if (token.word == Word::true_ || token.word == Word::false_)
            return make(cursor_.take().location, Constant{token.word == Word::true_});
        if (token.word == Word::sheet) return make(cursor_.take().location, SheetMeasure::box);
        if (token.word != Word::none) break;
        return cursor_.second().is_symbol('(') ? call() : name();
    case Token::Kind::symbol:
        if (token.is_symbol('(')) return parenthesised();
        if (token.is_symbol('[')) return bracketed();
        break;
    default: break;
    }
    cursor_.fail_expecting("a number, a point, a colour, a text or a name");
}

/// A name of the sheet, of a measure, a palette or a colour.
ExpressionPtr ExpressionParser::name() {
    const Token name = cursor_.take();
    if (const auto slot = names_.use(name.text)) {
        cursor_.note(name.text);
        return make(name.location, Name{*slot});
    }
    constexpr std::pair<std::string_view, SheetMeasure> measures[] = {
        {"width", SheetMeasure::width}, {"height", SheetMeasure::height}, {"centre", SheetMeasure::centre}};
    for (const auto& [text, measure] : measures)
        if (name.text == text) return make(name.location, measure);
    if (const auto colour = css_colour(name.text)) return make(name.location, Constant{*colour});
    if (name.text == "harbour") {
        static const Shared<Palette> harbour = default_palette();
        return make(name.location, Constant{harbour});
    }
    fail_unknown(name);
}

/// The colour that a word of hexadecimal digits, perhaps after 0x, may be meant as.
std::string_view digits_of_colour(std::string_view word) {
    if (word.starts_with("0x")) word.remove_prefix(2);
    const bool is_long_enough = word.size() == 6 || word.size() == 8;
    return is_long_enough && word.find_first_not_of("0123456789abcdefABCDEF") == std::string_view::npos ? word
                                                                                                        : "";
}

void ExpressionParser::fail_unknown(const Token& name) const {
    TokenCursor::fail_for_other_notation(name);
    if (const std::string_view digits = digits_of_colour(name.text); !digits.empty())
        fail(name.location, fmt::format("a colour of hexadecimal digits begins with #: #{}", digits));
    std::vector<std::string_view> known = names_.known();
    std::ranges::copy(css_colour_names(), std::back_inserter(known));
    const bool of_frames = name.text == "frame" || name.text == "time";
    fail(name.location,
         fmt::format("{} is neither defined above nor the name of a colour{}", base::in_quotes(name.text),
                     of_frames ? "; a statement such as frames 50 rate 25 defines it"
                               : base::did_you_mean(name.text, known)));
}

/// FUNCTION ( VALUE , VALUE , ... )
ExpressionPtr ExpressionParser::call() {
    const Token name = cursor_.take();
    const Function* const function = function_of(name.text);
    if (function == nullptr) {
        TokenCursor::fail_for_other_notation(name);
        fail(name.location, fmt::format("there is no function {}{}", base::in_quotes(name.text),
                                        base::did_you_mean(name.text, function_names())));
    }
    cursor_.note(name.text);
    const std::uint32_t number = ++calls_;
    cursor_.expect_symbol('(');
    Call result{function, list(), number};
    cursor_.expect_symbol(')');
    const std::size_t count = result.arguments.size();
    if (count < function->least || count > function->most)
        fail(name.location,
             fmt::format("{}() has {} values, not {}{}", function->name, count, function->least,
                         function->most > function->least ? fmt::format(" or {}", function->most) : ""));
    return make(name.location, std::move(result));
}

/// One of two numbers that are written out is a constant itself: most of a long sheet are such points.
ExpressionPtr ExpressionParser::point(const Location& location, ExpressionPtr x, ExpressionPtr y) {
    const auto written_out = [](const Expression& one) -> const double* {
        const auto* const constant = std::get_if<Constant>(&one.form);
        return constant == nullptr ? nullptr : std::get_if<double>(&constant->value);
    };
    const double* const across = written_out(*x);
    const double* const down = written_out(*y);
    if (across == nullptr || down == nullptr) return make(location, PointLiteral{std::move(x), std::move(y)});
    x->form = Constant{Position{*across, *down}};
    x->location = location;
    return x;
}

/// ( VALUE ) or ( X , Y )
ExpressionPtr ExpressionParser::parenthesised() {
    const Token open = cursor_.take();
    ExpressionPtr first = expression();
    if (cursor_.take_symbol(',')) {
        first = point(open.location, std::move(first), expression());
        if (cursor_.next().is_symbol(','))
            fail(open.location, "a point has two numbers, and a colour is written rgb(255, 204, 0)");
    }
    cursor_.expect_symbol(')');
    return first;
}

/// [ VALUE , VALUE , ... ]
ExpressionPtr ExpressionParser::bracketed() {
    const Token open = cursor_.take();
    ListLiteral result;
    if (!cursor_.next().is_symbol(']')) result.values = list();
    cursor_.expect_symbol(']');
    return make(open.location, std::move(result));
}

std::vector<ExpressionPtr> ExpressionParser::list() {
    std::vector<ExpressionPtr> result;
    do result.push_back(expression());
    while (cursor_.take_symbol(','));
    return result;
}

SizeWords ExpressionParser::size() {
    SizeWords result;
    result.width = expression();
    const auto* const constant = std::get_if<Constant>(&result.width->form);
    const bool is_number = constant != nullptr && std::holds_alternative<double>(constant->value);
    if (is_number) cursor_.expect_times(); // else one value may be both
    if (is_number || cursor_.take_times()) result.height = expression();
    return result;
}

ExpressionPtr parse_expression(const Source& source) {
    Scopes nothing;
    TokenCursor cursor(source);
    while (cursor.next().kind == Token::Kind::end_of_line) cursor.take();
    ExpressionPtr result = ExpressionParser(cursor, nothing).expression();
    cursor.expect_end();
    return result;
}

} // namespace coldbrick::sheet
