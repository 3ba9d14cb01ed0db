#include "json_output.hpp"

#include "base/shown_text.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <string>
#include <string_view>

namespace {

/// JSON with what steers a terminal as \uNNNN: such characters stand in its texts only.
std::string escaped(std::string_view json) {
    std::string result;
    while (!json.empty()) {
        const std::size_t length = std::max<std::size_t>(coldbrick::base::character_length(json), 1);
        const std::string_view character = json.substr(0, length);
        const bool steers = length > 1 && coldbrick::base::steers_terminal(character);
        result +=
            steers ? fmt::format("\\u{:04x}", static_cast<unsigned>(coldbrick::base::code_point(character)))
                   : std::string(character);
        json.remove_prefix(length);
    }
    return result;
}

} // namespace

void print_json(const nlohmann::ordered_json& value) {
    constexpr int indent = 2;
    fmt::print("{}\n", escaped(value.dump(indent, ' ', false, nlohmann::json::error_handler_t::replace)));
}

nlohmann::ordered_json json_of(const coldbrick::Point& point) {
    return {{"x", point.x}, {"y", point.y}};
}

nlohmann::ordered_json json_of(const coldbrick::Box& box) {
    return {{"x", box.x}, {"y", box.y}, {"width", box.width}, {"height", box.height}};
}
