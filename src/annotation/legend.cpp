#include <coldbrick/legend.hpp>

#include "text/layout/style_checks.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/text.hpp>

#include <algorithm>
#include <cmath>
#include <cstdint>

namespace coldbrick {

Image legend(std::span<const LegendEntry> entries, double text_size) {
    const TextStyle style{.size = text_size, .anchor = {TextColumn::left, TextRow::middle}};
    text::check("", style);
    if (entries.empty()) throw ArgumentError("a legend has no entry");
    constexpr std::int32_t padding = 6;
    const auto line = static_cast<std::int32_t>(std::ceil(text_size * 1.5));
    double widest = 0;
    for (const LegendEntry& entry : entries) widest = std::max(widest, measure(entry.text, style).advance);
    Image result({static_cast<std::int32_t>(std::ceil(widest)) + line + 3 * padding,
                  line * static_cast<std::int32_t>(entries.size()) + 2 * padding},
                 PixelFormat::rgba8, Colour(20, 26, 34, 225));
    std::int32_t y = padding;
    for (const LegendEntry& entry : entries) {
        const std::int32_t side = std::max(line * 2 / 3, 1);
        draw(result, Box{padding, y + line / 6, side, side}, Fill{entry.colour});
        draw(result, Text(entry.text, {line + 2 * padding, y + line / 2}, style), Colour(255, 255, 255));
        y += line;
    }
    return result;
}

} // namespace coldbrick
