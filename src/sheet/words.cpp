#include "sheet/words.hpp"

#include <algorithm>

namespace coldbrick::sheet {

namespace {

/// The words in the order of their texts.
constexpr auto sorted_words = [] {
    std::array<Word, word_texts.size()> result{};
    for (std::size_t i = 0; i < result.size(); ++i) result[i] = static_cast<Word>(i);
    std::ranges::sort(result, {}, text_of);
    return result;
}();
static_assert(std::ranges::adjacent_find(sorted_words, {}, text_of) == sorted_words.end());

} // namespace

Word word_of(std::string_view text) {
    const auto* const found = std::ranges::lower_bound(sorted_words, text, {}, text_of);
    return found != sorted_words.end() && text_of(*found) == text ? *found : Word::none;
}

} // namespace coldbrick::sheet
