#include "sheet/token.hpp"

#include <utility>

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

class Lexer {
  public:
    explicit Lexer(const Source& source) : source_(source) {}

    std::vector<Token> run() {
        while (skip_blanks(), at_ < source_.text.size()) next();
        add(Token::Kind::end_of_sheet, 0);
        return std::move(tokens_);
    }

  private:
    [[nodiscard]] char peek(std::size_t ahead = 0) const {
        return at_ + ahead < source_.text.size() ? source_.text[at_ + ahead] : '\0';
    }

    void skip_blanks() {
        while (peek() == ' ' || peek() == '\t' || peek() == '\r' || (goes_on() && peek() == '\n')) ++at_;
        if (peek() != '/' || peek(1) != '/') return;
        while (at_ < source_.text.size() && peek() != '\n') ++at_;
        if (goes_on()) skip_blanks();
    }

    /// True where a line's end does not end the statement: within parentheses and after a comma.
    [[nodiscard]] bool goes_on() const {
        return depth_ > 0 || (!tokens_.empty() && tokens_.back().is_symbol(','));
    }

    void add(Token::Kind kind, std::size_t length) {
        tokens_.push_back({kind, source_.text.substr(at_, length), {&source_, at_}});
        at_ += length;
    }

    /// How many characters from `start` characters ahead satisfy the condition, added to `start`.
    template <class Condition>
    [[nodiscard]] std::size_t length_while(std::size_t start, Condition condition) const {
        while (condition(peek(start))) ++start;
        return start;
    }

    void next() {
        const char c = peek();
        if (c == '\n') return add(Token::Kind::end_of_line, 1);
        if (is_letter(c)) return add(Token::Kind::word, length_while(1, is_letter_or_digit));
        if (is_digit(c)) return add_number();
        if (c == '"') return add_text();
        if (c == '#') return add(Token::Kind::colour, length_while(1, is_letter_or_digit));
        if (std::string_view("(),.+-*/=").find(c) == std::string_view::npos)
            fail({&source_, at_}, "no statement or expression has this character");
        if (c == '(') ++depth_;
        if (c == ')' && depth_ > 0) --depth_;
        add(Token::Kind::symbol, 1);
    }

    void add_number() {
        std::size_t length = length_while(1, is_digit);
        if (peek(length) == '.' && is_digit(peek(length + 1))) length = length_while(length + 1, is_digit);
        if (is_letter(peek(length)))
            fail({&source_, at_ + length}, "a number ends here: put a blank between it and the word");
        add(Token::Kind::number, length);
    }

    void add_text() {
        const std::size_t length = length_while(1, [](char c) { return c != '"' && c != '\n' && c != '\0'; });
        if (peek(length) != '"') fail({&source_, at_}, "this text does not end in its line: a \" is missing");
        add(Token::Kind::text, length + 1);
    }

    const Source& source_;
    std::size_t at_ = 0;
    int depth_ = 0; ///< of open parentheses
    std::vector<Token> tokens_;
};

} // namespace

std::vector<Token> tokens(const Source& source) {
    return Lexer(source).run();
}

} // namespace coldbrick::sheet
