/// @file
/// A sheet's words as statements are made of them.
#pragma once

#include "sheet/source.hpp"
#include "sheet/token.hpp"
#include "sheet/words.hpp"

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <optional>
#include <string_view>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

/// True if the token is a word that cannot begin a statement: its line goes on with the one before.
inline bool continues_statement(const Token& token) {
    return token.kind == Token::Kind::word && contains(further_words, token.text);
}

/// The source's tokens without the ends of lines that do not end a statement, and a look at those to come.
class StatementTokens {
  public:
    explicit StatementTokens(const Source& source) : reader_(source), coming_{read(), read()} {}

    [[nodiscard]] const Token& next() const { return coming_[0]; }
    [[nodiscard]] const Token& second() const { return coming_[1]; }

    Token take() { return std::exchange(coming_[0], std::exchange(coming_[1], read())); }

  private:
    Token read() {
        if (held_) return *std::exchange(held_, std::nullopt);
        Token token = reader_.next();
        if (token.kind != Token::Kind::end_of_line) return token;
        const Token line_end = token;
        while (token.kind == Token::Kind::end_of_line) token = reader_.next();
        if (continues_statement(token)) return token;
        held_ = token;
        return line_end;
    }

    TokenReader reader_;
    std::optional<Token> held_; ///< read already, but not given
    std::array<Token, 2> coming_;
};

/// The words that a statement or style has had already.
class WordsBefore {
  public:
    /// Notes the token. @throws SheetError if it, or one that says the same in other words, was there before.
    /// @param subject what the word tells
    void note(const Token& token, std::string_view subject) {
        if (std::ranges::find(subjects_, subject) != subjects_.end())
            fail(token.location, subject == token.text
                                     ? fmt::format("\"{}\" is here for the second time", subject)
                                     : fmt::format("the {} is told for the second time", subject));
        subjects_.push_back(subject);
    }

  private:
    std::vector<std::string_view> subjects_;
};

} // namespace coldbrick::sheet
