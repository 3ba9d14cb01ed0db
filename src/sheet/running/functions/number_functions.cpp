#include "sheet/running/functions.hpp"
#include "sheet/running/random_bits.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <bit>
#include <cmath>
#include <numbers>

namespace coldbrick::sheet {

namespace {

/// What is left of a number, from 0 up to the divisor.
double modulo(double number, double divisor) {
    if (!(divisor > 0)) throw ArgumentError(fmt::format("the divisor {} of mod is not above 0", divisor));
    const double left = std::fmod(number, divisor);
    return left < 0 ? left + divisor : left;
}

/// Exact at quarter turns.
double sine(double degrees) {
    const double reduced = modulo(degrees, 360);
    if (reduced == 0 || reduced == 180) return 0;
    return std::sin(reduced * std::numbers::pi / 180);
}

/// A number that goes on and on, turned back at both of two ends.
double bounce(double way, double low, double high) {
    if (!(low <= high))
        throw ArgumentError(fmt::format("bounce has a lower end {} above the upper one {}", low, high));
    if (low == high) return low;
    const double length = high - low;
    const double there_and_back = modulo(way - low, 2 * length);
    return low + (there_and_back <= length ? there_and_back : 2 * length - there_and_back);
}

/// Decided by the two numbers alone.
double chance(double seed, double which) {
    const auto bits_of = [](double number) { return std::bit_cast<std::uint64_t>(number + 0.0); }; // -0 is 0
    return share_of_bits(mixed_bits(bits_of(seed), bits_of(which)));
}

double root(double number) {
    if (number < 0) throw ArgumentError(fmt::format("the square root of {} is no number", number));
    return std::sqrt(number);
}

double clamped(double number, double low, double high) {
    if (!(low <= high))
        throw ArgumentError(fmt::format("clamp has a lower end {} above the upper one {}", low, high));
    return std::clamp(number, low, high);
}

/// The furthest of many numbers, or of a list's.
template <class Better>
double furthest(const Arguments& arguments, Better better) {
    if (const auto* const list = std::get_if<List>(&arguments.value(0));
        list != nullptr && arguments.size() == 1) {
        if ((*list)->empty()) arguments.fail_at(0, "the list is empty");
        arguments.take_steps((*list)->size());
        double result = 0;
        for (std::size_t i = 0; i < (*list)->size(); ++i) {
            const auto* const number = std::get_if<double>(&(**list)[i]);
            if (number == nullptr)
                arguments.fail_at(
                    0, fmt::format("expected a list of numbers, not with {}", kind_name((**list)[i])));
            if (i == 0 || better(*number, result)) result = *number;
        }
        return result;
    }
    double result = arguments.number(0);
    for (std::size_t i = 1; i < arguments.size(); ++i)
        if (better(arguments.number(i), result)) result = arguments.number(i);
    return result;
}

constexpr Function table_of_numbers[] = {
    {"sin", 1, 1, [](Arguments& a) -> Value { return sine(a.number(0)); }},
    {"cos", 1, 1, [](Arguments& a) -> Value { return sine(a.number(0) + 90); }},
    {"mod", 2, 2, [](Arguments& a) -> Value { return modulo(a.number(0), a.number(1)); }},
    {"bounce", 3, 3, [](Arguments& a) -> Value { return bounce(a.number(0), a.number(1), a.number(2)); }},
    {"chance", 2, 2, [](Arguments& a) -> Value { return chance(a.number(0), a.number(1)); }},
    {"abs", 1, 1, [](Arguments& a) -> Value { return std::abs(a.number(0)); }},
    {"sqrt", 1, 1, [](Arguments& a) -> Value { return root(a.number(0)); }},
    {"floor", 1, 1, [](Arguments& a) -> Value { return std::floor(a.number(0)); }},
    {"ceil", 1, 1, [](Arguments& a) -> Value { return std::ceil(a.number(0)); }},
    {"round", 1, 1, [](Arguments& a) -> Value { return std::floor(a.number(0) + 0.5); }},
    {"min", 1, any_number, [](Arguments& a) -> Value { return furthest(a, std::less<>()); }},
    {"max", 1, any_number, [](Arguments& a) -> Value { return furthest(a, std::greater<>()); }},
    {"clamp", 3, 3, [](Arguments& a) -> Value { return clamped(a.number(0), a.number(1), a.number(2)); }},
    {"step", 2, 2, [](Arguments& a) -> Value { return a.number(0) < a.number(1) ? 0.0 : 1.0; }},
};

} // namespace

std::span<const Function> number_functions() {
    return table_of_numbers;
}

} // namespace coldbrick::sheet
