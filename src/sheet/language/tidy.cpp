#include "base/shown_text.hpp"
#include "sheet/language/token.hpp"
#include "sheet/language/words.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/sheet.hpp>

#include <algorithm>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace coldbrick {

namespace sheet {

namespace {

/// A line of a sheet: its tokens, and the comment behind them.
struct TidyLine {
    std::vector<Token> tokens;
    std::string comment;  ///< with its signs
    bool goes_on = false; ///< within brackets or after a comma of the line before
};

/// The comment between two places, if there is one, without blanks at its end.
std::string comment_in(std::string_view between) {
    const std::size_t begin = between.find("//");
    if (begin == std::string_view::npos) return {};
    std::string_view text = between.substr(begin);
    text = text.substr(0, text.find_first_of("\r\n"));
    return std::string(text.substr(0, text.find_last_not_of(" \t") + 1));
}

std::vector<std::string_view> lines_of(std::string_view text) {
    std::vector<std::string_view> result;
    while (!text.empty()) {
        const std::size_t end = std::min(text.find_first_of("\r\n"), text.size());
        result.push_back(text.substr(0, end));
        text.remove_prefix(end + line_end_length(text.substr(end)));
    }
    return result;
}

/// Whether a blank stands between two tokens of a line. Signs before a value belong to it.
class Blanks {
  public:
    bool before(const Token& token) {
        const bool result = wanted(token);
        sign_ = (token.is_symbol('-') && !follows_value_);
        follows_value_ = ends_value(token);
        last_ = token;
        return result;
    }

  private:
    static bool ends_value(const Token& token) {
        if (token.kind == Token::Kind::word) return token.word == Word::none || token.word == Word::sheet;
        return token.kind != Token::Kind::symbol || token.is_symbol(')') || token.is_symbol(']');
    }
    [[nodiscard]] bool wanted(const Token& token) const {
        if (!last_ || sign_) return false;
        if (last_->is_symbol('(') || last_->is_symbol('[') || last_->is_symbol('.')) return false;
        if (token.is_symbol(')') || token.is_symbol(']') || token.is_symbol(',') || token.is_symbol('.'))
            return false;
        // A function's bracket, a motif's and a place in a list touch what they belong to.
        const bool touches = token.location.offset == last_->location.offset + last_->text.size();
        if (token.is_symbol('(') || token.is_symbol('[')) return !(touches && follows_value_);
        return true;
    }

    std::optional<Token> last_;
    bool follows_value_ = false;
    bool sign_ = false;
};

constexpr int indent = 2;

/// How a line changes the blocks that are open.
bool opens(Word word) {
    return word == Word::if_ || word == Word::repeat || word == Word::motif || word == Word::layer ||
           word == Word::clip || word == Word::else_;
}
bool closes(Word word) {
    return word == Word::end || word == Word::else_;
}

std::string line_text(const TidyLine& line) {
    std::string result;
    Blanks blanks;
    for (const Token& token : line.tokens) {
        if (blanks.before(token)) result += ' ';
        result += token.text;
    }
    if (!line.comment.empty()) result += (result.empty() ? "" : "  ") + line.comment;
    return result;
}

/// The lines with their tokens. Ends of lines within brackets and after commas are found by their places.
std::vector<TidyLine> tidy_lines(const Source& source) {
    std::vector<std::string_view> written = lines_of(source.text);
    std::vector<TidyLine> result(written.size());
    const auto begin_of = [&](std::size_t i) {
        return static_cast<std::size_t>(written[i].data() - source.text.data());
    };
    std::size_t at = 0;
    TokenReader reader(source);
    bool goes_on = false;
    for (Token token = reader.next(); token.kind != Token::Kind::end_of_sheet; token = reader.next()) {
        if (token.kind == Token::Kind::end_of_line) {
            goes_on = false;
            continue;
        }
        while (at + 1 < written.size() && token.location.offset >= begin_of(at + 1)) {
            ++at;
            result[at].goes_on = goes_on;
        }
        result[at].tokens.push_back(token);
        goes_on = true;
    }
    for (std::size_t i = 0; i < written.size(); ++i) {
        const std::vector<Token>& tokens = result[i].tokens;
        const std::size_t after =
            tokens.empty() ? 0 : tokens.back().location.offset + tokens.back().text.size() - begin_of(i);
        result[i].comment = comment_in(written[i].substr(after));
    }
    return result;
}

} // namespace

} // namespace sheet

std::string tidied_sheet(std::string_view text, std::string_view name) {
    using namespace sheet;
    constexpr std::string_view byte_order_mark = "\xEF\xBB\xBF";
    if (text.starts_with(byte_order_mark)) text.remove_prefix(byte_order_mark.size());
    try {
        const Source source{name, text};
        std::string result;
        std::size_t depth = 0;
        bool blank_before = true; // none at the beginning
        for (const TidyLine& line : tidy_lines(source)) {
            const std::string written = line_text(line);
            if (written.empty()) {
                if (!blank_before) result += '\n';
                blank_before = true;
                continue;
            }
            const Word first = line.tokens.empty() ? Word::none : line.tokens.front().word;
            const bool continues = line.goes_on || continues_statement(first);
            if (!continues && closes(first) && depth > 0) --depth;
            result.append(indent * (depth + (continues ? 2 : 0)), ' ').append(written).append(1, '\n');
            if (!continues && opens(first)) ++depth;
            blank_before = false;
        }
        while (result.ends_with("\n\n")) result.pop_back();
        return result;
    } catch (const FaultAt& fault) { // whose source ends here
        throw SheetError(fault.what());
    }
}

} // namespace coldbrick
