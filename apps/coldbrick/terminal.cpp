#include "terminal.hpp"

#include <charconv>
#include <cstdint>
#include <cstdlib>
#include <optional>
#include <string_view>

#include <sys/ioctl.h>
#include <unistd.h>

namespace coldbrick::tool {

namespace {

std::string_view variable(const char* name) {
    const char* const value = std::getenv(name);
    return value == nullptr ? "" : value;
}

std::optional<std::int32_t> number_in(const char* name) {
    const std::string_view text = variable(name);
    std::int32_t result = 0;
    const auto read = std::from_chars(text.data(), text.data() + text.size(), result);
    if (read.ec != std::errc() || result < 1) return std::nullopt;
    return result;
}

} // namespace

TerminalColours output_colours() {
    if (::isatty(STDOUT_FILENO) != 1) return TerminalColours::none;
    const std::string_view kind = variable("TERM");
    const std::string_view depth = variable("COLORTERM");
    if (!variable("NO_COLOR").empty() || kind == "dumb") return TerminalColours::none;
    if (depth == "truecolor" || depth == "24bit") return TerminalColours::all;
    return kind.find("256") != std::string_view::npos ? TerminalColours::many : TerminalColours::sixteen;
}

Size terminal_size() {
    winsize window{};
    if (::ioctl(STDOUT_FILENO, TIOCGWINSZ, &window) == 0 && window.ws_col > 0 && window.ws_row > 0)
        return {window.ws_col, window.ws_row};
    return {number_in("COLUMNS").value_or(80), number_in("LINES").value_or(24)};
}

} // namespace coldbrick::tool
