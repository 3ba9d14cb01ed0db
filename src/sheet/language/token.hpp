/// @file
/// The words of a sheet.
#pragma once

#include "sheet/language/source.hpp"
#include "sheet/language/words.hpp"

#include <cstddef>
#include <cstdint>
#include <string>
#include <string_view>

namespace coldbrick::sheet {

struct Token {
    enum class Kind : std::uint8_t {
        word,   ///< a letter or underscore, then letters, digits and underscores
        number, ///< decimal, perhaps with a fraction
        colour, ///< # and hexadecimal digits
        text,   ///< between double quotes, which belong to it
        symbol, ///< one of ( ) [ ] , . + - * / = < > <= >= == !=
        end_of_line,
        end_of_sheet,
    };

    Kind kind;
    std::string_view text;
    Location location;
    Word word; ///< none if it is no word, or one without a meaning of its own

    /// True of a word without a meaning of its own.
    [[nodiscard]] bool is_name() const { return kind == Kind::word && word == Word::none; }
    [[nodiscard]] bool is_symbol(char symbol) const {
        return kind == Kind::symbol && text.size() == 1 && text[0] == symbol;
    }
    [[nodiscard]] bool is_symbol(std::string_view symbol) const {
        return kind == Kind::symbol && text == symbol;
    }
    [[nodiscard]] bool ends_statement() const { return kind >= Kind::end_of_line; }
};

/// What a text between double quotes says: \\n is a new line, \\" quotes and \\\\ a backslash.
/// @throws SheetError at a backslash before anything else.
std::string unquoted(const Token& token);

/// Reads a source word by word, so that a long sheet takes no more memory than its text. Comments run from
/// // to the end of their line, and within parentheses and after a comma a line's end is a blank.
class TokenReader {
  public:
    explicit TokenReader(const Source& source) : source_(source) {}

    /// The next word; end_of_sheet for ever after the last one.
    /// @throws SheetError at a character that no word begins with.
    Token next();

    /// Goes on at the end of the line that a place is in.
    void skip_line(std::size_t place);

  private:
    [[nodiscard]] char peek(std::size_t ahead = 0) const;
    void skip_blanks();
    Token token(Token::Kind kind, std::size_t length);
    Token number();
    Token text();
    [[noreturn]] void fail_at_unit(std::size_t length) const;
    [[noreturn]] void fail_at_stranger() const;

    /// How many characters from `start` characters ahead satisfy the condition, added to `start`.
    template <class Condition>
    [[nodiscard]] std::size_t length_while(std::size_t start, Condition condition) const;

    const Source& source_;
    std::size_t at_ = 0;
    int depth_ = 0;        ///< of open parentheses
    bool goes_on_ = false; ///< a line's end does not end the statement here
};

} // namespace coldbrick::sheet
