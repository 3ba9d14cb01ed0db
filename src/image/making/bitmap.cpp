#include <coldbrick/bitmap.hpp>

#include "base/shown_text.hpp"
#include "geometry/shape_checks.hpp"
#include "image/making/size_checks.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <limits>

namespace coldbrick {

namespace {

std::size_t bit_count(Size size) {
    image::check_size(size);
    return static_cast<std::size_t>(size.width) * static_cast<std::size_t>(size.height);
}

/// The lines of a drawing; a last one without pixels does not count.
std::vector<std::string_view> lines_of(std::string_view drawing) {
    std::vector<std::string_view> lines;
    while (!drawing.empty()) {
        const std::size_t end = std::min(drawing.find('\n'), drawing.size());
        lines.push_back(drawing.substr(0, end));
        drawing.remove_prefix(std::min(end + 1, drawing.size()));
    }
    return lines;
}

/// The character that begins with a byte of the text, or that byte.
std::string_view character_at(std::string_view text, std::size_t place) {
    const std::string_view rest = text.substr(place);
    return rest.substr(0, std::max<std::size_t>(base::character_length(rest), 1));
}

/// The size that a drawing has, if its lines are alike and few enough.
Size size_of(std::string_view drawing) {
    const auto lines = lines_of(drawing);
    constexpr std::size_t most = base::last_coordinate;
    if (lines.empty() || lines[0].empty()) throw ArgumentError("a bitmap's drawing has no pixels");
    if (lines.size() > most || lines[0].size() > most) throw ArgumentError("a bitmap's drawing is too large");
    for (std::size_t i = 0; i < lines.size(); ++i) {
        if (lines[i].size() != lines[0].size())
            throw ArgumentError(fmt::format("line {} of a bitmap has {} pixels, the first one {}", i + 1,
                                            lines[i].size(), lines[0].size()));
        const std::size_t wrong = lines[i].find_first_not_of("#.");
        if (wrong != std::string_view::npos)
            throw ArgumentError(fmt::format("{} in line {} of a bitmap is neither # nor .",
                                            base::in_quotes(character_at(lines[i], wrong)), i + 1));
    }
    return {static_cast<std::int32_t>(lines[0].size()), static_cast<std::int32_t>(lines.size())};
}

} // namespace

Bitmap::Bitmap(Size size) : size_(size), words_((bit_count(size) + 63) / 64) {}

namespace {

/// The size, if the packed rows fit it.
Size checked(Size size, std::span<const std::uint8_t> packed, std::size_t row_bytes) {
    image::check_size(size);
    const std::size_t shortest = (static_cast<std::size_t>(size.width) + 7) / 8;
    if (row_bytes < shortest)
        throw ArgumentError(fmt::format("a bitmap's row of {} bytes is shorter than {} pixels, {} bytes",
                                        row_bytes, size.width, shortest));
    const auto rows = static_cast<std::size_t>(size.height);
    if (packed.size() < shortest || (packed.size() - shortest) / row_bytes < rows - 1)
        throw ArgumentError(fmt::format("{} bytes are fewer than a bitmap's {} rows of {} bytes",
                                        packed.size(), rows, row_bytes));
    return size;
}

} // namespace

Bitmap::Bitmap(Size size, std::span<const std::uint8_t> packed, std::size_t row_bytes)
    : Bitmap(checked(size, packed, row_bytes)) {
    for (std::size_t i = 0; i < bit_count(size); ++i) {
        const std::size_t x = i % static_cast<std::size_t>(size.width);
        const std::size_t y = i / static_cast<std::size_t>(size.width);
        set_bit(i, (static_cast<unsigned>(packed[y * row_bytes + x / 8]) >> (7 - x % 8) & 1U) != 0);
    }
}

Bitmap::Bitmap(std::string_view drawing) : Bitmap(size_of(drawing)) {
    std::size_t i = 0;
    for (const std::string_view line : lines_of(drawing))
        for (const char pixel : line) set_bit(i++, pixel == '#');
}

std::size_t Bitmap::index(Point position) const {
    base::check_range("bitmap x", position.x, 0, size_.width - 1);
    base::check_range("bitmap y", position.y, 0, size_.height - 1);
    return static_cast<std::size_t>(position.y) * static_cast<std::size_t>(size_.width) +
           static_cast<std::size_t>(position.x);
}

bool Bitmap::at(Point position) const {
    return bit(index(position)) != 0;
}

void Bitmap::read(Point first, Point step, std::span<std::uint8_t> bits) const {
    if (bits.empty()) return;
    const std::int64_t steps = static_cast<std::int64_t>(bits.size()) - 1;
    base::check_range("last bitmap x", first.x + steps * step.x, 0, size_.width - 1);
    base::check_range("last bitmap y", first.y + steps * step.y, 0, size_.height - 1);
    const std::ptrdiff_t further = std::ptrdiff_t{step.y} * size_.width + step.x;
    std::size_t at = index(first);
    for (std::uint8_t& one : bits) {
        one = bit(at);
        at += static_cast<std::size_t>(further); // which goes back by going round
    }
}

void Bitmap::set(Point position, bool value) {
    set_bit(index(position), value);
}

void Bitmap::set_bit(std::size_t i, bool value) {
    std::uint64_t& word = words_[i / 64];
    const std::uint64_t one = std::uint64_t{1} << (i % 64);
    word = value ? word | one : word & ~one;
}

} // namespace coldbrick
