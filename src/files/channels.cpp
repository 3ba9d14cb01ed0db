#include "files/channels.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <utility>

namespace coldbrick::files {

namespace {

bool see_through(const Palette& palette) {
    return std::ranges::any_of(palette.entries(),
                               [](const Palette::Entry& entry) { return entry.colour.alpha != 255; });
}

} // namespace

FileChannels channels_needed(const ConstImageView& image, const char* type) {
    const PixelLayout& pixel = layout(image.format());
    if (pixel.kind == PixelLayout::Kind::floats)
        throw FileError(fmt::format("a {} file cannot hold the floats of {}: convert it to 16 bits a channel",
                                    type, pixel.name));
    const bool alpha = image.palette() != nullptr ? see_through(*image.palette()) : pixel.has_alpha();
    return {(pixel.is_gray() ? 1 : 3) + (alpha ? 1 : 0), pixel.kind == PixelLayout::Kind::words ? 16 : 8};
}

PixelFormat format_of(const FileChannels& channels) {
    const bool deep = channels.bits == 16;
    switch (channels.count) {
    case 1: return deep ? PixelFormat::gray16 : PixelFormat::gray8;
    case 2: return deep ? PixelFormat::rgba16 : PixelFormat::graya8;
    case 3: return deep ? PixelFormat::rgb16 : PixelFormat::rgb8;
    default: return deep ? PixelFormat::rgba16 : PixelFormat::rgba8;
    }
}

void swap_bytes(std::span<std::byte> row) {
    for (std::size_t i = 0; i + 1 < row.size(); i += 2) std::swap(row[i], row[i + 1]);
}

std::vector<std::byte> in_file_order(const ConstImageView& image, const FileChannels& channels) {
    Image file = converted(image, format_of(channels));
    std::vector<std::byte> result;
    result.reserve(file.view().row(0).size() * static_cast<std::size_t>(file.height()));
    for (std::int32_t y = 0; y < file.height(); ++y) {
        const std::span<std::byte> row = file.view().row(y);
        if (channels.bits == 16) swap_bytes(row);
        result.insert(result.end(), row.begin(), row.end());
    }
    return result;
}

} // namespace coldbrick::files
