/// @file
/// A sheet's tokens as statements are made of them.
#pragma once

#include "sheet/source.hpp"
#include "sheet/token.hpp"
#include "sheet/words.hpp"

#include <fmt/core.h>

#include <array>
#include <initializer_list>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

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
        if (continues_statement(token.word)) return token;
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
    void note(const Token& token, std::string_view subject);

  private:
    std::vector<std::string_view> subjects_;
};

/// Takes tokens one after the other, and tells what is wrong with the next one.
class TokenCursor {
  public:
    explicit TokenCursor(const Source& source) : tokens_(source) {}

    [[nodiscard]] const Token& next() const { return tokens_.next(); }
    [[nodiscard]] const Token& second() const { return tokens_.second(); }
    [[nodiscard]] bool at_end() const { return next().ends_statement(); }
    Token take() { return tokens_.take(); }

    /// Takes the next token if it is this word.
    bool take(Word word) {
        if (next().word != word) return false;
        take();
        return true;
    }
    void expect(Word word);

    /// Takes a word that may stand in any order with others, but once.
    /// @param subject what it tells, if other words tell the same
    bool take_once(WordsBefore& before, Word word, std::string_view subject = {});

    bool take_symbol(char symbol);
    void expect_symbol(char symbol);

    /// Takes the x between a width and a height, which may be a name elsewhere.
    void expect_times();
    void expect_end() const;

    /// Takes a text between double quotes. @param what the message's name for it
    Token quoted(std::string_view what);

    /// Takes a word without a meaning of its own.
    Token name();

    /// Takes one of the words and gives its value.
    template <class Value>
    Value choice(std::span<const Choice<Value>> choices) {
        for (const Choice<Value>& known : choices)
            if (next().kind == Token::Kind::word && next().text == known.word) {
                take();
                return known.value;
            }
        std::vector<std::string_view> texts;
        for (const Choice<Value>& known : choices) texts.push_back(known.word);
        fail_expecting(fmt::format("one of {}", joined(texts)));
    }

    /// The next token, as messages tell it.
    [[nodiscard]] std::string found() const;
    /// @param hint what the message ends with
    [[noreturn]] void fail_expecting(std::string_view what, std::string_view hint = {}) const;

    /// As above, one of the words or the end of the line.
    [[noreturn]] void fail_expecting(std::initializer_list<Word> words) const;

    /// The texts with commas between them.
    static std::string joined(std::span<const std::string_view> texts);

  private:
    StatementTokens tokens_;
};

} // namespace coldbrick::sheet
