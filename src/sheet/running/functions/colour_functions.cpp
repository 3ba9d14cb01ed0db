#include "sheet/running/functions.hpp"

#include <coldbrick/colour_mixing.hpp>
#include <coldbrick/colour_text.hpp>

#include <fmt/core.h>

#include <string>

namespace coldbrick::sheet {

namespace {

/// rgb and hsl mean what they mean in the text of a colour.
Colour of_channels(const char* name, const Arguments& a) {
    return colour(
        fmt::format("{}({}, {}, {}, {})", name, a.number(0), a.number(1), a.number(2), a.number(3, 1)));
}

/// So far on the way from one number, point or colour to another.
Value between(const Arguments& a) {
    const double share = a.number(2, 0.5);
    if (std::holds_alternative<double>(a.value(0))) return a.number(0) + share * (a.number(1) - a.number(0));
    if (!std::holds_alternative<Position>(a.value(0))) return mix(a.colour(0), a.colour(1), share);
    const Position from = a.position(0);
    const Position to = a.position(1);
    return Position{from.x + share * (to.x - from.x), from.y + share * (to.y - from.y)};
}

/// Of one number for all three channels.
Colour gray(const Arguments& a) {
    return colour(fmt::format("rgb({0}, {0}, {0}, {1})", a.number(0), a.number(1, 1)));
}

Value read_colour(const Arguments& a) {
    const auto* const text = std::get_if<std::string>(&a.value(0));
    if (text == nullptr) a.fail_expecting(0, "a text");
    return colour(*text);
}

constexpr Function table_of_colours[] = {
    {"rgb", 3, 4, [](Arguments& a) -> Value { return of_channels("rgb", a); }},
    {"gray", 1, 2, [](Arguments& a) -> Value { return gray(a); }},
    {"hsl", 3, 4, [](Arguments& a) -> Value { return of_channels("hsl", a); }},
    {"mix", 2, 3, [](Arguments& a) { return between(a); }},
    {"lighter", 2, 2, [](Arguments& a) -> Value { return lighter(a.colour(0), a.number(1)); }},
    {"darker", 2, 2, [](Arguments& a) -> Value { return darker(a.colour(0), a.number(1)); }},
    {"colour", 1, 1, [](Arguments& a) { return read_colour(a); }},
};

} // namespace

std::span<const Function> colour_functions() {
    return table_of_colours;
}

} // namespace coldbrick::sheet
