#include "sheet/running/operations.hpp"

#include <fmt/core.h>

#include <algorithm>
#include <cstddef>
#include <string>
#include <string_view>

namespace coldbrick::sheet {

namespace {

std::string_view verb(Operation operation) {
    switch (operation) {
    case Operation::add: return "add";
    case Operation::subtract: return "subtract";
    case Operation::multiply: return "multiply";
    case Operation::divide: return "divide";
    default: return "compare";
    }
}

[[noreturn]] void fail_misfit(const Location& location, Operation operation, const Value& left,
                              const Value& right) {
    fail(location, fmt::format("cannot {} {} and {}", verb(operation), kind_name(left), kind_name(right)));
}

double worked_out(Operation operation, double left, double right) {
    switch (operation) {
    case Operation::add: return left + right;
    case Operation::subtract: return left - right;
    case Operation::multiply: return left * right;
    default: return left / right;
    }
}

Position by_coordinate(Operation operation, const Position& a, const Position& b) {
    return {worked_out(operation, a.x, b.x), worked_out(operation, a.y, b.y)};
}

/// Texts one after the other. Those that grow without end are most likely a mistake.
std::string joined(const Location& location, std::string left, std::string_view right) {
    constexpr std::size_t longest = std::size_t{1} << 20;
    if (left.size() + right.size() > longest)
        fail(location, fmt::format("the text would have more than {} bytes", longest));
    return left.append(right);
}

bool compared(Operation operation, double left, double right) {
    switch (operation) {
    case Operation::below: return left < right;
    case Operation::at_most: return left <= right;
    case Operation::above: return left > right;
    default: return left >= right;
    }
}

/// Each value of a list that is looked at takes a step.
bool are_equal(const Location& location, const Value& left, const Value& right, const Context& context) {
    const auto* const a = std::get_if<List>(&left);
    const auto* const b = std::get_if<List>(&right);
    if (a == nullptr || b == nullptr) return left == right;
    context.take_steps(std::min((*a)->size(), (*b)->size()), location);
    return std::ranges::equal(**a, **b, [&](const Value& one, const Value& other) {
        return are_equal(location, one, other, context);
    });
}

Value of_points(const Location& location, Operation operation, const Value& left, const Value& right) {
    const auto* const a = std::get_if<Position>(&left);
    const auto* const b = std::get_if<Position>(&right);
    const bool additive = operation == Operation::add || operation == Operation::subtract;
    if (a != nullptr && b != nullptr && additive) return by_coordinate(operation, *a, *b);
    const auto* const times = std::get_if<double>(a != nullptr ? &right : &left);
    if (times != nullptr && a != nullptr && !additive) return by_coordinate(operation, *a, {*times, *times});
    if (times != nullptr && b != nullptr && operation == Operation::multiply)
        return by_coordinate(operation, {*times, *times}, *b);
    fail_misfit(location, operation, left, right);
}

Value arithmetic(const Location& location, Operation operation, const Value& left, const Value& right) {
    if (operation == Operation::divide && right == Value(0.0)) fail(location, "division by zero");
    const auto* const a = std::get_if<double>(&left);
    const auto* const b = std::get_if<double>(&right);
    if (a != nullptr && b != nullptr) return worked_out(operation, *a, *b);
    const auto* const box = std::get_if<RealBox>(&left);
    const auto* const way = std::get_if<Position>(&right);
    if (box != nullptr && way != nullptr && (operation == Operation::add || operation == Operation::subtract))
        return RealBox{worked_out(operation, box->x, way->x), worked_out(operation, box->y, way->y),
                       box->width, box->height};
    if (std::holds_alternative<Position>(left) || std::holds_alternative<Position>(right))
        if (!std::holds_alternative<std::string>(left) && !std::holds_alternative<std::string>(right))
            return of_points(location, operation, left, right);
    const bool has_text =
        std::holds_alternative<std::string>(left) || std::holds_alternative<std::string>(right);
    if (operation == Operation::add && has_text)
        if (auto first = written(left))
            if (const auto second = written(right)) return joined(location, std::move(*first), *second);
    fail_misfit(location, operation, left, right);
}

} // namespace

Value operate(const Location& location, Operation operation, const Value& left, const Value& right,
              const Context& context) {
    if (operation <= Operation::divide) return arithmetic(location, operation, left, right);
    if (operation == Operation::equal || operation == Operation::unequal) {
        if (left.index() != right.index()) fail_misfit(location, operation, left, right);
        return are_equal(location, left, right, context) == (operation == Operation::equal);
    }
    const auto* const a = std::get_if<double>(&left);
    const auto* const b = std::get_if<double>(&right);
    if (a == nullptr || b == nullptr) fail_misfit(location, operation, left, right);
    return compared(operation, *a, *b);
}

Value negated(const Location& location, const Value& value) {
    return arithmetic(location, Operation::multiply, -1.0, value);
}

} // namespace coldbrick::sheet
