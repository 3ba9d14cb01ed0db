/// @file
/// What somebody who mistyped a word may have meant.
#pragma once

#include <span>
#include <string>
#include <string_view>

namespace coldbrick {

// Exported, since components other than the core use it, too.
namespace [[gnu::visibility("default")]] base {

/// The known word that fewest changed, missing, added or exchanged letters make of a word, or an empty one if
/// none is near. Words beyond 40 bytes are near to none.
std::string_view nearest_word(std::string_view word, std::span<const std::string_view> known);

/// True if a row of words, with blanks between them and around them, has the word.
bool has_word(std::string_view words, std::string_view word);

/// The question that a message ends with, "; did you mean ...?", or nothing if no known word is near.
std::string did_you_mean(std::string_view word, std::span<const std::string_view> known);

/// The words with commas between them; of many, the first ten and how many more there are.
std::string list_of(std::span<const std::string_view> words);

} // namespace base

} // namespace coldbrick
