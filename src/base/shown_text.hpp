/// @file
/// Texts from outside, as messages show them.
#pragma once

#include <cstddef>
#include <string>
#include <string_view>

namespace coldbrick {

// Exported, since components other than the core use it, too.
namespace [[gnu::visibility("default")]] base {

/// How many bytes the text's first character takes in UTF-8: 1..4, or 0 if the bytes are not UTF-8 or there
/// are none.
std::size_t character_length(std::string_view text);

/// The code point of a text that is one character in UTF-8.
char32_t code_point(std::string_view character);

/// True of a character in UTF-8 that steers a terminal: a control character, or one that changes the
/// direction of what follows or ends a line.
bool steers_terminal(std::string_view character);

/// Takes the text's first character from it and gives it as it may be printed anywhere.
std::string take_shown(std::string_view& text);

/// The text as it may be printed anywhere: what steers a terminal (control characters, also those of
/// direction) and what is not UTF-8 becomes \xNN for each byte, and after `most` characters it is cut.
std::string shown(std::string_view text, std::size_t most = 60);

/// The same between double quotes.
std::string in_quotes(std::string_view text);

} // namespace base

} // namespace coldbrick
