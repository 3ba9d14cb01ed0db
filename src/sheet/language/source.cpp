#include "sheet/language/source.hpp"

#include "base/shown_text.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>

namespace coldbrick::sheet {

namespace {

/// How many characters a text has; a byte that is not UTF-8 counts as one.
std::size_t character_count(std::string_view text) {
    std::size_t count = 0;
    for (; !text.empty(); ++count) text.remove_prefix(std::max<std::size_t>(base::character_length(text), 1));
    return count;
}

/// A line as it is shown, and blanks up to a place in it.
struct Excerpt {
    std::string line;
    std::string blanks;
};

/// Tabs stay, so that the caret stands below its place; of a long line, what is near to it is shown.
Excerpt excerpt(std::string_view line, std::size_t place) {
    constexpr std::size_t reach = 70; // characters before and after the place
    const std::size_t before = character_count(line.substr(0, place));
    Excerpt result;
    const auto add = [&result](const std::string& shown_text, bool below) {
        result.line += shown_text;
        if (!below) return;
        if (shown_text == "\t")
            result.blanks += shown_text;
        else
            result.blanks.append(character_count(shown_text), ' ');
    };
    if (before > reach) add("...", true);
    for (std::size_t i = 0; !line.empty(); ++i) {
        if (i > before + reach) {
            add("...", false);
            break;
        }
        const bool is_tab = line[0] == '\t';
        const std::string one = base::take_shown(line);
        if (i + reach >= before) add(is_tab ? "\t" : one, i < before);
    }
    return result;
}

} // namespace

Source::Source(std::string_view its_name, std::string_view its_text)
    : name(its_name), text(its_text), lines{0} {
    for (std::size_t at = text.find_first_of("\r\n"); at != std::string_view::npos;
         at = text.find_first_of("\r\n", at)) {
        at += line_end_length(text.substr(at));
        lines.push_back(at);
    }
}

std::size_t Location::line() const {
    const auto after = std::ranges::upper_bound(source->lines, offset);
    return static_cast<std::size_t>(after - source->lines.begin());
}

SheetPlace Location::place() const {
    const std::size_t number = line();
    const std::size_t begin = source->lines[number - 1];
    return {std::string(source->name), number,
            character_count(source->text.substr(begin, offset - begin)) + 1};
}

void fail(const Location& location, std::string_view message) {
    const std::string_view text = location.source->text;
    const std::size_t begin = location.source->lines[location.line() - 1];
    const std::string_view line = text.substr(begin, text.find_first_of("\r\n", location.offset) - begin);
    const auto [shown_line, blanks] = excerpt(line, location.offset - begin);
    throw FaultAt(location, fmt::format("{}: {}\n{}\n{}^", location.text(), message, shown_line, blanks));
}

} // namespace coldbrick::sheet

namespace coldbrick {

std::string SheetPlace::text() const {
    return fmt::format("{}:{}:{}", base::shown(file, 300), line, column);
}

} // namespace coldbrick
