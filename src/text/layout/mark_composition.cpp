#include "text/layout/mark_composition.hpp"

#include <algorithm>
#include <array>
#include <string_view>

namespace coldbrick::text {

namespace {

/// The letters that a mark combines with, and what comes of each, in the same order.
struct MarkedLetters {
    char32_t mark;
    std::u32string_view letters;
    std::u32string_view marked;
};

constexpr std::array<MarkedLetters, 7> marked_letters{{
    {U'\u0300', U"AEIOUaeiou", U"ÀÈÌÒÙàèìòù"},
    {U'\u0301', U"AEIOUYaeiouy", U"ÁÉÍÓÚÝáéíóúý"},
    {U'\u0302', U"AEIOUaeiou", U"ÂÊÎÔÛâêîôû"},
    {U'\u0303', U"ANOano", U"ÃÑÕãñõ"},
    {U'\u0308', U"AEIOUaeiouy", U"ÄËÏÖÜäëïöüÿ"},
    {U'\u030A', U"Aa", U"Åå"},
    {U'\u0327', U"Cc", U"Çç"},
}};

constexpr bool is_complete = std::ranges::all_of(
    marked_letters, [](const MarkedLetters& one) { return one.letters.size() == one.marked.size(); });
static_assert(is_complete);

/// A letter with a mark; 0 if there is none.
char32_t composed(char32_t letter, char32_t mark) {
    const auto* const row = std::ranges::find(marked_letters, mark, &MarkedLetters::mark);
    if (row == marked_letters.end()) return 0;
    const std::size_t place = row->letters.find(letter);
    return place == std::u32string_view::npos ? 0 : row->marked[place];
}

} // namespace

std::u32string with_composed_marks(std::u32string characters) {
    std::size_t kept = 0;
    for (const char32_t character : characters) {
        const char32_t one = kept > 0 ? composed(characters[kept - 1], character) : 0;
        if (one != 0)
            characters[kept - 1] = one;
        else
            characters[kept++] = character;
    }
    characters.resize(kept);
    return characters;
}

} // namespace coldbrick::text
