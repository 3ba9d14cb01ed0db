#include <coldbrick/colour.hpp>

#include "paint/colour_names.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <array>

namespace coldbrick {

namespace {

constexpr char lower(char c) {
    return c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c;
}

/// The value of a hexadecimal digit, or -1.
constexpr int digit_value(char c) {
    if (c >= '0' && c <= '9') return c - '0';
    const char letter = lower(c);
    return letter >= 'a' && letter <= 'f' ? letter - 'a' + 10 : -1;
}

/// The colour of the digits after the `#`, if they are 3, 4, 6 or 8 hexadecimal ones.
std::optional<Colour> hex_colour(std::string_view digits) {
    const bool doubled = digits.size() == 3 || digits.size() == 4;
    if (!doubled && digits.size() != 6 && digits.size() != 8) return std::nullopt;
    if (std::ranges::any_of(digits, [](char c) { return digit_value(c) < 0; })) return std::nullopt;
    std::array<int, 4> channels{0, 0, 0, 255};
    const std::size_t digits_a_channel = doubled ? 1 : 2;
    for (std::size_t i = 0; i * digits_a_channel < digits.size(); ++i) {
        const int high = digit_value(digits[i * digits_a_channel]);
        const int low = digit_value(digits[i * digits_a_channel + digits_a_channel - 1]);
        channels[i] = 16 * high + low;
    }
    return Colour(channels[0], channels[1], channels[2], channels[3]);
}

} // namespace

void throw_channel_out_of_range(const char* channel, int value) {
    throw ArgumentError(fmt::format("colour channel {} {} is outside 0..255", channel, value));
}

std::optional<Colour> css_colour(std::string_view name) {
    std::string wanted(name);
    std::ranges::transform(wanted, wanted.begin(), lower);
    const auto names = paint::named_colours();
    const auto found = std::ranges::lower_bound(names, wanted, {}, &paint::NamedColour::name);
    if (found == names.end() || found->name != wanted) return std::nullopt;
    return found->colour;
}

Colour colour(std::string_view text) {
    const std::optional<Colour> found = text.starts_with('#') ? hex_colour(text.substr(1)) : css_colour(text);
    if (!found)
        throw ArgumentError(fmt::format(
            "\"{}\" is not a colour: write # and 3, 4, 6 or 8 hexadecimal digits, or a CSS colour name",
            text));
    return *found;
}

std::string hex(const Colour& colour) {
    const std::string opaque = fmt::format("#{:02x}{:02x}{:02x}", colour.red, colour.green, colour.blue);
    return colour.alpha == 255 ? opaque : fmt::format("{}{:02x}", opaque, colour.alpha);
}

} // namespace coldbrick
