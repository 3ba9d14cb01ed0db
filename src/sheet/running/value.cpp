#include "sheet/running/value.hpp"

#include "base/shared_state.hpp"

#include <coldbrick/colour_text.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <utility>

namespace coldbrick::sheet {

Value::Value() = default;
Value::Value(const Value& other) = default;
Value::Value(Value&& other) noexcept = default;
Value& Value::operator=(const Value& other) = default;
Value& Value::operator=(Value&& other) noexcept = default;
Value::~Value() = default;

ListValues::ListValues(std::vector<Value> values) : vector(std::move(values)) {
    for (const Value& value : *this)
        if (const auto* const list = std::get_if<List>(&value)) depth = std::max(depth, (*list)->depth + 1);
}

List list_of(std::vector<Value> values) {
    return base::share<ListValues>(std::move(values));
}

std::string_view kind_name(const Value& value) {
    constexpr std::array<std::string_view, std::variant_size_v<Value::variant>> names{
        "nothing",   "a number", "true or false", "a point",       "a colour",     "a box",
        "a palette", "a text",   "a list",        "a row of data", "a drawn item", "a style"};
    return names[value.index()];
}

std::string shortest(double number) {
    return fmt::format("{}", number + 0.0); // -0 is 0
}

std::optional<std::string> written(const Value& value) {
    if (const auto* const text = std::get_if<std::string>(&value)) return *text;
    if (const auto* const number = std::get_if<double>(&value)) return shortest(*number);
    return std::nullopt;
}

std::optional<RealBox> box_of(const Value& value) {
    if (const auto* const box = std::get_if<RealBox>(&value)) return *box;
    if (const auto* const drawn = std::get_if<Drawn>(&value)) return (*drawn)->bounds;
    return std::nullopt;
}

} // namespace coldbrick::sheet
