#include "sheet/language/token.hpp"

#include "base/shown_text.hpp"

#include <fmt/core.h>

#include <algorithm>

namespace coldbrick::sheet {

namespace {

bool is_digit(char c) {
    return c >= '0' && c <= '9';
}
bool is_letter(char c) {
    return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || c == '_';
}
bool is_letter_or_digit(char c) {
    return is_letter(c) || is_digit(c);
}

} // namespace

Token TokenReader::next() {
    skip_blanks();
    if (at_ == source_.text.size()) return token(Token::Kind::end_of_sheet, 0);
    const char c = source_.text[at_];
    if (is_letter(c)) return token(Token::Kind::word, length_while(1, is_letter_or_digit));
    if (is_digit(c)) return number();
    switch (c) {
    case '\n':
    case '\r': return token(Token::Kind::end_of_line, line_end_length(source_.text.substr(at_)));
    case '"': return text();
    case '#':
        if (!is_letter_or_digit(peek(1)))
            fail({&source_, at_}, "a comment begins with //, and a colour has digits after its #: #ffcc00");
        return token(Token::Kind::colour, length_while(1, is_letter_or_digit));
    case '(':
    case '[': ++depth_; return token(Token::Kind::symbol, 1);
    case ')':
    case ']': depth_ -= depth_ > 0 ? 1 : 0; return token(Token::Kind::symbol, 1);
    case '<':
    case '>':
    case '=': return token(Token::Kind::symbol, peek(1) == '=' ? 2 : 1);
    case '!':
        if (peek(1) != '=') fail_at_stranger();
        return token(Token::Kind::symbol, 2);
    case ',':
    case '.':
    case '+':
    case '-':
    case '*':
    case '/': return token(Token::Kind::symbol, 1);
    default: fail_at_stranger();
    }
}

void TokenReader::skip_line(std::size_t place) {
    at_ = std::min(source_.text.find_first_of("\r\n", place), source_.text.size());
    depth_ = 0;
    goes_on_ = false;
}

char TokenReader::peek(std::size_t ahead) const {
    return at_ + ahead < source_.text.size() ? source_.text[at_ + ahead] : '\0';
}

void TokenReader::skip_blanks() {
    const std::string_view text = source_.text;
    for (; at_ < text.size(); ++at_) {
        const char c = text[at_];
        if (c == ' ' || c == '\t' || (goes_on_ && (c == '\n' || c == '\r'))) continue;
        if (c != '/' || peek(1) != '/') return;
        at_ = std::min(text.find_first_of("\r\n", at_), text.size()) - 1;
    }
}

Token TokenReader::token(Token::Kind kind, std::size_t length) {
    const std::string_view text = source_.text.substr(at_, length);
    const Token result{kind, text, {&source_, at_}, kind == Token::Kind::word ? word_of(text) : Word::none};
    at_ += length;
    goes_on_ = depth_ > 0 || result.is_symbol(',');
    return result;
}

template <class Condition>
std::size_t TokenReader::length_while(std::size_t start, Condition condition) const {
    while (condition(peek(start))) ++start;
    return start;
}

Token TokenReader::number() {
    std::size_t length = length_while(1, is_digit);
    if (peek(length) == '.' && is_digit(peek(length + 1))) length = length_while(length + 1, is_digit);
    if (is_letter(peek(length))) fail_at_unit(length);
    return token(Token::Kind::number, length);
}

Token TokenReader::text() {
    const auto ends_line = [this](std::size_t at) { return line_end_length(source_.text.substr(at)) > 0; };
    std::size_t end = at_ + 1;
    while (end < source_.text.size() && source_.text[end] != '"' && !ends_line(end)) {
        if (source_.text[end] == '\\' && end + 1 < source_.text.size() && !ends_line(end + 1)) ++end;
        ++end;
    }
    if (end >= source_.text.size() || source_.text[end] != '"')
        fail({&source_, at_}, "this text does not end in its line: a \" is missing");
    return token(Token::Kind::text, end + 1 - at_);
}

/// For letters that follow a number at once. @param length of the number
void TokenReader::fail_at_unit(std::size_t length) const {
    const std::string_view number = source_.text.substr(at_, length);
    const std::size_t end = length_while(length, is_letter_or_digit);
    const std::string_view unit = source_.text.substr(at_ + length, end - length);
    const Location place{&source_, at_ + length};
    if (number == "0" && unit.starts_with('x'))
        fail({&source_, at_}, fmt::format("hexadecimal digits make a colour after a #: #{}", unit.substr(1)));
    if (unit == "px" || unit == "pt")
        fail(place, fmt::format("lengths are pixels, and written without a unit: {}", number));
    if (unit == "deg") fail(place, fmt::format("angles are degrees, and written without a unit: {}", number));
    fail(place, "a number ends here: put a blank between it and the word");
}

/// What is written for characters that other notations have.
std::string_view advice_for(char c) {
    switch (c) {
    case '\'': return "; a text stands between double quotes: \"quay\"";
    case '%': return "; a share is a number: 0.5";
    case ';': return "; a statement ends with its line";
    case '{':
    case '}': return "; a block ends with the word end";
    case '&': return "; both of two conditions is written: a and b";
    case '|': return "; one of two conditions is written: a or b";
    case '^': return "; a square is written r * r";
    default: return "";
    }
}

void TokenReader::fail_at_stranger() const {
    const std::string_view rest = source_.text.substr(at_);
    const std::size_t length = base::character_length(rest);
    if (length == 0)
        fail({&source_, at_}, fmt::format("the byte {} is not UTF-8", base::shown(rest.substr(0, 1))));
    fail({&source_, at_}, fmt::format("no statement or expression has the character {}{}",
                                      base::in_quotes(rest.substr(0, length)), advice_for(rest[0])));
}

std::string unquoted(const Token& token) {
    std::string result;
    const std::string_view written = token.text.substr(1, token.text.size() - 2);
    for (std::size_t i = 0; i < written.size(); ++i) {
        if (written[i] != '\\') {
            result.push_back(written[i]);
            continue;
        }
        ++i; // the text does not end in a backslash: the quotes after it would be in the text
        if (written[i] != 'n' && written[i] != '"' && written[i] != '\\')
            fail({token.location.source, token.location.offset + i},
                 "a backslash in a text stands before n, for a new line, before quotes or another backslash");
        result.push_back(written[i] == 'n' ? '\n' : written[i]);
    }
    return result;
}

} // namespace coldbrick::sheet
