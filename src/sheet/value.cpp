#include "sheet/value.hpp"

#include "base/range_checks.hpp"
#include "base/shown_text.hpp"
#include "sheet/number_functions.hpp"
#include "sheet/words.hpp"

#include <coldbrick/colour_mixing.hpp>
#include <coldbrick/colour_space.hpp>
#include <coldbrick/colour_text.hpp>
#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cmath>
#include <limits>

namespace coldbrick::sheet {

namespace {

template <class... Functions>
struct Overloaded : Functions... {
    using Functions::operator()...;
};
template <class... Functions>
Overloaded(Functions...) -> Overloaded<Functions...>;

std::string_view kind_name(const Value& value) {
    return std::visit(Overloaded{[](double) { return "a number"; }, [](const Position&) { return "a point"; },
                                 [](const Colour&) { return "a colour"; },
                                 [](const Shared<Palette>&) { return "a palette"; },
                                 [](const std::string&) { return "a text"; }},
                      value);
}

/// Throws unless every number of the value is finite.
Value finite(const Location& location, const Value& value) {
    const bool is_finite = std::visit(
        Overloaded{[](double number) { return std::isfinite(number); },
                   [](const Position& point) { return std::isfinite(point.x) && std::isfinite(point.y); },
                   [](const auto&) { return true; }},
        value);
    if (!is_finite) fail(location, "the result is too large a number");
    return value;
}

std::string_view verb(char operation) {
    switch (operation) {
    case '+': return "add";
    case '-': return "subtract";
    case '*': return "multiply";
    default: return "divide";
    }
}

double operate(char operation, double left, double right) {
    switch (operation) {
    case '+': return left + right;
    case '-': return left - right;
    case '*': return left * right;
    default: return left / right;
    }
}

/// Texts one after the other. Those that grow without end are most likely a mistake.
std::string joined(const Location& location, std::string left, std::string_view right) {
    constexpr std::size_t longest = std::size_t{1} << 20;
    if (left.size() + right.size() > longest)
        fail(location, fmt::format("the text would have more than {} bytes", longest));
    return left.append(right);
}

/// A number with as many digits as it has.
std::string shortest(double number) {
    return fmt::format("{}", number + 0.0); // -0 is 0
}

/// The operation between values whose kinds fit: number and number, point + - point, point * / number,
/// number * point, text + text, and text and number, which becomes text.
Value operate(const Location& location, char operation, const Value& left, const Value& right) {
    const auto misfit = [&]() -> Value {
        fail(location,
             fmt::format("cannot {} {} and {}", verb(operation), kind_name(left), kind_name(right)));
    };
    const auto by_coordinate = [operation](const Position& a, const Position& b) -> Value {
        return Position{operate(operation, a.x, b.x), operate(operation, a.y, b.y)};
    };
    const bool additive = operation == '+' || operation == '-';
    const auto fitting = Overloaded{
        [&](double a, double b) -> Value { return operate(operation, a, b); },
        [&](const Position& a, const Position& b) { return additive ? by_coordinate(a, b) : misfit(); },
        [&](const Position& a, double b) {
            return additive ? misfit() : by_coordinate(a, {b, b});
        },
        [&](double a, const Position& b) {
            return operation == '*' ? by_coordinate({a, a}, b) : misfit();
        },
        [&](const std::string& a, const std::string& b) -> Value {
            return operation == '+' ? joined(location, a, b) : misfit();
        },
        [&](const std::string& a, double b) -> Value {
            return operation == '+' ? joined(location, a, shortest(b)) : misfit();
        },
        [&](double a, const std::string& b) -> Value {
            return operation == '+' ? joined(location, shortest(a), b) : misfit();
        },
        [&](const auto&, const auto&) { return misfit(); },
    };
    if (operation == '/' && right == Value(0.0)) fail(location, "division by zero");
    return std::visit(fitting, left, right);
}

class Evaluator {
  public:
    Evaluator(const Location& location, const Definitions& names) : location_(location), names_(names) {}

    Value operator()(const NumberLiteral& literal) const { return literal.value; }

    Value operator()(const ColourLiteral& literal) const { return literal.value; }

    Value operator()(const TextLiteral& literal) const { return literal.value; }

    Value operator()(const Name& name) const {
        if (const auto found = names_.find(name.text); found != names_.end()) return found->second.value;
        if (const auto colour = css_colour(name.text)) return *colour;
        if (name.text == "harbour") {
            static const Shared<Palette> harbour = default_palette();
            return harbour;
        }
        const bool of_frames = name.text == "frame" || name.text == "time";
        fail(location_,
             fmt::format("{} is neither defined above nor the name of a colour{}", base::in_quotes(name.text),
                         of_frames ? "; a statement such as frames 50 rate 25 defines it" : ""));
    }

    Value operator()(const PointLiteral& literal) const {
        return Position{number(*literal.x), number(*literal.y)};
    }

    Value operator()(const Member& member) const {
        const Value whole = evaluate(*member.whole, names_);
        if (const auto* const palette = std::get_if<Shared<Palette>>(&whole)) {
            if (const auto colour = (*palette)->find(member.name)) return *colour;
            fail(location_, fmt::format("the palette has no colour {}", base::in_quotes(member.name)));
        }
        const auto* const point = std::get_if<Position>(&whole);
        if (point != nullptr && member.name != "x" && member.name != "y")
            fail(location_, fmt::format("points have x and y, not {}", base::in_quotes(member.name)));
        if (point == nullptr)
            fail(location_,
                 fmt::format("only a point has .x and .y, and only a palette has colours; this is {}",
                             kind_name(whole)));
        return member.name == "x" ? point->x : point->y;
    }

