/// @file
/// A sheet's tokens as statements are made of them.
#pragma once

#include "sheet/language/source.hpp"
#include "sheet/language/token.hpp"
#include "sheet/language/words.hpp"
#include "sheet/running/random_bits.hpp"

#include <fmt/core.h>

#include <algorithm>
#include <array>
#include <cstddef>
#include <cstdint>
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
    /// Begins with ends of lines, and reads nothing yet.
    explicit StatementTokens(const Source& source)
        : source_(source), reader_(source), coming_{blank(), blank()} {}

    [[nodiscard]] const Token& next() const { return coming_[0]; }
    [[nodiscard]] const Token& second() const { return coming_[1]; }

    Token take() { return std::exchange(coming_[0], std::exchange(coming_[1], read())); }

    /// Goes on with the statement after the one that a place is in, which has been read up to next().
    /// @throws SheetError as TokenReader::next()
    void skip_statement(std::size_t place) {
        place = std::max(place, next().location.offset);
        held_.reset();
        coming_ = {blank(), blank()};
        Token token = blank();
        do {
            reader_.skip_line(place);
            do token = reader_.next();
            while (token.kind == Token::Kind::end_of_line);
            place = token.location.offset;
        } while (continues_statement(token.word));
        held_ = token;
    }

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

    [[nodiscard]] Token blank() const {
        return {Token::Kind::end_of_line, source_.text.substr(0, 0), {&source_, 0}, Word::none};
    }

    const Source& source_;
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

/// A word that may stand in any order with others, but once, and what follows from it.
template <class... Targets>
struct WordAction {
    Word word;
    void (*act)(Targets&... targets);
    std::string_view subject = {}; ///< what it tells, if other words tell the same
};

/// The words of tables, in their order.
template <class... Tables>
std::vector<Word> words_of(const Tables&... tables) {
    std::vector<Word> result;
    const auto add = [&](const auto& table) {
        for (const auto& known : table) result.push_back(known.word);
    };
    (add(tables), ...);
    return result;
}

/// Takes tokens one after the other, and tells what is wrong with the next one.
class TokenCursor {
  public:
    /// Stands at the end of a line before the source's first token.
    explicit TokenCursor(const Source& source) : tokens_(source) {}

    [[nodiscard]] const Token& next() const { return tokens_.next(); }
    [[nodiscard]] const Token& second() const { return tokens_.second(); }
    [[nodiscard]] bool at_end() const { return next().ends_statement(); }
    /// True if the next token may begin a value, and no word of a style.
    [[nodiscard]] bool begins_value() const {
        return !at_end() &&
               (next().word == Word::none || next().word == Word::if_ || next().word == Word::sheet) &&
               !next().is_symbol(',') && !next().is_symbol(')');
    }
    Token take() {
        if (next().word != Word::none) note(next().text);
        return tokens_.take();
    }

    /// Makes a name, other than a colour's, part of what take_structure() tells.
    void note(std::string_view name) { structure_ = mixed_bits(structure_, text_bits(name)); }

    /// What the words that have been taken and the names that have been noted since this was asked before
    /// make, whatever numbers, colours and texts stand among them.
    std::uint64_t take_structure() { return std::exchange(structure_, 0); }

    /// Goes on with the statement after the one that a place is in.
    void skip_statement(std::size_t place) { tokens_.skip_statement(place); }

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

    /// Takes the next token if it is one of the words, and acts on it.
    template <class... Targets>
    bool take_one(WordsBefore& before, std::span<const WordAction<Targets...>> words, Targets&... targets) {
        for (const WordAction<Targets...>& known : words)
            if (take_once(before, known.word, known.subject)) {
                known.act(targets...);
                return true;
            }
        return false;
    }

    bool take_symbol(char symbol);
    bool take_symbol(std::string_view symbol);
    void expect_symbol(char symbol);

    /// Takes the x between a width and a height, which may be a name elsewhere.
    bool take_times();
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
    /// Throws SheetError if the token is a word of another notation, with what stands for it here.
    static void fail_for_other_notation(const Token& token);

    /// With what stands for the word that was found, if it is one of another notation.
    /// @param hint what the message ends with
    [[noreturn]] void fail_expecting(std::string_view what, std::string_view hint = {}) const;

    /// One of the words or the end of the line; of a word of another notation, only what stands for it.
    [[noreturn]] void fail_expecting(std::span<const Word> words) const;

    /// The texts with commas between them.
    static std::string joined(std::span<const std::string_view> texts);

  private:
    StatementTokens tokens_;
    std::uint64_t structure_ = 0;
};

} // namespace coldbrick::sheet
