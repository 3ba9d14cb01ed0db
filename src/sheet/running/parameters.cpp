#include "sheet/running/parameters.hpp"

#include "base/nearest_word.hpp"
#include "base/shown_text.hpp"

#include <coldbrick/colour_text.hpp>

#include <fmt/core.h>

namespace coldbrick::sheet {

namespace {

/// As a sheet writes it.
std::string written_text(std::string_view text) {
    std::string result = "\"";
    for (const char c : text) {
        if (c == '"' || c == '\\') result += '\\';
        c == '\n' ? result.append("\\n") : result.append(1, c);
    }
    return result + '"';
}

} // namespace

SheetParameter parameter_of(std::string_view name, const Value& value) {
    using Kind = SheetParameter::Kind;
    SheetParameter result{std::string(name), Kind::other, {}, {}};
    const auto is = [&result](Kind kind, std::string text) {
        result.kind = kind;
        result.value = std::move(text);
    };
    if (const auto* const number = std::get_if<double>(&value)) is(Kind::number, shortest(*number));
    if (const auto* const truth = std::get_if<bool>(&value)) is(Kind::truth, *truth ? "true" : "false");
    if (const auto* const colour = std::get_if<Colour>(&value)) is(Kind::colour, hex(*colour));
    if (const auto* const text = std::get_if<std::string>(&value)) is(Kind::text, written_text(*text));
    if (const auto* const point = std::get_if<Position>(&value))
        is(Kind::point, fmt::format("({}, {})", shortest(point->x), shortest(point->y)));
    return result;
}

std::string no_such_parameter(std::string_view name, const std::vector<SheetParameter>& known) {
    std::vector<std::string_view> names;
    names.reserve(known.size());
    for (const SheetParameter& parameter : known) names.emplace_back(parameter.name);
    return fmt::format("no let defines {}, which is to be set: the sheet defines {}{}", base::in_quotes(name),
                       names.empty() ? "nothing" : base::list_of(names), base::did_you_mean(name, names));
}

} // namespace coldbrick::sheet
