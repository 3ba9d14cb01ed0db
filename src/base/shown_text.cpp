#include "base/shown_text.hpp"

#include <fmt/core.h>

#include <algorithm>

namespace coldbrick::base {

namespace {

/// The code point of a character of this length.
char32_t code_point(std::string_view text, std::size_t length) {
    const auto byte = [text](std::size_t i) { return static_cast<unsigned char>(text[i]); };
    if (length == 1) return byte(0);
    char32_t code = byte(0) & (0x7FU >> length);
    for (std::size_t i = 1; i < length; ++i) code = code << 6U | (byte(i) & 0x3FU);
    return code;
}

bool is_control(char32_t code) {
    return code < 0x20 || (code >= 0x7F && code < 0xA0);
}

} // namespace

std::size_t character_length(std::string_view text) {
    if (text.empty()) return 0;
    const auto first = static_cast<unsigned char>(text[0]);
    if (first < 0x80) return 1;
    const std::size_t length = first >= 0xF0 ? 4 : first >= 0xE0 ? 3 : first >= 0xC0 ? 2 : 0;
    if (length == 0 || first > 0xF4 || text.size() < length) return 0;
    for (std::size_t i = 1; i < length; ++i)
        if ((static_cast<unsigned char>(text[i]) & 0xC0U) != 0x80U) return 0;
    constexpr char32_t least[] = {0, 0, 0x80, 0x800, 0x10000}; // what fewer bytes can hold is not UTF-8
    const char32_t code = code_point(text, length);
    const bool surrogate = code >= 0xD800 && code <= 0xDFFF;
    return code < least[length] || surrogate || code > 0x10FFFF ? 0 : length;
}

std::string take_shown(std::string_view& text) {
    const std::size_t length = character_length(text);
    const std::string_view taken = text.substr(0, std::max<std::size_t>(length, 1));
    text.remove_prefix(taken.size());
    if (length > 0 && !is_control(code_point(taken, length))) return std::string(taken);
    std::string result;
    for (const char byte : taken) result += fmt::format("\\x{:02x}", static_cast<unsigned char>(byte));
    return result;
}

std::string shown(std::string_view text, std::size_t most) {
    std::string result;
    for (std::size_t count = 0; !text.empty(); ++count) {
        if (count == most) return result + "...";
        result += take_shown(text);
    }
    return result;
}

std::string in_quotes(std::string_view text) {
    return '"' + shown(text) + '"';
}

} // namespace coldbrick::base
