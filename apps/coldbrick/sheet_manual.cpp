#include "sheet_manual.hpp"

#include "roff.hpp"

#include <coldbrick/version.hpp>

#include <fmt/format.h>

#include <algorithm>
#include <cstddef>
#include <functional>
#include <vector>

namespace coldbrick::tool {

namespace {

/// Calls visit(line) for each line, without its end.
void for_each_line(std::string_view text, const std::function<void(std::string_view line)>& visit) {
    while (!text.empty()) {
        const std::size_t end = std::min(text.find('\n'), text.size());
        visit(text.substr(0, end));
        text.remove_prefix(std::min(end + 1, text.size()));
    }
}

std::string_view trimmed(std::string_view text) {
    while (text.starts_with(' ')) text.remove_prefix(1);
    while (text.ends_with(' ')) text.remove_suffix(1);
    return text;
}

/// The cells of a table's row; none of other lines, and of those that only rule a table.
std::vector<std::string_view> cells_of(std::string_view line) {
    std::vector<std::string_view> result;
    if (!line.starts_with("| ")) return result;
    line.remove_prefix(1);
    bool in_code = false;
    std::size_t begin = 0;
    for (std::size_t i = 0; i < line.size(); ++i) {
        if (line[i] == '`') in_code = !in_code;
        if (line[i] != '|' || in_code) continue;
        result.push_back(trimmed(line.substr(begin, i - begin)));
        begin = i + 1;
    }
    return result;
}

/// Without what only marks code and links.
std::string plain(std::string_view text) {
    std::string result;
    for (std::size_t i = 0; i < text.size(); ++i) {
        if (text[i] == '`' || text[i] == '[') continue;
        if (text[i] == ']') {
            if (i + 1 < text.size() && text[i + 1] == '(') i = std::min(text.find(')', i), text.size() - 1);
            continue;
        }
        result += text[i];
    }
    return result;
}

/// True if a piece of code in the cell begins with the word.
bool tells_of(std::string_view cell, std::string_view word) {
    if (cell == word) return true;
    for (std::size_t open = cell.find('`'); open != std::string_view::npos;) {
        const std::size_t close = cell.find('`', open + 1);
        if (close == std::string_view::npos) return false;
        const std::string_view code = cell.substr(open + 1, close - open - 1);
        const std::size_t end = code.find_first_not_of("abcdefghijklmnopqrstuvwxyz_");
        if (code.substr(0, end) == word) return true;
        open = cell.find('`', close + 1);
    }
    return false;
}

/// What a row says.
std::string shown(const std::vector<std::string_view>& cells) {
    std::string result = fmt::format("  {}\n", plain(cells[0]));
    for (std::size_t i = 1; i < cells.size(); ++i)
        if (!cells[i].empty()) result += fmt::format("      {}\n", plain(cells[i]));
    return result;
}

bool is_code_fence(std::string_view line) {
    return line.starts_with("```");
}

} // namespace

std::string help_on_word(std::string_view word) {
    constexpr int most_examples = 3;
    std::string rows;
    std::string examples;
    int example_count = 0;
    bool in_code = false;
    bool goes_on = false; // with the rows that belong to one that told of the word
    for_each_line(sheet_manual(), [&](std::string_view line) {
        if (is_code_fence(line)) in_code = !in_code;
        if (in_code) {
            const std::string_view statement = trimmed(line);
            if (statement.starts_with(word) && statement.substr(word.size()).starts_with(' ') &&
                example_count++ < most_examples)
                examples += fmt::format("  {}\n", statement);
            return;
        }
        const auto cells = cells_of(line);
        if (cells.empty()) {
            goes_on = false;
            return;
        }
        const bool is_part = cells[0].starts_with("...");
        const bool tells = tells_of(cells[0], word);
        if (tells || (goes_on && is_part)) rows += shown(cells);
        goes_on = is_part ? goes_on : tells;
    });
    if (!examples.empty()) rows += "\nExamples:\n" + examples;
    return rows;
}

std::string sheet_manual_page() {
    std::string page =
        fmt::format(".TH COLDBRICK\\-SHEET 5 \"\" \"coldbrick {}\"\n.SH NAME\ncoldbrick\\-sheet \\- drawings "
                    "written as text\n.SH DESCRIPTION\n",
                    linked_version());
    bool in_code = false;
    for_each_line(sheet_manual(), [&](std::string_view line) {
        if (is_code_fence(line)) {
            in_code = !in_code;
            page += in_code ? ".PP\n.nf\n" : ".fi\n";
        } else if (in_code) {
            page += escaped_for_man(line) + "\n";
        } else if (line.starts_with("# ")) {
            page += fmt::format(".SH {}\n", escaped_for_man(line.substr(2)));
        } else if (line.starts_with("## ")) {
            page += fmt::format(".SS {}\n", escaped_for_man(line.substr(3)));
        } else if (const auto cells = cells_of(line); !cells.empty()) {
            page += fmt::format(".TP\n.B {}\n", escaped_for_man(plain(cells[0])));
            for (std::size_t i = 1; i < cells.size(); ++i)
                if (!cells[i].empty()) page += escaped_for_man(plain(cells[i])) + "\n";
        } else if (line.empty()) {
            page += ".PP\n";
        } else if (!line.starts_with("![") && !line.starts_with("|--")) {
            page += escaped_for_man(plain(line)) + "\n";
        }
    });
    return page;
}

} // namespace coldbrick::tool
