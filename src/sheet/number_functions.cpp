#include "sheet/number_functions.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <bit>
#include <cmath>
#include <cstdint>
#include <numbers>
#include <string>

namespace coldbrick::sheet {

namespace {

/// What is left of a number, from 0 up to the divisor.
double modulo(double number, double divisor) {
    if (!(divisor > 0)) throw ArgumentError(fmt::format("the divisor {} of mod is not above 0", divisor));
    const double left = std::fmod(number, divisor);
    return left < 0 ? left + divisor : left;
}

double sine(double degrees) {
    const double reduced = modulo(degrees, 360);
    if (reduced == 0 || reduced == 180) return 0;
    return std::sin(reduced * std::numbers::pi / 180);
}

double bounce(double way, double low, double high) {
    if (!(low <= high))
        throw ArgumentError(fmt::format("bounce has a lower end {} above the upper one {}", low, high));
    if (low == high) return low;
    const double length = high - low;
    const double there_and_back = modulo(way - low, 2 * length);
    return low + (there_and_back <= length ? there_and_back : 2 * length - there_and_back);
}

std::uint64_t mixed(std::uint64_t bits) {
    bits += 0x9E3779B97F4A7C15U;
    bits = (bits ^ bits >> 30U) * 0xBF58476D1CE4E5B9U;
    bits = (bits ^ bits >> 27U) * 0x94D049BB133111EBU;
    return bits ^ bits >> 31U;
}

double chance(double seed, double which) {
    const auto bits_of = [](double number) { return std::bit_cast<std::uint64_t>(number + 0.0); }; // -0 is 0
    const std::uint64_t bits = mixed(mixed(bits_of(seed)) ^ bits_of(which));
    return static_cast<double>(bits >> 11U) * 0x1p-53;
}

/// A whole number of digits. @throws ArgumentError outside the range.
int count_of(std::string_view what, double number, int low, int high) {
    if (!(number >= low && number <= high) || number != std::floor(number))
        throw ArgumentError(fmt::format("{} {} is not a whole number of {}..{}", what, number, low, high));
    return static_cast<int>(number);
}

} // namespace

std::string number_text(std::string_view name, std::span<const double> values) {
    constexpr double largest = 1e15; // beyond, digits after the point mean nothing
    const double number = values[0];
    if (!(std::abs(number) <= largest))
        throw ArgumentError(
            fmt::format("number {} to be written is outside {}..{}", number, -largest, largest));
    const int after = count_of("number of digits after the point", values[1], 0, 15);
    const int before =
        values.size() > 2 ? count_of("number of digits before the point", values[2], 1, 20) : 1;
    const int width = before + (after > 0 ? 1 + after : 0);
    const std::string digits = fmt::format("{:0{}.{}f}", std::abs(number), width, after);
    const bool is_zero = digits.find_first_not_of("0.") == std::string::npos;
    if (number < 0 && !is_zero) return "\u2212" + digits; // a minus is as wide as a plus
    return name == "signed" ? "+" + digits : digits;
}

double number_function(std::string_view name, std::span<const double> values) {
    if (name == "sin") return sine(values[0]);
    if (name == "cos") return sine(values[0] + 90);
    if (name == "mod") return modulo(values[0], values[1]);
    if (name == "bounce") return bounce(values[0], values[1], values[2]);
    return chance(values[0], values[1]);
}

} // namespace coldbrick::sheet
