#include "text/layout/style_checks.hpp"

#include "base/range_checks.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/text.hpp>

#include <fmt/core.h>

namespace coldbrick::text {

namespace {

constexpr double largest_length = 32767;

/// @throws ArgumentError unless a number lies in a range; NaN does not.
void check_number(std::string_view name, double value, double low, double high) {
    if (!(value >= low && value <= high))
        throw ArgumentError(fmt::format("{} {} is outside {}..{}", name, value, low, high));
}

} // namespace

void check(std::string_view text, const TextStyle& style) {
    if (text.size() > Text::most_bytes)
        throw ArgumentError(
            fmt::format("a text of {} bytes is longer than {}", text.size(), Text::most_bytes));
    base::check_range("number of fallback faces", static_cast<std::int64_t>(style.fallbacks.size()), 0, 1000);
    check_number("text size", style.size, 1, largest_length);
    check_number("smallest text size", style.smallest_size, 1, largest_length);
    check_number("letter spacing", style.letter_spacing, -largest_length, largest_length);
    check_number("line spacing", style.line_spacing, 0.5, 100);
    if (style.width) check_number("text width", *style.width, 1, 1e9);
    if (style.stroke_width) check_number("text stroke width", *style.stroke_width, 0.1, largest_length);
    base::check_range("number of lines", style.most_lines, 1, std::numeric_limits<std::int32_t>::max());
    if (style.fit) {
        base::check_range("width to fit", style.fit->width, 1, std::numeric_limits<std::int32_t>::max());
        base::check_range("height to fit", style.fit->height, 1, std::numeric_limits<std::int32_t>::max());
    }
    base::check_choice("size's meaning", style.size_of, SizeOf::capitals);
    base::check_choice("text column", style.anchor.column, TextColumn::right);
    base::check_choice("text row", style.anchor.row, TextRow::bottom);
    if (style.alignment) base::check_choice("alignment", *style.alignment, TextColumn::right);
    base::check_choice("direction", style.direction, Direction::right_to_left);
    base::check_choice("edges", style.edges, Edges::smooth);
}

void check(const TextPaint& paint) {
    if (paint.outline) check_number("outline width", paint.outline->width, 0.1, largest_length);
    if (paint.plate) check(*paint.plate);
}

void check(const TextPlate& plate) {
    base::check_range("plate padding", plate.padding, 0, 32767);
    base::check_range("plate radius", plate.radius, 0, 32767);
}

} // namespace coldbrick::text
