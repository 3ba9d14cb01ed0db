#include "sheet/language/words.hpp"

#include "sheet/running/random_bits.hpp"

#include <algorithm>

namespace coldbrick::sheet {

namespace {

/// The words by the lowest bits of what their texts make: of words that make the same, one after the other.
constexpr std::size_t table_size = 1024;
constexpr auto words_by_bits = [] {
    std::array<Word, table_size> result{};
    result.fill(Word::none);
    for (std::size_t i = 0; i < word_texts.size(); ++i) {
        std::size_t at = text_bits(word_texts[i]) % table_size;
        while (result[at] != Word::none) at = (at + 1) % table_size;
        result[at] = static_cast<Word>(i);
    }
    return result;
}();

} // namespace

Word word_of(std::string_view text) {
    std::size_t at = text_bits(text) % table_size;
    while (words_by_bits[at] != Word::none && text_of(words_by_bits[at]) != text) at = (at + 1) % table_size;
    return words_by_bits[at];
}

} // namespace coldbrick::sheet
