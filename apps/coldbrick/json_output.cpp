#include "json_output.hpp"

#include <fmt/format.h>

void print_json(const nlohmann::ordered_json& value) {
    constexpr int indent = 2;
    fmt::print("{}\n", value.dump(indent, ' ', false, nlohmann::json::error_handler_t::replace));
}

nlohmann::ordered_json json_of(const coldbrick::Point& point) {
    return {{"x", point.x}, {"y", point.y}};
}

nlohmann::ordered_json json_of(const coldbrick::Box& box) {
    return {{"x", box.x}, {"y", box.y}, {"width", box.width}, {"height", box.height}};
}
