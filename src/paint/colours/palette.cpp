#include <coldbrick/colour_text.hpp>
#include <coldbrick/palette.hpp>

#include "base/shown_text.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <set>
#include <utility>

namespace coldbrick {

namespace {

void check_name(std::string_view text) {
    const auto fits = [](char c) {
        return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') || c == '-' ||
               c == '_';
    };
    if (!std::ranges::all_of(text, fits))
        throw ArgumentError(
            fmt::format("{} is no name: write letters, digits, - and _", base::in_quotes(text)));
}

std::string_view trimmed(std::string_view text) {
    constexpr std::string_view blanks = " \t\r";
    const std::size_t begin = text.find_first_not_of(blanks);
    if (begin == std::string_view::npos) return {};
    return text.substr(begin, text.find_last_not_of(blanks) + 1 - begin);
}

/// The text's first line, which is taken from it; a line ends with LF, CR LF or CR.
std::string_view take_line(std::string_view& text) {
    const std::size_t end = std::min(text.find_first_of("\r\n"), text.size());
    const std::string_view line = text.substr(0, end);
    const bool two = text.substr(end).starts_with("\r\n");
    text.remove_prefix(std::min(end + (two ? 2 : 1), text.size()));
    return line;
}

/// COLOUR [NAME], where the colour may be rgb(1, 2, 3) with blanks.
Palette::Entry entry_of(std::string_view line) {
    const std::size_t close = line.find(')');
    const std::size_t end = line.find_first_of(" \t", close == std::string_view::npos ? 0 : close);
    const std::string_view name =
        end == std::string_view::npos ? std::string_view() : trimmed(line.substr(end));
    return {colour(line.substr(0, end)), std::string(name)};
}

} // namespace

Palette::Palette(std::vector<Entry> entries) : entries_(std::move(entries)) {
    if (entries_.empty() || entries_.size() > largest)
        throw ArgumentError(
            fmt::format("a palette's number of entries {} is outside 1..256", entries_.size()));
    std::set<std::string_view> names;
    for (const Entry& entry : entries_) {
        check_name(entry.name);
        if (!entry.name.empty() && !names.insert(entry.name).second)
            throw ArgumentError(
                fmt::format("two entries of the palette have the name {}", base::in_quotes(entry.name)));
    }
}

const Colour& Palette::at(std::size_t number) const {
    if (number >= entries_.size())
        throw ArgumentError(fmt::format("palette entry {} is outside 0..{}", number, entries_.size() - 1));
    return entries_[number].colour;
}

std::optional<Colour> Palette::find(std::string_view name) const {
    const auto found = std::ranges::find(entries_, name, &Entry::name);
    if (name.empty() || found == entries_.end()) return std::nullopt;
    return found->colour;
}

std::size_t Palette::nearest(const Colour& colour) const {
    const auto distance = [&colour](const Entry& entry) {
        const auto square = [](int a, int b) { return (a - b) * (a - b); };
        return square(entry.colour.red, colour.red) + square(entry.colour.green, colour.green) +
               square(entry.colour.blue, colour.blue) + square(entry.colour.alpha, colour.alpha);
    };
    const auto found = std::ranges::min_element(entries_, {}, distance);
    return static_cast<std::size_t>(found - entries_.begin());
}

const Palette& default_palette() {
    static const Palette palette({{{10, 22, 34}, "night"},
                                  {{38, 52, 66}, "slate"},
                                  {{112, 124, 132}, "fog"},
                                  {{240, 238, 228}, "sail"},
                                  {{16, 58, 96}, "deep"},
                                  {{40, 110, 158}, "channel"},
                                  {{126, 186, 212}, "shallow"},
                                  {{22, 98, 84}, "weed"},
                                  {{88, 150, 72}, "meadow"},
                                  {{214, 196, 142}, "sand"},
                                  {{140, 98, 62}, "timber"},
                                  {{164, 44, 38}, "brick"},
                                  {{226, 88, 44}, "beacon"},
                                  {{246, 186, 52}, "lamp"},
                                  {{158, 70, 126}, "heather"},
                                  {{84, 66, 134}, "dusk"}});
    return palette;
}

Palette read_palette(std::string_view text) {
    std::vector<Palette::Entry> entries;
    for (std::size_t number = 1; !text.empty(); ++number) {
        const std::string_view whole = take_line(text);
        const std::string_view line = trimmed(whole.substr(0, whole.find("//")));
        if (line.empty()) continue;
        if (entries.size() == Palette::largest)
            throw ArgumentError(
                fmt::format("palette line {}: a palette has at most {} entries", number, Palette::largest));
        try {
            entries.push_back(entry_of(line));
            check_name(entries.back().name);
        } catch (const ArgumentError& error) {
            throw ArgumentError(fmt::format("palette line {}: {}", number, error.what()));
        }
    }
    return Palette(std::move(entries));
}

std::string palette_text(const Palette& palette) {
    std::string result;
    for (const Palette::Entry& entry : palette.entries())
        result += fmt::format("{}{}{}\n", hex(entry.colour), entry.name.empty() ? "" : " ", entry.name);
    return result;
}

} // namespace coldbrick