    Value operator()(const Call& call) const {
        const Function& function = *std::ranges::find(functions, call.function, &Function::name);
        const std::size_t count = call.arguments.size();
        if (count < function.least || count > function.most)
            fail(location_,
                 fmt::format("{}() has {} values, not {}{}", function.name, count, function.least,
                             function.most > function.least ? fmt::format(" or {}", function.most) : ""));
        return at_place(location_, [&] { return result_of(call); });
    }

    Value operator()(const Negation& negation) const {
        return operate(location_, '*', -1.0, evaluate(*negation.operand, names_));
    }

    Value operator()(const BinaryOperation& operation) const {
        const Value left = evaluate(*operation.left, names_);
        return operate(location_, operation.operation, left, evaluate(*operation.right, names_));
    }

  private:
    [[nodiscard]] Value result_of(const Call& call) const {
        const auto colour_at = [&](std::size_t i) { return colour_value(*call.arguments[i], names_); };
        const auto share_at = [&](std::size_t i, double otherwise) {
            return i < call.arguments.size() ? number(*call.arguments[i]) : otherwise;
        };
        if (call.function == "mix") return mix(colour_at(0), colour_at(1), share_at(2, 0.5));
        if (call.function == "lighter") return lighter(colour_at(0), share_at(1, 0));
        if (call.function == "darker") return darker(colour_at(0), share_at(1, 0));
        if (call.function == "digits" || call.function == "signed")
            return number_text(call.function, numbers_of(call));
        if (call.function != "rgb" && call.function != "hsl")
            return number_function(call.function, numbers_of(call));
        // rgb and hsl mean what they mean in the text of a colour.
        return colour(fmt::format("{}({}, {}, {}, {})", call.function, number(*call.arguments[0]),
                                  number(*call.arguments[1]), number(*call.arguments[2]), share_at(3, 1)));
    }

    [[nodiscard]] std::vector<double> numbers_of(const Call& call) const {
        std::vector<double> values;
        values.reserve(call.arguments.size());
        for (const ExpressionPtr& argument : call.arguments) values.push_back(number(*argument));
        return values;
    }

    [[nodiscard]] double number(const Expression& expression) const {
        const Value value = evaluate(expression, names_);
        if (const auto* const result = std::get_if<double>(&value)) return *result;
        fail(expression.location, fmt::format("expected a number, not {}", kind_name(value)));
    }

    Location location_;
    const Definitions& names_;
};

/// Rounds to a whole number, halves up, and checks its range.
std::int32_t whole(const Location& location, std::string_view what, double value, std::int32_t low,
                   std::int32_t high) {
    const double rounded = std::floor(value + 0.5);
    if (rounded < low || rounded > high)
        fail(location, fmt::format("{} {} is outside {}..{}", what, value, low, high));
    return static_cast<std::int32_t>(rounded);
}

} // namespace

Value evaluate(const Expression& expression, const Definitions& names) {
    return finite(expression.location, std::visit(Evaluator(expression.location, names), expression.form));
}

Colour colour_value(const Expression& expression, const Definitions& names) {
    const Value value = evaluate(expression, names);
    if (const auto* const result = std::get_if<Colour>(&value)) return *result;
    fail(expression.location, fmt::format("expected a colour, not {}", kind_name(value)));
}

std::int32_t pixels(const Expression& expression, const Definitions& names, std::string_view what,
                    std::int32_t low, std::int32_t high) {
    const Value value = evaluate(expression, names);
    if (const auto* const number = std::get_if<double>(&value))
        return whole(expression.location, what, *number, low, high);
    fail(expression.location, fmt::format("expected a number for the {}, not {}", what, kind_name(value)));
}

double number(const Expression& expression, const Definitions& names, std::string_view what) {
    const Value value = evaluate(expression, names);
    const auto* const result = std::get_if<double>(&value);
    if (result == nullptr)
        fail(expression.location,
             fmt::format("expected a number for the {}, not {}", what, kind_name(value)));
    return *result;
}

double share(const Expression& expression, const Definitions& names, std::string_view what) {
    const double result = number(expression, names, what);
    at_place(expression.location, [&] { base::check_share(what, result); });
    return result;
}

std::string text_value(const Expression& expression, const Definitions& names) {
    Value value = evaluate(expression, names);
    if (auto* const text = std::get_if<std::string>(&value)) return std::move(*text);
    if (const auto* const number = std::get_if<double>(&value)) return shortest(*number);
    fail(expression.location, fmt::format("expected a text, not {}", kind_name(value)));
}

Position position(const Expression& expression, const Definitions& names) {
    const Value value = evaluate(expression, names);
    const auto* const point = std::get_if<Position>(&value);
    if (point == nullptr)
        fail(expression.location, fmt::format("expected a point (x, y), not {}", kind_name(value)));
    return *point;
}

Point pixel(const Expression& expression, const Definitions& names) {
    const Position point = position(expression, names);
    const auto coordinate = [&](std::string_view axis, double place) {
        return whole(expression.location, axis, place, base::first_coordinate, base::last_coordinate);
    };
    return {coordinate("x", point.x), coordinate("y", point.y)};
}

} // namespace coldbrick::sheet
