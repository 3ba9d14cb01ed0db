#include "files/content.hpp"

#include "files/strips.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/quantise.hpp>

#include <algorithm>
#include <cstdint>
#include <cstring>
#include <span>

namespace coldbrick::files {

namespace {

/// Looks at pixels of four channels, up to `most` each.
template <class Channel>
void examine_row(std::span<const std::byte> row, Content& content) {
    constexpr Channel most = static_cast<Channel>(-1);
    std::array<Channel, 4> pixel{};
    for (std::size_t at = 0; at < row.size(); at += sizeof pixel) {
        std::memcpy(pixel.data(), &row[at], sizeof pixel);
        const auto& [red, green, blue, alpha] = pixel;
        content.colours = content.colours || red != green || green != blue;
        content.alpha = content.alpha || alpha != most;
        content.partial_alpha = content.partial_alpha || (alpha != most && alpha != 0);
        if constexpr (sizeof(Channel) == 2)
            content.deep = content.deep || std::ranges::any_of(pixel, [](Channel c) { return c % 257 != 0; });
    }
}

/// How many bits are enough for a gray value.
int bits_of(unsigned gray) {
    if (gray % 255 == 0) return 1;
    if (gray % 85 == 0) return 2;
    return gray % 17 == 0 ? 4 : 8;
}

/// Looks at pixels of one byte of gray.
void examine_gray(std::span<const std::byte> row, Content& content) {
    for (const std::byte gray : row)
        content.gray_bits = std::max(content.gray_bits, bits_of(std::to_integer<unsigned>(gray)));
}

bool is_opaque(const Palette::Entry& entry) {
    return entry.colour.alpha == 255;
}

} // namespace

Content content_of(PixelFormat format, const Palette* palette) {
    const PixelLayout& pixel = layout(format);
    Content content;
    content.colours = !pixel.is_gray();
    content.alpha = content.partial_alpha = pixel.has_alpha();
    content.deep = pixel.is_deep();
    content.floats = pixel.kind == PixelLayout::Kind::floats;
    if (pixel.kind == PixelLayout::Kind::index) {
        content.alpha = !std::ranges::all_of(palette->entries(), is_opaque);
        content.partial_alpha = std::ranges::any_of(palette->entries(), [](const Palette::Entry& entry) {
            return entry.colour.alpha != 255 && entry.colour.alpha != 0;
        });
        content.few = *palette;
    }
    return content;
}

Content examined(const ConstImageView& image, bool look_for_few) {
    Content content;
    content.floats = layout(image.format()).kind == PixelLayout::Kind::floats;
    content.gray_bits = 1;
    const bool deep = layout(image.format()).is_deep();
    std::optional<ColourCensus> census;
    if (look_for_few) census.emplace();
    for_each_strip(image, [&](const ConstImageView& strip, std::int32_t) {
        const Image colours = converted(strip, deep ? PixelFormat::rgba16 : PixelFormat::rgba8);
        for (std::int32_t y = 0; y < colours.height(); ++y) {
            const auto row = colours.view().row(y);
            deep ? examine_row<std::uint16_t>(row, content) : examine_row<std::uint8_t>(row, content);
        }
        if (!content.colours) {
            const Image gray = converted(strip, PixelFormat::gray8);
            for (std::int32_t y = 0; y < gray.height(); ++y) examine_gray(gray.view().row(y), content);
        }
        if (census && census->fits()) census->add(colours);
    });
    if (census && census->fits() && !content.partial_alpha) content.few = census->palette();
    return content;
}

} // namespace coldbrick::files
