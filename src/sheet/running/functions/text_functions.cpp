#include "sheet/running/functions.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <cmath>
#include <string>

namespace coldbrick::sheet {

namespace {

/// A whole number of digits. @throws ArgumentError outside the range.
int count_of(std::string_view what, double number, int low, int high) {
    if (!(number >= low && number <= high) || number != std::floor(number))
        throw ArgumentError(fmt::format("{} {} is not a whole number of {}..{}", what, number, low, high));
    return static_cast<int>(number);
}

/// A number written with some digits after the point and at least some before it.
std::string number_text(const Arguments& a, bool always_signed) {
    constexpr double largest = 1e15; // beyond, digits after the point mean nothing
    const double number = a.number(0);
    if (!(std::abs(number) <= largest))
        throw ArgumentError(
            fmt::format("number {} to be written is outside {}..{}", number, -largest, largest));
    const int after = count_of("number of digits after the point", a.number(1), 0, 15);
    const int before = count_of("number of digits before the point", a.number(2, 1), 1, 20);
    const int width = before + (after > 0 ? 1 + after : 0);
    const std::string digits = fmt::format("{:0{}.{}f}", std::abs(number), width, after);
    const bool is_zero = digits.find_first_not_of("0.") == std::string::npos;
    if (number < 0 && !is_zero) return "\u2212" + digits; // a minus is as wide as a plus
    return always_signed ? "+" + digits : digits;
}

constexpr Function table_of_texts[] = {
    {"digits", 2, 3, [](Arguments& a) -> Value { return number_text(a, false); }},
    {"signed", 2, 3, [](Arguments& a) -> Value { return number_text(a, true); }},
};

} // namespace

std::span<const Function> text_functions() {
    return table_of_texts;
}

} // namespace coldbrick::sheet
