#include "sheet/running/evaluator.hpp"

#include "base/nearest_word.hpp"
#include "base/range_checks.hpp"
#include "base/shown_text.hpp"
#include "sheet/running/functions.hpp"
#include "sheet/running/operations.hpp"
#include "sheet/running/random_bits.hpp"

#include <fmt/core.h>

#include <algorithm>
#include <cmath>
#include <iterator>
#include <utility>

namespace coldbrick::sheet {

namespace {

/// Throws unless every number of the value is finite.
Value finite(const Location& location, Value value) {
    const auto is_finite = [](const Value& one) {
        if (const auto* const number = std::get_if<double>(&one)) return std::isfinite(*number);
        if (const auto* const point = std::get_if<Position>(&one))
            return std::isfinite(point->x) && std::isfinite(point->y);
        if (const auto* const box = std::get_if<RealBox>(&one))
            return std::isfinite(box->x + box->width) && std::isfinite(box->y + box->height);
        return true;
    };
    if (!is_finite(value)) fail(location, "the result is too large a number");
    return value;
}

[[noreturn]] void fail_expecting(const Expression& expression, std::string_view kind, const Value& found) {
    fail(expression.location, fmt::format("expected {}, not {}", kind, kind_name(found)));
}

std::optional<Value> member_of_box(const RealBox& box, std::string_view name) {
    if (name == "x") return box.x;
    if (name == "y") return box.y;
    if (name == "width") return box.width;
    if (name == "height") return box.height;
    if (name == "size") return Position{box.width, box.height};
    const auto* const anchor = std::ranges::find(anchors, name, &Choice<Anchor>::word);
    if (anchor != std::end(anchors)) return box.at(anchor->value);
    return std::nullopt;
}

class Evaluator {
  public:
    Evaluator(const Location& location, const Context& context) : location_(location), context_(context) {}

    Value operator()(const Constant& constant) const { return constant.value; }

    Value operator()(const Name& name) const {
        const Value& value = context_.value(name.slot);
        if (std::holds_alternative<Missing>(value)) throw FollowsAFault();
        constexpr std::size_t bytes_a_step = 256;
        if (const auto* const text = std::get_if<std::string>(&value))
            context_.take_steps(text->size() / bytes_a_step, location_);
        return value;
    }

    Value operator()(SheetMeasure measure) const {
        context_.check_has_size(location_);
        const RealBox box = RealBox::of(Box::of(*context_.size));
        switch (measure) {
        case SheetMeasure::width: return box.width;
        case SheetMeasure::height: return box.height;
        case SheetMeasure::centre: return box.at(0.5, 0.5);
        default: return box;
        }
    }

    Value operator()(const PointLiteral& literal) const {
        return Position{number_of(*literal.x), number_of(*literal.y)};
    }

    Value operator()(const ListLiteral& literal) const {
        context_.take_steps(literal.values.size(), location_);
        std::vector<Value> values;
        values.reserve(literal.values.size());
        constexpr int deepest = 16; // taking them apart must not use up the stack
        for (const ExpressionPtr& value : literal.values) {
            values.push_back(evaluate(*value, context_));
            constexpr std::size_t bytes_a_step = 16; // of what stays
            if (const auto* const text = std::get_if<std::string>(&values.back()))
                context_.take_steps(text->size() / bytes_a_step, value->location);
            const auto* const list = std::get_if<List>(&values.back());
            if (list != nullptr && (*list)->depth >= deepest)
                fail(value->location, fmt::format("lists are more than {} deep within each other", deepest));
        }
        return list_of(std::move(values));
    }

