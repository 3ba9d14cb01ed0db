/// @file
/// The words of a sheet.
#pragma once

#include "sheet/source.hpp"

#include <cstdint>
#include <string_view>
#include <vector>

namespace coldbrick::sheet {

struct Token {
    enum class Kind : std::uint8_t {
        word,   ///< a letter or underscore, then letters, digits and underscores
        number, ///< decimal, perhaps with a fraction
        colour, ///< # and hexadecimal digits
        text,   ///< between double quotes, which belong to it
        symbol, ///< one of ( ) , . + - * / =
        end_of_line,
        end_of_sheet,
    };

    Kind kind;
    std::string_view text;
    Location location;

    [[nodiscard]] bool is_word(std::string_view word) const { return kind == Kind::word && text == word; }
    [[nodiscard]] bool is_symbol(char symbol) const { return kind == Kind::symbol && text[0] == symbol; }
    [[nodiscard]] bool ends_statement() const { return kind >= Kind::end_of_line; }
};

/// All words of a source; the last one is end_of_sheet. Comments run from // to the end of their line, and
/// within parentheses and after a comma a line's end is a blank. @throws SheetError at a character that no
/// word begins with.
std::vector<Token> tokens(const Source& source);

} // namespace coldbrick::sheet
