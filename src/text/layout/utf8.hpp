/// @file
/// Characters from bytes.
#pragma once

#include <cstddef>
#include <string>
#include <string_view>

namespace coldbrick::text {

constexpr char32_t replacement_character = 0xFFFD;

struct Decoded {
    std::u32string characters;
    std::size_t replaced = 0; ///< how many stretches of bytes were no UTF-8
};

/// The characters of UTF-8. What is none becomes U+FFFD, one for each longest part of a character that breaks
/// off, as The Unicode Standard 15.0 recommends in section 3.9.
Decoded decode_utf8(std::string_view bytes);

/// A character as UTF-8. @param character a Unicode scalar value
std::string encode_utf8(char32_t character);

} // namespace coldbrick::text
