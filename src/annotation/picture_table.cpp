#include <coldbrick/picture_table.hpp>

#include "base/range_checks.hpp"
#include "text/layout/style_checks.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/overlay.hpp>
#include <coldbrick/text.hpp>

#include <algorithm>
#include <cmath>
#include <limits>

namespace coldbrick {

namespace {

Size largest_of(std::span<const CaptionedPicture> pictures) {
    Size result{1, 1};
    for (const CaptionedPicture& one : pictures)
        result = {std::max(result.width, one.picture.width()), std::max(result.height, one.picture.height())};
    return result;
}

/// So many columns that the table is about as wide as high.
std::int64_t usual_columns(std::int64_t count, std::int64_t cell_width, std::int64_t cell_height) {
    const double ratio = static_cast<double>(cell_height) / static_cast<double>(cell_width);
    const auto columns = std::llround(std::sqrt(static_cast<double>(count) * ratio));
    return std::clamp<std::int64_t>(columns, 1, count);
}

} // namespace

Image picture_table(std::span<const CaptionedPicture> pictures, const PictureTable& table) {
    constexpr std::int32_t most = 32767;
    if (pictures.empty()) throw ArgumentError("a table of pictures has none");
    base::check_range("columns", table.columns, 0, most);
    base::check_range("gap", table.gap, 0, most);
    text::check("", {.size = table.text_size});
    const Size largest = largest_of(pictures);
    const bool has_captions =
        std::ranges::any_of(pictures, [](const CaptionedPicture& one) { return !one.caption.empty(); });
    const auto text_height = static_cast<std::int64_t>(std::ceil(table.text_size * 1.4));
    const std::int64_t cell_width = std::int64_t{largest.width} + table.gap;
    const std::int64_t cell_height =
        std::int64_t{largest.height} + table.gap + (has_captions ? text_height : 0);
    const auto count = static_cast<std::int64_t>(pictures.size());
    const std::int64_t columns = table.columns == 0 ? usual_columns(count, cell_width, cell_height)
                                                    : std::min<std::int64_t>(table.columns, count);
    const std::int64_t rows = (count + columns - 1) / columns;
    const auto length = [&](const char* what, std::int64_t cells, std::int64_t cell) {
        const std::int64_t pixels = cells * cell + table.gap;
        base::check_range(what, pixels, 1, std::numeric_limits<std::int32_t>::max());
        return static_cast<std::int32_t>(pixels);
    };
    Image result(
        {length("width of the table", columns, cell_width), length("height of the table", rows, cell_height)},
        PixelFormat::rgb8, table.ground);
    const TextStyle style{.size = table.text_size,
                          .anchor = {TextColumn::centre, TextRow::middle},
                          .fit = Size{largest.width, static_cast<std::int32_t>(text_height)}};
    for (std::int64_t i = 0; i < count; ++i) {
        const CaptionedPicture& one = pictures[static_cast<std::size_t>(i)];
        const auto x = static_cast<std::int32_t>(table.gap + i % columns * cell_width);
        const auto y = static_cast<std::int32_t>(table.gap + i / columns * cell_height);
        const std::int32_t left = x + (largest.width - one.picture.width()) / 2;
        overlay(result, one.picture, {left, y + (largest.height - one.picture.height()) / 2});
        if (one.caption.empty()) continue;
        const Point at{x + largest.width / 2,
                       y + largest.height + static_cast<std::int32_t>(text_height / 2)};
        draw(result, Text(one.caption, at, style), table.ink);
    }
    return result;
}

} // namespace coldbrick
