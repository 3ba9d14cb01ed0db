#include "text/layout/utf8.hpp"

#include <cstdint>

namespace coldbrick::text {

namespace {

/// The bytes that may follow a first one, by The Unicode Standard 15.0, table 3-7.
struct Sequence {
    std::size_t length = 0; ///< 0 if no character begins so
    std::uint8_t second_first = 0x80;
    std::uint8_t second_last = 0xBF;
};

Sequence sequence_after(std::uint8_t first) {
    if (first < 0x80) return {1};
    if (first < 0xC2) return {};
    if (first < 0xE0) return {2};
    if (first == 0xE0) return {3, 0xA0, 0xBF};
    if (first == 0xED) return {3, 0x80, 0x9F};
    if (first < 0xF0) return {3};
    if (first == 0xF0) return {4, 0x90, 0xBF};
    if (first < 0xF4) return {4};
    if (first == 0xF4) return {4, 0x80, 0x8F};
    return {};
}

} // namespace

Decoded decode_utf8(std::string_view bytes) {
    Decoded result;
    result.characters.reserve(bytes.size());
    for (std::size_t i = 0; i < bytes.size();) {
        const auto byte = [&](std::size_t at) { return static_cast<std::uint8_t>(bytes[at]); };
        const Sequence sequence = sequence_after(byte(i));
        char32_t character = sequence.length <= 1 ? byte(i) : byte(i) & (0x7FU >> sequence.length);
        std::size_t count = 1;
        for (; count < sequence.length && i + count < bytes.size(); ++count) {
            const std::uint8_t next = byte(i + count);
            const bool fits = count == 1 ? next >= sequence.second_first && next <= sequence.second_last
                                         : (next & 0xC0U) == 0x80;
            if (!fits) break;
            character = character << 6U | (next & 0x3FU);
        }
        if (sequence.length == 0 || count < sequence.length) {
            character = replacement_character;
            ++result.replaced;
        }
        result.characters.push_back(character);
        i += count;
    }
    return result;
}

std::string encode_utf8(char32_t character) {
    if (character < 0x80) return {static_cast<char>(character)};
    std::string result;
    const std::size_t following = character < 0x800 ? 1 : character < 0x10000 ? 2 : 3;
    constexpr std::uint32_t marks[] = {0xC0, 0xE0, 0xF0}; // as many ones as there are bytes
    result.push_back(static_cast<char>(marks[following - 1] | character >> (6 * following)));
    for (std::size_t i = following; i-- > 0;)
        result.push_back(static_cast<char>(0x80U | (character >> (6 * i) & 0x3FU)));
    return result;
}

} // namespace coldbrick::text
