#include "base/nearest_word.hpp"

#include "base/shown_text.hpp"

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <cstddef>

namespace coldbrick::base {

namespace {

constexpr std::size_t longest = 40;

/// How many letters must be changed, left out, added or exchanged with their neighbour to make one word of
/// the other (the optimal string alignment distance; Damerau, "A technique for computer detection and
/// correction of spelling errors", Communications of the ACM 7(3), 1964). Both are at most `longest`.
std::size_t changes(std::string_view a, std::string_view b) {
    std::array<std::array<std::size_t, longest + 1>, longest + 1> table{};
    for (std::size_t i = 0; i <= a.size(); ++i)
        for (std::size_t j = 0; j <= b.size(); ++j) {
            if (i == 0 || j == 0) {
                table[i][j] = i + j;
                continue;
            }
            const std::size_t changed = table[i - 1][j - 1] + (a[i - 1] == b[j - 1] ? 0 : 1);
            table[i][j] = std::min({changed, table[i - 1][j] + 1, table[i][j - 1] + 1});
            if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1])
                table[i][j] = std::min(table[i][j], table[i - 2][j - 2] + 1);
        }
    return table[a.size()][b.size()];
}

} // namespace

std::string_view nearest_word(std::string_view word, std::span<const std::string_view> known) {
    std::string_view nearest;
    std::size_t fewest = word.size() / 6 + 2; // as many letters make another word
    for (const std::string_view one : known) {
        if (word.size() > longest || one.size() > longest) continue;
        const std::size_t needed = changes(word, one);
        if (needed >= std::min(fewest, std::max(word.size(), one.size()))) continue;
        fewest = needed;
        nearest = one;
    }
    return nearest;
}

bool has_word(std::string_view words, std::string_view word) {
    const std::string with_blanks = fmt::format(" {} ", word);
    return words.find(with_blanks) != std::string_view::npos;
}

std::string did_you_mean(std::string_view word, std::span<const std::string_view> known) {
    const std::string_view meant = nearest_word(word, known);
    return meant.empty() ? "" : fmt::format("; did you mean {}?", in_quotes(meant));
}

std::string list_of(std::span<const std::string_view> words) {
    constexpr std::size_t most = 10;
    std::string result;
    for (std::size_t i = 0; i < std::min(most, words.size()); ++i)
        result += fmt::format("{}{}", i == 0 ? "" : ", ", shown(words[i]));
    if (words.size() > most) result += fmt::format(" and {} more", words.size() - most);
    return result;
}

} // namespace coldbrick::base
