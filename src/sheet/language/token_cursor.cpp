#include "sheet/language/token_cursor.hpp"

#include "base/shown_text.hpp"
#include "sheet/language/other_words.hpp"

#include <algorithm>

namespace coldbrick::sheet {

void WordsBefore::note(const Token& token, std::string_view subject) {
    if (std::ranges::find(subjects_, subject) != subjects_.end())
        fail(token.location, subject == token.text
                                 ? fmt::format("\"{}\" is here for the second time", subject)
                                 : fmt::format("the {} is told for the second time", subject));
    subjects_.push_back(subject);
}

void TokenCursor::expect(Word word) {
    if (!take(word)) fail_expecting(fmt::format("\"{}\"", text_of(word)));
}

bool TokenCursor::take_once(WordsBefore& before, Word word, std::string_view subject) {
    if (next().word != word) return false;
    before.note(next(), subject.empty() ? text_of(word) : subject);
    take();
    return true;
}

bool TokenCursor::take_symbol(char symbol) {
    if (!next().is_symbol(symbol)) return false;
    take();
    return true;
}

bool TokenCursor::take_symbol(std::string_view symbol) {
    if (!next().is_symbol(symbol)) return false;
    take();
    return true;
}

void TokenCursor::expect_symbol(char symbol) {
    if (!take_symbol(symbol)) fail_expecting(fmt::format("\"{}\"", symbol));
}

bool TokenCursor::take_times() {
    if (next().kind != Token::Kind::word || next().text != "x") return false;
    take();
    return true;
}

void TokenCursor::expect_times() {
    if (!take_times()) fail_expecting("\"x\"");
}

void TokenCursor::expect_end() const {
    if (!at_end()) fail_expecting("the end of the line");
}

Token TokenCursor::quoted(std::string_view what) {
    if (next().kind != Token::Kind::text) fail_expecting(fmt::format("{} between double quotes", what));
    return take();
}

Token TokenCursor::name() {
    if (next().kind != Token::Kind::word) fail_expecting("a name");
    if (!next().is_name())
        fail(next().location,
             fmt::format("{} has a meaning of its own and cannot be a name", base::in_quotes(next().text)));
    note(next().text);
    return take();
}

std::string TokenCursor::found() const {
    if (at_end()) return "the end of the line";
    return next().kind == Token::Kind::text ? base::shown(next().text) : base::in_quotes(next().text);
}

void TokenCursor::fail_for_other_notation(const Token& token) {
    const std::string_view advice = token.kind == Token::Kind::word ? advice_for(token.text) : "";
    if (!advice.empty())
        fail(token.location, fmt::format("{} has no meaning here; {}", base::in_quotes(token.text), advice));
}

void TokenCursor::fail_expecting(std::string_view what, std::string_view hint) const {
    const std::string_view advice = next().kind == Token::Kind::word ? advice_for(next().text) : "";
    fail(next().location,
         fmt::format("expected {}, found {}{}{}{}", what, found(), hint, advice.empty() ? "" : "; ", advice));
}

void TokenCursor::fail_expecting(std::span<const Word> words) const {
    fail_for_other_notation(next());
    std::vector<std::string_view> texts;
    for (const Word word : words) texts.push_back(text_of(word));
    fail_expecting(fmt::format("{} or the end of the line", joined(texts)));
}

std::string TokenCursor::joined(std::span<const std::string_view> texts) {
    std::string result;
    for (const std::string_view text : texts) result.append(result.empty() ? "" : ", ").append(text);
    return result;
}

} // namespace coldbrick::sheet
