#include "base/shown_text.hpp"

#include <fmt/core.h>

#include <algorithm>

namespace coldbrick::base {

namespace {

/// True of what steers a terminal: control characters, and those that change the direction of what follows or
/// its lines.
bool is_control(char32_t code) {
    const auto between = [code](char32_t first, char32_t last) { return code >= first && code <= last; };
    return code < 0x20 || between(0x7F, 0x9F) || code == 0x61C || between(0x200E, 0x200F) ||
           between(0x2028, 0x202E) || between(0x2066, 0x2069);
}

} // namespace

char32_t code_point(std::string_view character) {
    const auto byte = [character](std::size_t i) { return static_cast<unsigned char>(character[i]); };
    if (character.size() == 1) return byte(0);
    char32_t code = byte(0) & (0x7FU >> character.size());
    for (std::size_t i = 1; i < character.size(); ++i) code = code << 6U | (byte(i) & 0x3FU);
    return code;
}

bool steers_terminal(std::string_view character) {
    return is_control(code_point(character));
}

std::size_t character_length(std::string_view text) {
    if (text.empty()) return 0;
    const auto first = static_cast<unsigned char>(text[0]);
    if (first < 0x80) return 1;
    const std::size_t length = first >= 0xF0 ? 4 : first >= 0xE0 ? 3 : first >= 0xC0 ? 2 : 0;
    if (length == 0 || first > 0xF4 || text.size() < length) return 0;
    for (std::size_t i = 1; i < length; ++i)
        if ((static_cast<unsigned char>(text[i]) & 0xC0U) != 0x80U) return 0;
    constexpr char32_t least[] = {0, 0, 0x80, 0x800, 0x10000}; // what fewer bytes can hold is not UTF-8
    const char32_t code = code_point(text.substr(0, length));
    const bool surrogate = code >= 0xD800 && code <= 0xDFFF;
    return code < least[length] || surrogate || code > 0x10FFFF ? 0 : length;
}

std::string take_shown(std::string_view& text) {
    const std::size_t length = character_length(text);
    const std::string_view taken = text.substr(0, std::max<std::size_t>(length, 1));
    text.remove_prefix(taken.size());
    if (length > 0 && !is_control(code_point(taken))) return std::string(taken);
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
