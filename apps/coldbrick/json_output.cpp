#include "json_output.hpp"

#include "base/shown_text.hpp"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <algorithm>
#include <string>
#include <string_view>

namespace coldbrick::tool {

namespace {

using Value = nlohmann::ordered_json;

/// JSON with what steers a terminal as \uNNNN: such characters stand in its texts only.
std::string escaped(std::string_view json) {
    std::string result;
    while (!json.empty()) {
        const std::size_t length = std::max<std::size_t>(base::character_length(json), 1);
        const std::string_view character = json.substr(0, length);
        const bool steers = length > 1 && base::steers_terminal(character);
        result += steers ? fmt::format("\\u{:04x}", static_cast<unsigned>(base::code_point(character)))
                         : std::string(character);
        json.remove_prefix(length);
    }
    return result;
}

} // namespace

Json::Json(bool value) : value_(std::make_unique<Value>(value)) {}
Json::Json(double value) : value_(std::make_unique<Value>(value)) {}
Json::Json(std::int64_t value) : value_(std::make_unique<Value>(value)) {}
Json::Json(std::string_view text) : value_(std::make_unique<Value>(text)) {}
Json::Json(const Point& point) : Json({{"x", point.x}, {"y", point.y}}) {}
Json::Json(const Box& box)
    : Json({{"x", box.x}, {"y", box.y}, {"width", box.width}, {"height", box.height}}) {}

Json::Json(std::initializer_list<Member> members) : value_(std::make_unique<Value>(Value::object())) {
    for (const Member& member : members) set(member.name, member.value);
}

Json::~Json() = default;
Json::Json(const Json& other) : value_(std::make_unique<Value>(*other.value_)) {}

Json Json::list() {
    Json result(false);
    *result.value_ = Value::array();
    return result;
}

void Json::add(const Json& value) {
    value_->push_back(*value.value_);
}

void Json::set(std::string_view name, const Json& value) {
    (*value_)[std::string(name)] = *value.value_;
}

void Json::add_to(std::string_view name, const Json& value) {
    (*value_)[std::string(name)].push_back(*value.value_);
}

std::string Json::text() const {
    constexpr int indent = 2;
    return escaped(value_->dump(indent, ' ', false, Value::error_handler_t::replace));
}

void print_json(const Json& value) {
    fmt::print("{}\n", value.text());
}

} // namespace coldbrick::tool
