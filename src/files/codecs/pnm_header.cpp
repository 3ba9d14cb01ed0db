#include "files/codecs/pnm_header.hpp"

#include "base/limits.hpp"
#include "base/shown_text.hpp"
#include "files/stored_format.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <charconv>

namespace coldbrick::files {

namespace {

constexpr std::string_view in_header = "header";

bool is_blank(char c) {
    return c == ' ' || c == '\n' || c == '\r' || c == '\t' || c == '\v' || c == '\f';
}

/// Throws unless the header has the line.
void check_line(bool present, std::string_view word) {
    if (!present) fail_decoding_anymap(fmt::format("the header has no line {}", word));
}

void read_arbitrary_map(PnmText& text, PnmHeader& header) {
    constexpr std::int32_t most = base::last_coordinate;
    for (std::string word = text.word(in_header); word != "ENDHDR"; word = text.word(in_header)) {
        if (word == "WIDTH")
            header.size.width = text.number("the width", 1, most);
        else if (word == "HEIGHT")
            header.size.height = text.number("the height", 1, most);
        else if (word == "DEPTH")
            header.channels = text.number("the depth", 1, 4);
        else if (word == "MAXVAL")
            header.largest = text.number("the largest value", 1, 65535);
        else if (word == "TUPLTYPE")
            (void)text.word(in_header); // the depth tells as much
        else
            fail_decoding_anymap(fmt::format("{} is not known in a header", base::in_quotes(word)));
    }
    check_line(header.size.width > 0, "WIDTH");
    check_line(header.size.height > 0, "HEIGHT");
    check_line(header.channels > 0, "DEPTH");
    check_line(header.largest > 0, "MAXVAL");
}

} // namespace

void fail_decoding_anymap(std::string_view message) {
    throw FileError(fmt::format("cannot decode a portable anymap: {}", message));
}

std::optional<char> PnmText::next() {
    if (at_ == filled_) {
        filled_ = source_.read(buffer_);
        at_ = 0;
        if (filled_ == 0) return std::nullopt;
    }
    return static_cast<char>(buffer_[at_++]);
}

std::optional<char> PnmText::next_after_blanks() {
    auto c = next();
    while (c && (is_blank(*c) || *c == '#')) {
        if (*c == '#')
            while (c && *c != '\n') c = next();
        else
            c = next();
    }
    return c;
}

std::string PnmText::word(std::string_view where) {
    constexpr std::size_t longest = 1000;
    std::string result;
    auto c = next_after_blanks();
    for (; c && !is_blank(*c) && result.size() < longest; c = next()) result += *c;
    if (result.empty()) fail_decoding_anymap(fmt::format("the file ends within the {}", where));
    if (c && is_blank(*c)) --at_; // the header's last blank is looked at once more
    return result;
}

std::int32_t PnmText::number(std::string_view what, std::int32_t low, std::int32_t high) {
    const std::string digits = word(what == "a value" ? "pixels" : in_header);
    std::int32_t value = 0;
    const auto [end, error] = std::from_chars(digits.data(), digits.data() + digits.size(), value);
    if (error != std::errc() || end != digits.data() + digits.size() || value < low || value > high)
        fail_decoding_anymap(
            fmt::format("{} {} is not a number of {}..{}", what, base::in_quotes(digits), low, high));
    return value;
}

char PnmText::character() {
    const auto c = next_after_blanks();
    if (!c) fail_decoding_anymap("the file ends within the pixels");
    return *c;
}

void PnmText::blank() {
    if (!next()) fail_decoding_anymap("the file ends within the pixels");
}

void PnmText::bytes(std::span<std::byte> room) {
    const std::size_t kept = std::min(room.size(), filled_ - at_);
    std::copy_n(buffer_.begin() + static_cast<std::ptrdiff_t>(at_), kept, room.begin());
    at_ += kept;
    if (read_fully(source_, room.subspan(kept)) < room.size() - kept)
        fail_decoding_anymap("the file ends within the pixels");
}

PixelFormat PnmHeader::format() const {
    return format_with(channels > 2, channels % 2 == 0, is_deep());
}

std::size_t PnmHeader::stored_row_bytes() const {
    const auto width = static_cast<std::size_t>(size.width);
    if (kind == 4) return (width + 7) / 8;
    return width * static_cast<std::size_t>(channels) * (is_deep() && !is_text() ? 2 : 1);
}

PnmHeader read_pnm_header(PnmText& text) {
    constexpr std::int32_t most = base::last_coordinate;
    const std::string kind = text.word(in_header);
    PnmHeader header;
    if (kind.size() != 2 || kind[0] != 'P' || kind[1] < '1' || kind[1] > '7')
        fail_decoding_anymap("it begins with none of P1 to P7");
    header.kind = kind[1] - '0';
    if (header.kind == 7) {
        read_arbitrary_map(text, header);
    } else {
        header.channels = header.kind % 3 == 0 ? 3 : 1;
        header.size.width = text.number("the width", 1, most);
        header.size.height = text.number("the height", 1, most);
        header.largest = header.is_bitmap() ? 1 : text.number("the largest value", 1, 65535);
    }
    text.blank();
    return header;
}

} // namespace coldbrick::files