    Value operator()(const Member& member) const {
        const Value whole = evaluate(*member.whole, context_);
        if (const auto* const point = std::get_if<Position>(&whole)) {
            if (member.name == "x") return point->x;
            if (member.name == "y") return point->y;
            fail(location_, fmt::format("points have x and y, not {}", base::in_quotes(member.name)));
        }
        if (const auto* const palette = std::get_if<Shared<Palette>>(&whole)) {
            if (const auto colour = (*palette)->find(member.name)) return *colour;
            fail(location_, fmt::format("the palette has no colour {}", base::in_quotes(member.name)));
        }
        if (const auto* const row = std::get_if<Row>(&whole)) return column_of(**row, member.name);
        if (const auto box = box_of(whole)) {
            if (auto result = member_of_box(*box, member.name)) return *result;
            fail(location_, fmt::format("boxes have x, y, width, height, size and anchors such as centre or "
                                        "bottom_left, not {}",
                                        base::in_quotes(member.name)));
        }
        fail(location_,
             fmt::format("only points, boxes, palettes, rows of data and what is drawn have parts; "
                         "this is {}",
                         kind_name(whole)));
    }

    Value operator()(const Item& item) const {
        const Value whole = evaluate(*item.list, context_);
        if (const auto* const palette = std::get_if<Shared<Palette>>(&whole))
            return (*palette)->at(place_in(item, (*palette)->size()));
        const auto* const values = std::get_if<List>(&whole);
        if (values == nullptr) fail_expecting(*item.list, "a list", whole);
        return (**values)[place_in(item, (*values)->size())];
    }

    Value operator()(const Call& call) const {
        std::vector<Value> values;
        std::vector<Location> places;
        values.reserve(call.arguments.size());
        places.reserve(call.arguments.size());
        for (const ExpressionPtr& argument : call.arguments) {
            values.push_back(evaluate(*argument, context_));
            places.push_back(argument->location);
        }
        Arguments arguments(context_, location_, values, places, mixed_bits(context_.chance, call.number));
        return at_place(location_, [&] { return call.function->work(arguments); });
    }

    Value operator()(const UnaryOperation& operation) const {
        if (operation.is_not) return !truth(*operation.operand, context_);
        return negated(location_, evaluate(*operation.operand, context_));
    }

    Value operator()(const BinaryOperation& operation) const {
        // The right side of these counts only if the left one does not tell already.
        if (operation.operation == Operation::conjunction)
            return truth(*operation.left, context_) && truth(*operation.right, context_);
        if (operation.operation == Operation::disjunction)
            return truth(*operation.left, context_) || truth(*operation.right, context_);
        const Value left = evaluate(*operation.left, context_);
        return operate(location_, operation.operation, left, evaluate(*operation.right, context_), context_);
    }

    Value operator()(const Alternative& alternative) const {
        return evaluate(truth(*alternative.condition, context_) ? *alternative.then : *alternative.otherwise,
                        context_);
    }

  private:
    [[nodiscard]] double number_of(const Expression& expression) const {
        const Value value = evaluate(expression, context_);
        if (const auto* const result = std::get_if<double>(&value)) return *result;
        fail_expecting(expression, "a number", value);
    }

    /// A whole number below the count.
    [[nodiscard]] std::size_t place_in(const Item& item, std::size_t count) const {
        const Location& location = item.number->location;
        const double number = number_of(*item.number);
        if (count == 0) fail(location, "the list is empty");
        if (!(number >= 0 && number < static_cast<double>(count)) || number != std::floor(number))
            fail(location, fmt::format("{} is none of the list's places 0..{}", number, count - 1));
        return static_cast<std::size_t>(number);
    }

    [[nodiscard]] Value column_of(const DataRow& row, const std::string& name) const {
        const auto found = std::ranges::find(*row.columns, name);
        if (found != row.columns->end())
            return row.values[static_cast<std::size_t>(found - row.columns->begin())];
        const std::vector<std::string_view> known(row.columns->begin(), row.columns->end());
        fail(location_, fmt::format("the data have the columns {}, not {}{}", base::list_of(known),
                                    base::in_quotes(name), base::did_you_mean(name, known)));
    }

