#include "sheet/source.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <algorithm>

namespace coldbrick::sheet {

namespace {

/// UTF-8 continues a character with bytes 10xxxxxx.
bool begins_character(char byte) {
    return (static_cast<unsigned char>(byte) & 0xC0U) != 0x80U;
}

/// Blanks as wide as the text, so that a caret after them stands under what follows it.
std::string blanks_below(std::string_view text) {
    std::string blanks;
    for (const char byte : text)
        if (begins_character(byte)) blanks += byte == '\t' ? '\t' : ' ';
    return blanks;
}

} // namespace

std::size_t Location::line() const {
    const std::string_view before = source->text.substr(0, offset);
    return 1 + static_cast<std::size_t>(std::ranges::count(before, '\n'));
}

void fail(const Location& location, std::string_view message) {
    const std::string_view text = location.source->text;
    const std::size_t previous_end = text.substr(0, location.offset).rfind('\n');
    const std::size_t begin = previous_end == std::string_view::npos ? 0 : previous_end + 1;
    std::string_view line = text.substr(begin, text.find('\n', location.offset) - begin);
    if (line.ends_with('\r')) line.remove_suffix(1);
    const std::string blanks = blanks_below(text.substr(begin, location.offset - begin));
    throw SheetError(fmt::format("{}:{}:{}: {}\n{}\n{}^", location.source->name, location.line(),
                                 blanks.size() + 1, message, line, blanks));
}

} // namespace coldbrick::sheet