    Location location_;
    const Context& context_;
};

} // namespace

std::int32_t whole_number(const Location& location, std::string_view what, double value, std::int32_t low,
                          std::int32_t high) {
    const double rounded = std::floor(value + 0.5);
    if (!(rounded >= low && rounded <= high))
        fail(location, fmt::format("{} {} is outside {}..{}", what, value, low, high));
    return static_cast<std::int32_t>(rounded);
}

Value evaluate(const Expression& expression, const Context& context) {
    return finite(expression.location, std::visit(Evaluator(expression.location, context), expression.form));
}

Colour colour_value(const Expression& expression, const Context& context) {
    const Value value = evaluate(expression, context);
    if (const auto* const result = std::get_if<Colour>(&value)) return *result;
    const bool is_gray = std::holds_alternative<double>(value);
    const bool is_list = std::holds_alternative<List>(value);
    fail(expression.location, fmt::format("expected a colour, not {}{}", kind_name(value),
                                          is_gray   ? "; a gray of 0 to 255 is gray(128)"
                                          : is_list ? "; a colour of three numbers is rgb(255, 204, 0)"
                                                    : ""));
}

bool truth(const Expression& expression, const Context& context) {
    const Value value = evaluate(expression, context);
    if (const auto* const result = std::get_if<bool>(&value)) return *result;
    fail_expecting(expression, "true or false", value);
}

std::int32_t pixels(const Expression& expression, const Context& context, std::string_view what,
                    std::int32_t low, std::int32_t high) {
    return whole_number(expression.location, what, number(expression, context, what), low, high);
}

double number(const Expression& expression, const Context& context, std::string_view what) {
    const Value value = evaluate(expression, context);
    if (const auto* const result = std::get_if<double>(&value)) return *result;
    fail_expecting(expression, fmt::format("a number for the {}", what), value);
}

double share(const Expression& expression, const Context& context, std::string_view what) {
    const double result = number(expression, context, what);
    at_place(expression.location, [&] { base::check_share(what, result); });
    return result;
}

std::string text_value(const Expression& expression, const Context& context) {
    const Value value = evaluate(expression, context);
    if (auto result = written(value)) return std::move(*result);
    fail_expecting(expression, "a text", value);
}

Position position(const Expression& expression, const Context& context) {
    const Value value = evaluate(expression, context);
    if (const auto* const result = std::get_if<Position>(&value)) return *result;
    fail_expecting(expression, "a point (x, y)", value);
}

Position moved_position(const Expression& expression, const Context& context) {
    return context.placing.moved(position(expression, context));
}

Point pixel(const Expression& expression, const Context& context) {
    return pixel(expression.location, moved_position(expression, context));
}

Point placed_pixel(const Expression& expression, const Context& context) {
    return pixel(expression.location, context.placing(position(expression, context)));
}

Point pixel(const Location& location, const Position& position) {
    const auto coordinate = [&](std::string_view axis, double place) {
        return whole_number(location, axis, place, base::first_coordinate, base::last_coordinate);
    };
    return {coordinate("x", position.x), coordinate("y", position.y)};
}

RealBox box_value(const Expression& expression, const Context& context) {
    const Value value = evaluate(expression, context);
    if (const auto result = box_of(value)) return *result;
    fail_expecting(expression, "a box", value);
}

Box whole_box(const Location& location, const RealBox& box) {
    const Point corner = pixel(location, {box.x, box.y});
    return {corner.x, corner.y, whole_number(location, "width", box.width, 0, base::last_coordinate),
            whole_number(location, "height", box.height, 0, base::last_coordinate)};
}

Size size_value(const SizeWords& words, const Context& context, std::int32_t least) {
    if (words.height)
        return {pixels(*words.width, context, "width", least),
                pixels(*words.height, context, "height", least)};
    const Expression& both = *words.width;
    const Value value = evaluate(both, context);
    const auto* const size = std::get_if<Position>(&value);
    if (size == nullptr) fail_expecting(both, "a size: WIDTH x HEIGHT, or a point of both", value);
    return {whole_number(both.location, "width", size->x, least, base::last_coordinate),
            whole_number(both.location, "height", size->y, least, base::last_coordinate)};
}

} // namespace coldbrick::sheet
